<script setup lang="ts">
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DataSourceFields from '~/components/fields/DataSourceFields.vue'
import NumberField from '~/components/fields/NumberField.vue'
import YesNoField from '~/components/fields/YesNoField.vue'
import { useStudy } from '~/stores/study'
import { Site } from '~~/core/study/site'
import { KETTLES } from '~~/core/water/hardness'

/** What comes out of the cold main: its pressure, its hardness, whether it is drunk. */
const table = useStudy()
const site = computed(() => table.study!.site)
const kettles = [{ value: '', name: 'choose…' }, ...Object.keys(KETTLES).map((name) => ({ value: name, name }))]
function lookInKettle(look: string) {
  if (look === '') return
  table.change('kettle', (d) => {
    d.site.hardnessMgL = KETTLES[look as keyof typeof KETTLES]
    d.origins['site.hardnessMgL'] = 'assumed'
  })
}
</script>

<template>
  <NumberField
    label="Pressure"
    quantity="pressure"
    optional
    :schema="Site.shape.pressureBar"
    :origin="table.origin('site.pressureBar')"
    :value="site.pressureBar"
    @change="(v) => table.change('pressure', (d) => void (d.site.pressureBar = v))"
  />
  <NumberField
    label="Hardness"
    quantity="hardness"
    optional
    :schema="Site.shape.hardnessMgL"
    :value="site.hardnessMgL"
    :origin="table.origin('site.hardnessMgL')"
    @change="(v) => table.change('hardness', (d) => void (d.site.hardnessMgL = v))"
  />
  <YesNoField
    label="Drinking water"
    :value="site.potable"
    @change="(v) => table.change('potable', (d) => void (d.site.potable = v))"
  />
  <ChoiceField label="Scale seen in the kettle" value="" :choices="kettles" @change="lookInKettle" />
  <DataSourceFields
    v-if="site.hardnessMgL !== null"
    of="Hardness"
    :value="site.sources.hardness"
    @change="(v) => table.change('hardness source', (d) => void (d.site.sources.hardness = v))"
  />
</template>
