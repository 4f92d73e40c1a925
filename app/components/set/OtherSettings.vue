<script setup lang="ts">
import NumberField from '~/components/fields/NumberField.vue'
import OwnSettings from '~/components/set/OwnSettings.vue'
import { useStudy } from '~/stores/study'
import { keepCodes, keptCodes } from '~/utils/kept-codes'
import { SetpointC } from '~~/core/study/controls'
import { hasSetpoint } from '~~/core/study/heater-kinds'

/** What the register has besides: settings added by hand, factory settings, and codes that stay in this browser. */
const table = useStudy()
const study = computed(() => table.study!)
const held = computed(() => study.value.plant.heaters.filter(hasSetpoint))
const setFactory = (id: string, c: number | null) =>
  table.change(`factory ${id}`, (d) => {
    if (c === null) delete d.controls.factory[id]
    else d.controls.factory[id] = c
  })
const codes = ref('')
const trouble = ref('')
onMounted(async () => void (codes.value = (await keptCodes())[study.value.id] ?? ''))
async function keep() {
  try {
    await keepCodes(study.value.id, codes.value)
    trouble.value = ''
  } catch {
    trouble.value = 'Not kept: the browser has no room. Everything else is unaffected.'
  }
}
</script>

<template>
  <div class="space-y-8">
    <OwnSettings />
    <section aria-label="Factory settings">
      <h2 class="text-xl">Factory settings</h2>
      <p class="caption">
        Setpoint as it leaves the factory, from the manual: one that is still found is marked as never reviewed.
      </p>
      <div class="mt-2 grid grid-cols-2 items-end gap-3 sm:grid-cols-4">
        <NumberField
          v-for="h in held"
          :key="h.id"
          :label="`Factory setpoint, ${h.name}`"
          quantity="temperature"
          optional
          :schema="SetpointC"
          :value="study.controls.factory[h.id] ?? null"
          @change="(c) => setFactory(h.id, c)"
        />
      </div>
    </section>
    <section aria-label="Access codes" class="print:hidden">
      <h2 class="text-xl">Access codes</h2>
      <p class="caption">
        Codes, hold times and key orders of locked menus. Saved in this browser only: in no file, no print and no
        export. Levels behind a code: registered installer only.
      </p>
      <label class="caption mt-2 block" for="codes">Codes and key orders</label>
      <textarea id="codes" v-model="codes" class="entry" rows="3" maxlength="2000" autocomplete="off" @change="keep" />
      <p v-if="trouble" role="alert" class="mt-1 text-sm text-alarm">{{ trouble }}</p>
    </section>
  </div>
</template>
