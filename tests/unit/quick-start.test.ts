import { describe, expect, it } from 'vitest'
import { DAYS } from '../../core/calendar/year'
import { CLIMATES } from '../../core/climate/archetypes'
import { figurePaths } from '../../core/household/defaults/assumed'
import {
  FIRST_ANSWERS,
  hasVessel,
  mainCarrier,
  QUICK_DAYS,
  QUICK_LAYOUTS,
  QUICK_SOURCES,
  QUICK_TIMERS,
  QuickAnswers,
  unanswered,
} from '../../core/household/quick-start/answers'
import { quickStart } from '../../core/household/quick-start/begin'
import { REGIONS } from '../../core/household/quick-start/regions'
import { BILLED } from '../../core/money/billing'
import { roughlyIn } from '../../core/money/tariff'
import { pipeOf } from '../../core/pipes/catalogue'
import { contentsPerMetre } from '../../core/pipes/contents'
import { LOOP_MODES } from '../../core/study/loop-modes'
import { readStudy } from '../../core/study/read'
import { cameInKwh, energyGoes } from '../../core/year/account/where-it-goes'
import { simulate } from '../../core/year/simulate'

/** What each question can be answered by, with the ends of its counts and figures among them. */
const CAN_BE = {
  region: Object.keys(REGIONS),
  climate: Object.keys(CLIMATES),
  source: QUICK_SOURCES,
  fuel: ['natural-gas', 'propane', 'heating-oil'],
  litres: [null, 80, 400],
  adults: [1, 2, 5],
  children: [0, 3],
  older: [0, 1],
  day: Object.keys(QUICK_DAYS),
  shower: [0, 1, 3],
  bath: [0, 1, 2],
  basin: [0, 1, 4],
  kitchen: [1, 0, 2],
  machine: [0, 1],
  farthestM: [12, 2, 45],
  layout: Object.keys(QUICK_LAYOUTS),
  setpointC: [null, 45, 65],
  timer: Object.keys(QUICK_TIMERS),
  loopMode: LOOP_MODES,
  priced: [false, true],
} as const
type Row = Record<keyof typeof CAN_BE, unknown>
const KEYS = Object.keys(CAN_BE) as (keyof typeof CAN_BE)[]

/** Rows in which each answer meets each answer of every other question at least once. */
function pairwise(): Row[] {
  const open = new Set<string>()
  const pair = (a: string, x: unknown, b: string, y: unknown) => `${a}=${String(x)}&${b}=${String(y)}`
  KEYS.forEach((a, i) =>
    KEYS.slice(i + 1).forEach((b) => CAN_BE[a].forEach((x) => CAN_BE[b].forEach((y) => open.add(pair(a, x, b, y))))),
  )
  const met = (row: Partial<Row>) => {
    const given = KEYS.filter((k) => k in row)
    return given.flatMap((a, i) => given.slice(i + 1).map((b) => pair(a, row[a], b, row[b])))
  }
  const rows: Row[] = []
  while (open.size) {
    const row: Partial<Row> = {}
    // A pair nobody has met yet, and then for each question the answer that meets most.
    for (const part of [...open][0]!.split('&')) {
      const [key, text] = part.split('=') as [keyof typeof CAN_BE, string]
      row[key] = CAN_BE[key].find((v: unknown) => String(v) === text)
    }
    for (const key of [...KEYS.slice(rows.length % KEYS.length), ...KEYS.slice(0, rows.length % KEYS.length)]) {
      if (key in row) continue
      const fresh = (value: unknown) => met({ ...row, [key]: value }).filter((p) => open.has(p)).length
      row[key] = [...CAN_BE[key]].sort((x, y) => fresh(y) - fresh(x))[0]
    }
    for (const p of met(row)) open.delete(p)
    rows.push(row as Row)
  }
  return rows
}

function answersOf({ shower, bath, basin, kitchen, machine, priced, ...row }: Row): QuickAnswers {
  const rest = { ...row, fixtures: { shower, bath, basin, kitchen, machine }, price: null } as QuickAnswers
  if (!priced) return rest
  const [unit, kwh] = Object.entries(BILLED[mainCarrier(rest)])[0]!
  const { currency } = REGIONS[rest.region]
  return { ...rest, price: { unit: unit as 'kwh', perUnit: roughlyIn(currency, 0.15) * kwh } }
}

describe('nine answers', () => {
  const rows = pairwise().map(answersOf)

  it('meet each other in every pair', () => {
    expect(rows.length).toBeGreaterThanOrEqual(CAN_BE.region.length * CAN_BE.source.length)
    for (const answers of rows) expect(QuickAnswers.safeParse(answers).success).toBe(true)
  })

  it('give a sound household each, whose year lies where the trade expects it', () => {
    for (const answers of rows.filter((a) => !unanswered(a))) {
      const told = JSON.stringify(answers)
      const study = quickStart('begun', answers)
      const read = readStudy(JSON.parse(JSON.stringify(study)))
      expect(read.ok ? [] : read.faults, told).toEqual([])
      const year = simulate(study)
      const persons = answers.adults + answers.children + answers.older
      const each = (amount: number) => amount / DAYS / persons
      // Standard days are 2.1 kWh (S) for one to 19 (XL) for a large household: half a kWh to three a day for each who bathes.
      expect(each(year.energy.usefulKwh), told).toBeLessThan(2.8)
      expect(each(year.energy.usefulKwh), told).toBeGreaterThan(0.25)
      // Water of 40 °C for each: 15 L where there is only a sink, up to 75 with showers and baths.
      expect(each(year.water.mixedL), told).toBeGreaterThan(15)
      expect(each(year.water.mixedL), told).toBeLessThan(75)
      expect(each(year.water.hotL), told).toBeGreaterThan(5)
      expect(each(year.water.hotL), told).toBeLessThan(90)
      // All that came in is told in the bar, and a house neither gives more than it takes nor wastes all of it.
      const goes = Object.values(energyGoes(year)).reduce((s, x) => s + x, 0)
      expect(Math.abs(goes + year.energy.storedChangeKwh - cameInKwh(year)), told).toBeLessThan(0.01)
      expect(year.energy.usefulKwh / cameInKwh(year), told).toBeGreaterThan(0.005)
      expect(year.energy.usefulKwh / cameInKwh(year), told).toBeLessThan(1)
      // Money for each, by what a euro buys: from a sink and the sun to a circulation of 45 m that always runs.
      const worth = year.cost.total / roughlyIn(study.prices.currency, 1) / persons
      expect(worth, told).toBeGreaterThan(25)
      expect(worth, told).toBeLessThan(900)
    }
  })

  it('are entered where they were answered, and everything else is assumed', () => {
    for (const answers of rows.slice(0, 40).filter((a) => !unanswered(a))) {
      const study = quickStart('begun', answers)
      const { seed: _seed, ...people } = study.people
      const { heatingMonths: _months, firstWeekday: _day, ...site } = study.site
      const all = [
        ...figurePaths(site, 'site'),
        ...figurePaths(people, 'people'),
        ...figurePaths(study.pipes, 'pipes'),
        ...figurePaths(study.plant, 'plant'),
        ...figurePaths(study.controls.found.heaters, 'controls.found.heaters'),
        ...figurePaths(study.prices, 'prices'),
      ]
      const entered = all.filter((path) => study.origins[path] !== 'assumed').map((p) => p.split('.').at(-1))
      const answered = [
        answers.litres !== null && hasVessel(answers.source) ? 'litres' : '',
        answers.setpointC !== null ? 'setpointC' : '',
        answers.price ? 'price' : '',
      ]
      expect(new Set(entered), JSON.stringify(answers)).toEqual(new Set(answered.filter(Boolean)))
    }
  })

  it('reach as far as was said, and hold what pipes of that way hold', () => {
    const litres = (layout: QuickAnswers['layout']) => {
      const { pipes } = quickStart('begun', { ...FIRST_ANSWERS, layout, farthestM: 20 })
      const way = (id: string | null): typeof pipes.runs => {
        const run = pipes.runs.find((r) => r.id === id)
        return run ? [...way(run.from), run] : []
      }
      const ways = pipes.taps.map((t) => way(t.runId))
      const lengths = ways.map((w) => w.reduce((s, r) => s + r.lengthM, 0))
      expect(Math.max(...lengths)).toBeCloseTo(20, 0)
      return ways[0]!.reduce((s, r) => s + r.lengthM * contentsPerMetre(pipeOf(r.material, r.size)), 0)
    }
    // A pipe of its own is thinner than a trunk and its branch.
    expect(litres('manifold')).toBeLessThan(litres('branches'))
  })
})
