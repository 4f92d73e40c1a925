import { asFound } from '../study/in-force'
import type { Package } from '../study/measures'
import type { Study } from '../study/study'
import { apply, applyAll } from './apply'

/** One year that has to be simulated, and the name it goes by in the plan. */
export interface Job {
  key: string
  study: Study
}

export const AS_FOUND = 'as-found'
export const AS_SET = 'as-set'

export const packageKey = (packageId: string) => `package/${packageId}`
export const singleKey = (packageId: string, measureId: string) => `single/${packageId}/${measureId}`
export const lastKey = (packageId: string, measureId: string) => `last/${packageId}/${measureId}`

/** The year with the first so many measures of a package of several. The first, all, and all but the last have names already. */
export function firstKey({ id, measures }: Package, count: number): string {
  if (count === measures.length) return packageKey(id)
  if (count === 1) return singleKey(id, measures[0].id)
  if (count === measures.length - 1) return lastKey(id, measures[count].id)
  return `first/${id}/${measures[count - 1].id}`
}

/**
 * The years that a comparison needs: as found, as set, each package on top of what is set, and for each measure the
 * year with it alone, the year of its package without it, and the package measure by measure. All have the same draws, because
 * the routine and its seed are the same.
 */
export function jobsOf(study: Study, packages: readonly Package[] = study.packages): Job[] {
  const jobs: Job[] = [{ key: AS_FOUND, study: asFound(study) }]
  if (study.controls.set) jobs.push({ key: AS_SET, study })
  for (const pack of packages) {
    jobs.push({ key: packageKey(pack.id), study: applyAll(study, pack.measures) })
    if (pack.measures.length < 2) continue
    for (const m of pack.measures) {
      jobs.push({ key: singleKey(pack.id, m.id), study: apply(study, m) })
      jobs.push({
        key: lastKey(pack.id, m.id),
        study: applyAll(
          study,
          pack.measures.filter((x) => x !== m),
        ),
      })
    }
    for (let count = 2; count < pack.measures.length - 1; count++)
      jobs.push({ key: firstKey(pack, count), study: applyAll(study, pack.measures.slice(0, count)) })
  }
  return jobs
}
