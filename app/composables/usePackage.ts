import { createSharedComposable } from '@vueuse/core'
import { useStudy } from '~/stores/study'
import { useYears } from '~/stores/years'
import { compared, type Comparison, detailsOf, type MeasureDetails } from '~~/core/views/compare'

/** The package that is being looked at: what its measures take, and what its years say of them. */
export const usePackage = createSharedComposable(() => {
  const table = useStudy()
  const years = useYears()
  const pack = computed(() => table.study?.packages.find((p) => p.id === years.lookedAt) ?? null)
  /** What the measures take; it needs no year. */
  const details = computed((): MeasureDetails[] =>
    table.study && pack.value ? detailsOf(table.study, pack.value) : [],
  )
  /** Null while a year is missing. */
  const comparison = computed((): Comparison | null => {
    if (!table.study) return null
    try {
      return compared(table.study, years.years, pack.value ? [pack.value] : [], [details.value])
    } catch {
      return null
    }
  })
  return { details, comparison }
})
