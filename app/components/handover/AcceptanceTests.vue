<script setup lang="ts">
import { CircleCheck, CircleX, Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { localDay } from '~/utils/local-iso'
import { outletTest, type Proposed, proposedTests, sameTest, testStands, testText } from '~~/core/household/acceptance'
import { freshId } from '~~/core/study/fresh-id'
import { AcceptanceTest, MOST_ACCEPTANCE_TESTS } from '~~/core/study/handover'

/** What is tried before the engineer leaves, each with its pass mark and what it came to. */
const table = useStudy()
const study = computed(() => table.study!)
const tests = computed(() => study.value.handover.tests)
const proposed = computed(() => proposedTests(study.value).filter((p) => !tests.value.some((t) => sameTest(p, t))))
const add = (all: readonly Proposed[]) =>
  table.change('acceptance tests', (d) => {
    for (const test of all) d.handover.tests.push({ ...test, id: freshId('test', d.handover.tests) })
  })
/** One for an outlet that is not proposed: warm within a time. */
const outlets = computed(() =>
  study.value.pipes.taps.filter((t) => !tests.value.some((x) => x.kind === 'outlet' && x.at === t.id)),
)
const addOutlet = (tapId: string) => add([outletTest(study.value, tapId)])
const put = (id: string, key: string, edit: (t: AcceptanceTest) => void) =>
  table.change(`test ${key} ${id}`, (d) => {
    const test = d.handover.tests.find((t) => t.id === id)!
    edit(test)
    test.on = test.c === null && test.seconds === null ? null : (test.on ?? localDay())
  })
const remove = (id: string) =>
  table.change('test removed', (d) => void (d.handover.tests = d.handover.tests.filter((t) => t.id !== id)))
const rows = computed(() =>
  tests.value.map((t) => ({ test: t, stands: testStands(t), ...testText(study.value, t, table.units) })),
)
const shape = AcceptanceTest.shape
</script>

<template>
  <div>
    <p class="max-w-prose text-ink-soft">
      Tried before you leave, with the household watching. A test that is not passed stays among the open items.
    </p>
    <ul class="mt-3">
      <li v-for="r in rows" :key="r.test.id" class="border-b border-line py-3" :data-test="r.test.id">
        <div class="flex items-start gap-2">
          <CircleCheck
            v-if="r.stands === 'passed'"
            :size="20"
            class="mt-0.5 shrink-0 text-verdigris"
            aria-hidden="true"
          />
          <CircleX v-else-if="r.stands === 'failed'" :size="20" class="mt-0.5 shrink-0 text-alarm" aria-hidden="true" />
          <span v-else class="mt-1 size-4 shrink-0 rounded-full border-2 border-line-strong" aria-hidden="true" />
          <div class="min-w-0 flex-1">
            <p>
              <b>{{ r.title }}</b>
              <span
                class="ml-2"
                :class="{ 'text-verdigris': r.stands === 'passed', 'text-alarm': r.stands === 'failed' }"
                >{{ r.stands }}</span
              >
            </p>
            <p class="text-sm">{{ r.how }} Passes at {{ r.pass }}.</p>
          </div>
          <button class="tool tool-bare px-2" :aria-label="`Remove test: ${r.title}`" @click="remove(r.test.id)">
            <Trash2 :size="17" />
          </button>
        </div>
        <div class="mt-1 grid grid-cols-2 items-start gap-3 sm:grid-cols-4 sm:pl-7">
          <NumberField
            label="Pass mark"
            quantity="temperature"
            :schema="shape.passC"
            :value="r.test.passC"
            @change="(v) => put(r.test.id, 'mark', (t) => void (t.passC = v!))"
          />
          <NumberField
            v-if="r.test.passS !== null"
            label="Within"
            unit="s"
            :decimals="0"
            :schema="shape.passS.unwrap()"
            :value="r.test.passS"
            @change="(v) => put(r.test.id, 'time', (t) => void (t.passS = v!))"
          />
          <NumberField
            label="Read"
            quantity="temperature"
            optional
            :schema="shape.c.unwrap()"
            :value="r.test.c"
            @change="(v) => put(r.test.id, 'read', (t) => void (t.c = v))"
          />
          <NumberField
            v-if="r.test.passS !== null"
            label="Took"
            unit="s"
            :decimals="0"
            optional
            :schema="shape.seconds.unwrap()"
            :value="r.test.seconds"
            @change="(v) => put(r.test.id, 'took', (t) => void (t.seconds = v))"
          />
        </div>
      </li>
    </ul>
    <section v-if="proposed.length" aria-label="Proposed tests" class="mt-4">
      <h2 class="text-xl">Proposed for this household</h2>
      <ul class="mt-1">
        <li v-for="p in proposed" :key="`${p.kind} ${p.at}`" class="text-sm">
          <b>{{ testText(study, p, table.units).title }}</b>: {{ testText(study, p, table.units).pass }}
        </li>
      </ul>
      <button class="tool tool-main mt-2" @click="add(proposed)"><Plus :size="17" />Add these tests</button>
    </section>
    <ChoiceField
      v-if="outlets.length && tests.length < MOST_ACCEPTANCE_TESTS"
      class="mt-4 w-72"
      label="Test of another outlet"
      value=""
      :choices="[{ value: '', name: 'choose…' }, ...outlets.map((t) => ({ value: t.id, name: t.name }))]"
      @change="(v) => v && addOutlet(v)"
    />
  </div>
</template>
