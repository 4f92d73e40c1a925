<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DateField from '~/components/fields/DateField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useStudy } from '~/stores/study'
import { localDay, localIso } from '~/utils/local-iso'
import { FIELDS } from '~~/core/calculators/fields'
import { beginSteps, flowNext, flowStepsOf, type Vote } from '~~/core/household/heating/flow-steps'
import { flowOnColdest } from '~~/core/household/heating/radiators'
import { freshId } from '~~/core/study/fresh-id'
import { FlowSteps } from '~~/core/study/heating'
import { writeDay } from '~~/core/units/dates'
import { flowNextText } from '~~/core/views/flow-step-words'

/** A flow temperature changed in small steps, with a word of the household on each before the next. */
const FEELS = ['too cold', 'right', 'too warm'] as const satisfies readonly Vote['feels'][]
const table = useStudy()
const study = computed(() => table.study!)
const plan = computed(() => study.value.heating!.steps)
const steps = computed(() => (plan.value ? flowStepsOf(study.value, plan.value) : []))
const next = computed(() => (plan.value ? flowNext(steps.value) : null))
/** A word on a step is asked for once it may be tried. */
const due = computed(() => next.value !== null && 'from' in next.value && next.value.from <= localDay())
const put = (key: string, edit: (p: FlowSteps) => void) =>
  table.change(`flow steps ${key}`, (d) => edit(d.heating!.steps!))
const begin = () =>
  table.change('flow steps', (d) => {
    const set = flowOnColdest(study.value, study.value.heating!, table.controls!.heating.flow)
    d.heating!.steps = beginSteps(set, localDay())
  })
const outdoorC = ref<number | null>(null)
const feels = ref('')
function vote() {
  const taken = table.change('flow vote', (d) => {
    d.readings.push({
      id: freshId('reading', d.readings),
      takenAt: localIso(new Date()),
      kind: 'flow-log',
      sum: null,
      where: null,
      values: { outdoorC: outdoorC.value!, supplyC: next.value!.flowC, feels: feels.value },
      note: '',
      photo: null,
      adopted: null,
    })
  })
  if (taken) {
    outdoorC.value = null
    feels.value = ''
  }
}
const day = (iso: string) => writeDay(iso, table.units.system)
</script>

<template>
  <section aria-label="Flow in small steps">
    <h2 class="text-xl">Flow in small steps</h2>
    <p class="caption">One step, some days, a word of the household; only then the next. Hot water is not touched.</p>
    <button v-if="!plan" class="tool mt-2" @click="begin"><Plus :size="17" />Plan the steps</button>
    <template v-else>
      <div class="mt-2 grid grid-cols-2 items-start gap-3 sm:grid-cols-5">
        <DateField
          label="First step on"
          :value="plan.begins"
          @change="(v) => v && put('begins', (p) => void (p.begins = v))"
        />
        <NumberField
          label="Flow now"
          quantity="temperature"
          :schema="FlowSteps.shape.fromC"
          :value="plan.fromC"
          @change="(v) => put('from', (p) => void (p.fromC = v!))"
        />
        <NumberField
          label="Flow in the end"
          quantity="temperature"
          :schema="FlowSteps.shape.toC"
          :value="plan.toC"
          @change="(v) => put('to', (p) => void (p.toC = v!))"
        />
        <NumberField
          label="Each step"
          quantity="rise"
          :schema="FlowSteps.shape.byK"
          :value="plan.byK"
          @change="(v) => put('by', (p) => void (p.byK = v!))"
        />
        <NumberField
          label="Lived with"
          unit="days"
          :decimals="0"
          :schema="FlowSteps.shape.everyDays"
          :value="plan.everyDays"
          @change="(v) => put('days', (p) => void (p.everyDays = Math.round(v!)))"
        />
        <button
          class="tool tool-bare justify-self-start"
          @click="table.change('no steps', (d) => void (d.heating!.steps = null))"
        >
          <Trash2 :size="17" />Remove the steps
        </button>
      </div>
      <p class="mt-2 border-l-4 border-verdigris pl-2 font-semibold" data-next-step>
        {{ flowNextText(next!, table.units, localDay()) }}
      </p>
      <div v-if="due" class="mt-2 grid max-w-2xl grid-cols-2 items-start gap-3 sm:grid-cols-3">
        <NumberField
          label="Outdoors"
          quantity="temperature"
          optional
          :schema="FIELDS.outdoorC"
          :value="outdoorC"
          @change="(v) => (outdoorC = v)"
        />
        <ChoiceField
          label="Rooms felt"
          :value="feels"
          :choices="[{ value: '', name: 'choose…' }, ...FEELS.map((value) => ({ value, name: value }))]"
          @change="(v) => (feels = v)"
        />
        <button class="tool mt-4 justify-self-start" :disabled="outdoorC === null || !feels" @click="vote">
          Save for {{ table.units.temperature(next!.flowC) }}
        </button>
      </div>
      <table class="mt-3 text-sm">
        <thead>
          <tr class="border-b border-ink text-left">
            <th class="py-1 pr-6 text-right">Flow</th>
            <th class="pr-6">From</th>
            <th class="pr-6">Rooms felt</th>
            <th class="text-right">Outdoors</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in steps" :key="s.flowC" class="border-b border-line" data-step>
            <td class="py-1 pr-6 text-right tabular-nums">{{ table.units.temperature(s.flowC) }}</td>
            <td class="pr-6">{{ day(s.due) }}</td>
            <td class="pr-6">{{ s.vote ? `${s.vote.feels}, ${day(s.vote.on)}` : 'not tried' }}</td>
            <td class="text-right tabular-nums">{{ s.vote ? table.units.temperature(s.vote.outdoorC) : '' }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>
