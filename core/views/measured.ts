import { judge, titleOf } from '../readings/kinds'
import { placeOf } from '../readings/place'
import { agrees } from '../readings/reading-kind'
import type { Study } from '../study/study'
import type { Display } from '../units/display'

/** A reading as a paper shows it: what it came to, and whether the study agrees. */
export interface Measured {
  id: string
  title: string
  place: string | null
  on: string
  /** Each figure with its unit. @example "Recovered: 9.8 kW" */
  figures: string[]
  /** Said of the figure it is held against; null where there is none. */
  against: string | null
  applied: boolean
  photo: string | null
}

/** Of a long log a paper shows the latest. */
const MOST_ON_PAPER = 40

/** The latest readings that come to a figure or have a picture, oldest first. */
export function measuredOnPaper(study: Study, write: Display): Measured[] {
  return study.readings
    .filter(({ kind, photo }) => photo !== null || !['sum', 'event', 'note'].includes(kind))
    .toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
    .slice(-MOST_ON_PAPER)
    .flatMap((reading): Measured[] => {
      const judged = judge(study, reading)
      const figures = Object.entries(judged?.results ?? {}).flatMap(([name, figure]) => {
        const value = judged!.worked.out[name]
        return typeof value === 'number' ? [`${figure.label}: ${write.value(figure, value)}`] : []
      })
      if (figures.length === 0 && reading.photo === null) return []
      const verdict = judged?.verdict ?? null
      return [
        {
          id: reading.id,
          title: titleOf(reading),
          place: placeOf(study, reading),
          on: reading.takenAt.slice(0, 10),
          figures,
          against:
            verdict &&
            `${verdict.figure.label}: measured ${write.value(verdict.figure, verdict.measured)}, calculated ${write.value(verdict.figure, verdict.modelled)}; ${agrees(verdict) ? 'they agree' : 'they differ'}.`,
          applied: reading.adopted !== null,
          photo: reading.photo,
        },
      ]
    })
}
