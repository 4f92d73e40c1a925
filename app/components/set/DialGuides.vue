<script setup lang="ts">
import { Plus } from '@lucide/vue'
import DialGuide from '~/components/set/DialGuide.vue'
import TwoPersons from '~/components/set/TwoPersons.vue'
import { useStudy } from '~/stores/study'
import { commandedName } from '~~/core/household/controllers'
import { dialGuides, dialsPossible, requiredAt } from '~~/core/household/dial-guide'
import { withDial } from '~~/core/household/edits/controllers'

/** Dials without degrees: each with what is to be done next. */
const table = useStudy()
const study = computed(() => table.study!)
/** What is required at each, to begin with what is set. */
const required = ref<Record<string, number>>({})
/** What the other person read at the outlet last. */
const heard = shallowRef<{ c: number } | null>(null)
const guides = computed(() => dialGuides(study.value, (of) => required.value[of] ?? requiredAt(table.controls!, of)))
const others = computed(() =>
  dialsPossible(study.value).filter((of) => !guides.value.some((g) => g.controller && g.of === of)),
)
</script>

<template>
  <section aria-label="Dials without degrees">
    <p class="text-ink-soft">
      Letters, numbers or nothing at all: a dial means what was read at it. Two readings make a scale; a third proves
      it.
    </p>
    <TwoPersons class="mt-3" @heard="(c) => (heard = { c })" />
    <DialGuide
      v-for="g in guides"
      :key="g.of"
      :guide="g"
      :heard="heard"
      @required="(c) => (required = { ...required, [g.of]: c })"
    />
    <div v-if="others.length" class="border-t border-line-strong pt-3">
      <h2 class="text-base">A dial is on</h2>
      <div class="mt-1 flex flex-wrap gap-2">
        <button v-for="of in others" :key="of" class="tool" @click="table.replace((s) => withDial(s, of))">
          <Plus :size="17" />{{ commandedName(study, of) }}
        </button>
      </div>
    </div>
  </section>
</template>
