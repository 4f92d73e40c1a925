import { MONTHS } from '../calendar/names'
import type { System } from '../units/quantities'
import type { Term } from './term'
import { TERMS } from './terms'

/** Words that differ beside the terms: places, the plural and the verb of a term, spelling. Metric first. */
const BESIDE: readonly (readonly [string, string])[] = [
  ['secondary circulation', 'recirculation loop'],
  ['circulation schedule', 'recirculation schedule'],
  ['expansion relief valve', 'pressure relief valve'],
  ['indirect cylinder', 'indirect tank'],
  ['instantaneous gas water heater', 'tankless gas water heater'],
  ['instantaneous electric water heater', 'tankless electric water heater'],
  ['instantaneous point-of-use heater', 'tankless point-of-use heater'],
  ['boiler stove', 'wood-stove water coil'],
  ['tundish', 'air gap'],
  ['unmet draw-offs', 'unmet draws'],
  ['draw-offs to waste', 'wasted water'],
  ['drawn off', 'drawn'],
  ['draw off', 'draw'],
  ['tap', 'faucet'],
  ['heated space', 'conditioned space'],
  ['cellar', 'basement'],
  ['loft', 'attic'],
  ['vulnerable', 'at-risk'],
  ['holiday', 'vacation'],
  ['until cancelled', 'until canceled'],
  ['cancelled', 'canceled'],
  ['registered installer', 'licensed contractor'],
  ['primary circuit loss', 'boiler loop loss'],
  ['primary flow temperature', 'boiler supply temperature'],
  ['primary flow rate', 'boiler loop flow rate'],
  ['primary volume', 'boiler loop volume'],
  ['pasteurisation', 'thermal disinfection'],
  ['programme', 'program'],
  ['TMV', 'mixing valve'],
  ['HIU', 'district heat exchanger'],
  ['WWHR', 'DWHR'],
  ['sewerage', 'sewer'],
  ['colour', 'color'],
  ['grey', 'gray'],
  ['galvanised', 'galvanized'],
  ['pressurised', 'pressurized'],
  ['optimise', 'optimize'],
  ['optimiser', 'optimizer'],
  ['optimised', 'optimized'],
]

/** Where a word is part of another that stays. */
const STAYS = ['time to tap', 'tap water', 'tapped', 'valve outlet', 'heater outlet', 'outlet temperature']

const plural = (word: string) => (/[sxh]$/.test(word) ? `${word}es` : `${word}s`)
const capital = (word: string) => word[0].toUpperCase() + word.slice(1)

/** Metric word to US word, plurals and capitals among them. */
const US = new Map<string, string>()
for (const [metric, us] of [
  ...BESIDE,
  ...Object.values<Term>(TERMS).flatMap((t) => (t.us && t.us !== t.metric ? [[t.metric, t.us] as const] : [])),
])
  for (const [from, to] of [
    [metric, us],
    [plural(metric), plural(us)],
  ] as const) {
    if (!US.has(from)) US.set(from, to)
    if (!US.has(capital(from))) US.set(capital(from), capital(to))
  }
// A US word may hold a metric one: it is said already.
for (const word of [...STAYS, ...new Set(US.values())]) for (const as of [word, capital(word)]) US.set(as, as)

const escaped = (word: string) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
const alternatives = (words: Iterable<string>) =>
  [...words]
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|')
const PATTERN = new RegExp(`(?<![\\w-])(?:${alternatives(US.keys())})(?![\\w-])`, 'g')

/** After another word an article may no longer fit: an outlet, a fixture. */
const article = (text: string) =>
  text
    .replace(/\b([Aa])n (?=(fixture|tank|recirc|conditioned|basement|draw|wasted|boiler|differential|faucet))/g, '$1 ')
    .replace(/\b([Aa]) (?=(electric element|attic|air gap|expansion|at-risk|element on))/g, '$1n ')

/** A day in words: the day comes first, in US studies the month. */
const DATE = new RegExp(`(?<![\\d.,])(\\d{1,2}) (${MONTHS.join('|')})(?: (\\d{4}))?(?![\\w])`, 'g')
const dates = (text: string) =>
  text.replace(DATE, (_, day: string, month: string, year?: string) => `${month} ${day}${year ? `, ${year}` : ''}`)

/** What stands in quotation marks was typed by somebody, or is a name: it stays. */
const QUOTED = '“[^”]*”|"[^"]*"'

const said = (text: string) =>
  dates(
    article(
      text.replace(PATTERN, (word, at: number) => {
        const us = US.get(word)!
        return at === 0 && /^[A-Z]/.test(word) ? capital(us) : us
      }),
    ),
  )

/** Whether a text of ours reads otherwise in a US study. */
export const differs = (text: string): boolean => inWordsOf('us', text) !== text

/**
 * A text of ours in the words of a system of units. What the user has typed stays as it is: names and notes that stand in it.
 * @example inWordsOf('us', 'Cylinder in the cellar') // "Tank in the basement"
 * @example inWordsOf('us', 'Cellar cylinder: an outlet', ['Cellar cylinder']) // "Cellar cylinder: a fixture"
 */
export function inWordsOf(system: System, text: string, own: readonly string[] = []): string {
  if (system === 'metric' || text === '') return text
  const typed = own.filter((name) => text.includes(name))
  // A name is a name where it stands as a word: one of a single letter is not every such letter.
  const names = typed.length ? `|(?<![\\p{L}\\p{N}])(?:${alternatives(typed)})(?![\\p{L}\\p{N}])` : ''
  return text
    .split(new RegExp(`(${QUOTED}${names})`, 'u'))
    .map((part, i) => (i % 2 ? part : said(part)))
    .join('')
}
