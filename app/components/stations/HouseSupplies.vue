<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import NumberField from '~/components/fields/NumberField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import { useStudy } from '~/stores/study'
import { HEATER_PLACE } from '~~/core/checks/space'
import { FROST_GUARDS, Site } from '~~/core/study/site'

/** What the house is connected to, and the coldest air: what a heat source of another kind is held against. */
const table = useStudy()
const site = computed(() => table.study!.site)
type Main = NonNullable<Site['electricMain']>
const gasPipe = Site.shape.gasPipe.shape
const shape = Site.shape.electricMain.unwrap().shape
/** A main says something once all of it is there; what is typed of it so far waits here. */
const typed = ref<Partial<Main>>({})
watch(
  () => site.value.electricMain,
  (main) => void (typed.value = main ? { ...main } : typed.value),
  { immediate: true },
)
const FIELDS = [
  { key: 'amps', label: 'Main fuse', unit: 'A' },
  { key: 'volts', label: 'Voltage (phase to phase, or single phase)', unit: 'V' },
  { key: 'spareWays', label: 'Spare ways', unit: '' },
  { key: 'otherAmps', label: 'Other maximum demand', unit: 'A' },
] as const
const missing = computed(() =>
  [...FIELDS, { key: 'phases', label: 'Phases' } as const]
    .filter((f) => typed.value[f.key] === undefined)
    .map((f) => f.label.toLowerCase()),
)
const phases = computed((): 1 | 3 | null => typed.value.phases ?? null)
const begun = computed(() => Object.keys(typed.value).length > 0)
function put(key: keyof Main, value: number | null) {
  const next: Partial<Main> = { ...typed.value, [key]: value ?? undefined }
  if (value === null) delete next[key]
  typed.value = next
  const { amps, volts, phases, spareWays, otherAmps } = next
  const whole =
    amps === undefined ||
    volts === undefined ||
    phases === undefined ||
    spareWays === undefined ||
    otherAmps === undefined
      ? null
      : { amps, volts, phases, spareWays, otherAmps }
  if (whole || site.value.electricMain) table.change('electric main', (d) => void (d.site.electricMain = whole))
}
</script>

<template>
  <section aria-label="Supplies to the house">
    <h3 class="mb-1 text-lg">Supplies to the house</h3>
    <p class="caption mb-2">New heat sources are checked against these. A supply that is not checked never passes.</p>
    <div class="grid grid-cols-2 items-start gap-3 md:grid-cols-4">
      <NumberField
        v-for="f in FIELDS"
        :key="f.key"
        :label="f.label"
        :unit="f.unit"
        optional
        :decimals="0"
        :schema="shape[f.key]"
        :value="typed[f.key] ?? null"
        @change="(v) => put(f.key, v)"
      />
      <ChoiceField
        label="Phases of the supply"
        :value="phases"
        :choices="[
          { value: null as 1 | 3 | null, name: 'not checked' },
          { value: 1 as 1 | 3 | null, name: 'one' },
          { value: 3 as 1 | 3 | null, name: 'three' },
        ]"
        @change="(v) => put('phases', v)"
      />
      <NumberField
        label="Gas supply capacity"
        quantity="power"
        optional
        :schema="Site.shape.gasLineKw"
        :value="site.gasLineKw"
        help="Leave blank to work it out from the pipe"
        @change="(v) => table.change('gas line', (d) => void (d.site.gasLineKw = v))"
      />
      <template v-if="site.gasLineKw === null">
        <NumberField
          label="Gas pipe to the heater, bore"
          quantity="thickness"
          :decimals="1"
          optional
          :schema="gasPipe.boreMm"
          :value="site.gasPipe.boreMm"
          @change="(v) => table.change('gas bore', (d) => void (d.site.gasPipe.boreMm = v))"
        />
        <NumberField
          label="Gas pipe, length with bends"
          quantity="length"
          optional
          :schema="gasPipe.lengthM"
          :value="site.gasPipe.lengthM"
          @change="(v) => table.change('gas length', (d) => void (d.site.gasPipe.lengthM = v))"
        />
        <NumberField
          label="Other appliances on that pipe"
          quantity="power"
          optional
          :schema="gasPipe.otherKw"
          :value="site.gasPipe.otherKw"
          @change="(v) => table.change('gas besides', (d) => void (d.site.gasPipe.otherKw = v))"
        />
      </template>
      <NumberField
        label="Design outdoor temperature"
        quantity="temperature"
        optional
        :schema="Site.shape.designAirC"
        :value="site.designAirC"
        @change="(v) => table.change('coldest air', (d) => void (d.site.designAirC = v))"
      />
      <ChoiceField
        label="Frost protection of exposed pipes"
        :value="site.frostGuard"
        :choices="FROST_GUARDS.map((value) => ({ value, name: value }))"
        @change="(v) => table.change('frost guard', (d) => void (d.site.frostGuard = v))"
      />
      <YesNoField
        label="Gas main to the house"
        :value="site.networks.gas"
        @change="(v) => table.change('gas main', (d) => void (d.site.networks.gas = v))"
      />
      <YesNoField
        label="Heat network to the house"
        :value="site.networks.heat"
        @change="(v) => table.change('heat network', (d) => void (d.site.networks.heat = v))"
      />
      <YesNoField
        v-for="({ asks }, need) in HEATER_PLACE"
        :key="need"
        :label="asks"
        :value="site.heaterPlace[need]"
        @change="(v) => table.change(`heater place ${need}`, (d) => void (d.site.heaterPlace[need] = v))"
      />
    </div>
    <p v-if="begun && missing.length" class="caption mt-1" role="status">
      The electrical supply is saved once this is entered too: {{ missing.join(', ') }}.
    </p>
  </section>
</template>
