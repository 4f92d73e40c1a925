import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'

/** Words that a person writes beside a figure: they name it, they do not move it. */
const WORDS = new Set(['name', 'note', 'source', 'asOf'])

/**
 * What the year of a study depends on, as a text to know it by: two studies with the same text have the same year. Names,
 * notes, units, readings and packages do not move it.
 */
export function dependsOn(study: Study): string {
  const { site, people, pipes, plant, prices } = study
  const commands = study.controllers.map((c) => [c.id, c.commands])
  return JSON.stringify([site, people, pipes, plant, prices, controlsOf(study), commands], (key, value: unknown) =>
    WORDS.has(key) ? undefined : value,
  )
}
