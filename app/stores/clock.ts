import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Study } from '~~/core/study/study'
import { dependsOn } from '~~/core/year/depends-on'
import type { DayTrace } from '~~/core/year/trace'
import { dayInMonth, FRAME_MIN } from '~~/core/year/traced-day'
import { useStudy } from './study'
import { useYears } from './years'

/** The day under the clock: which one is being looked at, and how it goes in the household as it is shown. */
export const useClock = defineStore('clock', () => {
  const table = useStudy()
  const years = useYears()
  const month = ref(0)
  const weekday = ref(1)
  const minute = ref(6 * 60 + 30)
  const day = shallowRef<DayTrace | null>(null)
  let dayBatch = 0
  const standing = computed(() => (years.house && years.stands?.study === table.study ? dependsOn(years.house) : null))
  watch(
    [standing, month, weekday],
    async () => {
      const study = years.house
      if (!study || standing.value === null) return
      const mine = ++dayBatch
      const at = dayInMonth(study, month.value, weekday.value)
      const trace = await years.order('day', study, () => mine !== dayBatch, at).catch(() => null)
      if (trace && mine === dayBatch) day.value = trace
    },
    { immediate: true },
  )
  const frame = computed(
    () => day.value?.frames[Math.min(day.value.frames.length - 1, Math.floor(minute.value / FRAME_MIN))] ?? null,
  )

  /** A day of a study as it goes, minute by minute; null when it went stale. */
  const traced = (study: Study, at: number, stale: () => boolean) =>
    years.order('day', study, stale, at).catch(() => null)

  return { month, weekday, minute, day, frame, traced }
})
