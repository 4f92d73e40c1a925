<script setup lang="ts">
import { Plus } from '@lucide/vue'
import DialGuide from '~/components/set/DialGuide.vue'
import { useStudy } from '~/stores/study'
import { withDial } from '~~/core/household/controllers'
import { dialGuides } from '~~/core/household/dial-guide'
import { hasSetpoint } from '~~/core/study/heater-kinds'

/** Dials without degrees: each with what is to be done next. */
const table = useStudy()
const study = computed(() => table.study!)
/** What is required at each, to begin with its setpoint. */
const required = ref<Record<string, number>>({})
const guides = computed(() =>
  dialGuides(study.value, (id) => required.value[id] ?? table.controls!.heaters[id]!.setpointC),
)
const others = computed(() =>
  study.value.plant.heaters.filter(
    (h) => hasSetpoint(h) && !guides.value.some((g) => g.controller && g.heater.id === h.id),
  ),
)
</script>

<template>
  <section aria-label="Dials without degrees">
    <p class="text-ink-soft">
      Letters, numbers or nothing at all: a dial means what was read at it. Two readings make a scale; a third proves
      it.
    </p>
    <DialGuide
      v-for="g in guides"
      :key="g.heater.id"
      :guide="g"
      @required="(c) => (required = { ...required, [g.heater.id]: c })"
    />
    <div v-if="others.length" class="border-t border-line-strong pt-3">
      <h2 class="text-base">A dial is on</h2>
      <div class="mt-1 flex flex-wrap gap-2">
        <button v-for="h in others" :key="h.id" class="tool" @click="table.replace((s) => withDial(s, h.id))">
          <Plus :size="17" />{{ h.name }}
        </button>
      </div>
    </div>
  </section>
</template>
