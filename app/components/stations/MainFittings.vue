<script setup lang="ts">
import YesNoField from '~/components/fields/YesNoField.vue'
import { useStudy } from '~/stores/study'

/** What is fitted at the cold main. */
const table = useStudy()
const site = computed(() => table.study!.site)
</script>

<template>
  <div class="grid grid-cols-2 gap-2">
    <YesNoField
      label="Water is metered"
      no="no: drawing less saves no money"
      :value="site.metered"
      @change="(v) => table.change('metered', (d) => void (d.site.metered = v))"
    />
    <YesNoField
      label="Backflow preventer"
      :value="site.backflowGuard"
      @change="(v) => table.change('backflow', (d) => void (d.site.backflowGuard = v))"
    />
    <YesNoField
      label="Pressure-reducing valve"
      :value="site.pressureReducer"
      @change="(v) => table.change('reducer', (d) => void (d.site.pressureReducer = v))"
    />
    <YesNoField
      label="Expansion vessel"
      :value="site.expansionVessel"
      @change="(v) => table.change('vessel', (d) => void (d.site.expansionVessel = v))"
    />
  </div>
</template>
