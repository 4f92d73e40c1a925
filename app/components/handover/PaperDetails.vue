<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import TextField from '~/components/fields/TextField.vue'
import PictureMark from '~/components/handover/PictureMark.vue'
import { useStudy } from '~/stores/study'
import { titleOf } from '~~/core/readings/kinds'
import { freshId } from '~~/core/study/fresh-id'
import type { Handover } from '~~/core/study/handover'

/** What stands on the papers beside settings and figures: who was there, the rules of the place, what is left alone. */
const table = useStudy()
const study = computed(() => table.study!)
const handover = computed(() => study.value.handover)
const put = (key: string, edit: (h: Handover) => void) => table.change(`papers ${key}`, (d) => edit(d.handover))
const photoOf = (id: string | null) => study.value.readings.find((r) => r.id === id)?.photo ?? null
const pictures = computed(() => [
  { value: '', name: 'none' },
  ...study.value.readings
    .filter((r) => r.photo)
    .map((r) => ({
      value: r.id,
      name: `${titleOf(r)}, ${r.takenAt.slice(0, 10)}${r.note ? `: ${r.note.slice(0, 40)}` : ''}`,
    })),
])
</script>

<template>
  <div class="space-y-6">
    <section aria-label="Engineer">
      <h2 class="text-xl">Engineer</h2>
      <div class="mt-1 grid items-start gap-3 sm:grid-cols-3">
        <TextField
          label="Name of the engineer"
          optional
          :value="study.controls.by"
          @change="(v) => table.change('engineer', (d) => void (d.controls.by = v))"
        />
        <TextField
          label="Mark of the trade, registration"
          optional
          :value="handover.mark"
          @change="(v) => put('mark', (h) => void (h.mark = v))"
        />
        <TextField
          label="Telephone"
          optional
          :value="handover.phone"
          @change="(v) => put('phone', (h) => void (h.phone = v))"
        />
      </div>
    </section>
    <section aria-label="Leave alone">
      <h2 class="text-xl">Leave alone</h2>
      <p class="caption">What the household does not touch, and why. A picture from the log shows which it is.</p>
      <ul>
        <li
          v-for="(l, i) in handover.leaveAlone"
          :key="l.id"
          class="grid items-start gap-3 border-b border-line py-2 sm:grid-cols-[minmax(0,1fr)_minmax(0,1.5fr)_14rem_3rem]"
          :data-alone="l.id"
        >
          <TextField
            label="What"
            :value="l.what"
            @change="(v) => put(`what ${l.id}`, (h) => void (h.leaveAlone.find((x) => x.id === l.id)!.what = v))"
          />
          <TextField
            label="Because"
            optional
            :value="l.why"
            @change="(v) => put(`why ${l.id}`, (h) => void (h.leaveAlone.find((x) => x.id === l.id)!.why = v))"
          />
          <ChoiceField
            label="Picture"
            :value="l.picture ?? ''"
            :choices="pictures"
            @change="
              (v) =>
                put(
                  `picture ${l.id}`,
                  (h) =>
                    void Object.assign(
                      h.leaveAlone.find((x) => x.id === l.id)!,
                      { picture: v || null, at: null },
                    ),
                )
            "
          />
          <button
            class="tool tool-bare mt-4 px-2"
            :aria-label="`Remove: ${l.what}`"
            @click="put('left', (h) => void (h.leaveAlone = h.leaveAlone.filter((x) => x.id !== l.id)))"
          >
            <Trash2 :size="17" />
          </button>
          <PictureMark
            v-if="photoOf(l.picture)"
            :photo="photoOf(l.picture)!"
            :what="l.what"
            :n="i + 1"
            :at="l.at"
            @change="(at) => put(`mark ${l.id}`, (h) => void (h.leaveAlone.find((x) => x.id === l.id)!.at = at))"
          />
        </li>
      </ul>
      <button
        class="tool mt-2"
        @click="
          put('alone', (h) =>
            h.leaveAlone.push({
              id: freshId('alone', h.leaveAlone),
              what: 'Filling valve',
              why: '',
              picture: null,
              at: null,
            }),
          )
        "
      >
        <Plus :size="17" />Add something to leave alone
      </button>
    </section>
    <section aria-label="Rules of this place">
      <h2 class="text-xl">Rules of this place</h2>
      <p class="caption">
        As you have read them: none comes with the app. Without number and edition it is no citation.
      </p>
      <ul>
        <li
          v-for="r in handover.rules"
          :key="r.id"
          class="grid items-start gap-3 border-b border-line py-2 sm:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)_minmax(0,1fr)_8rem_3rem]"
          :data-rule="r.id"
        >
          <TextField
            label="What it governs"
            :value="r.about"
            @change="(v) => put(`about ${r.id}`, (h) => void (h.rules.find((x) => x.id === r.id)!.about = v))"
          />
          <TextField
            label="Place"
            optional
            :value="r.place"
            @change="(v) => put(`place ${r.id}`, (h) => void (h.rules.find((x) => x.id === r.id)!.place = v))"
          />
          <TextField
            label="Number"
            optional
            :value="r.number"
            @change="(v) => put(`number ${r.id}`, (h) => void (h.rules.find((x) => x.id === r.id)!.number = v))"
          />
          <TextField
            label="Edition"
            optional
            :value="r.edition"
            @change="(v) => put(`edition ${r.id}`, (h) => void (h.rules.find((x) => x.id === r.id)!.edition = v))"
          />
          <button
            class="tool tool-bare mt-4 px-2"
            :aria-label="`Remove rule: ${r.about}`"
            @click="put('rule gone', (h) => void (h.rules = h.rules.filter((x) => x.id !== r.id)))"
          >
            <Trash2 :size="17" />
          </button>
        </li>
      </ul>
      <button
        class="tool mt-2"
        @click="
          put('rule', (h) =>
            h.rules.push({
              id: freshId('rule', h.rules),
              about: 'Hot water temperature',
              place: '',
              number: '',
              edition: '',
            }),
          )
        "
      >
        <Plus :size="17" />Add a rule
      </button>
    </section>
  </div>
</template>
