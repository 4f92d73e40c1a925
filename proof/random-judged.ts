import fc from 'fast-check'
import { commandable } from '../core/household/controllers'
import { partsOf } from '../core/measures/parts'
import { SLITS } from '../core/pipes/loss'
import { STEP_CARDS } from '../core/procedures/cards'
import { JACKET_CLEAR } from '../core/stores/jacket'
import {
  CLAIM_BASES,
  CLAIM_PERIODS,
  CLAIM_TAGS,
  type ClaimBase,
  type ClaimPeriod,
  type ClaimTag,
} from '../core/study/claims'
import { ACCEPTANCE_KINDS } from '../core/study/handover'
import { LOOP_MODES } from '../core/study/loop-modes'
import { MOST_BLOCKS, SWITCHED } from '../core/study/meters'
import { CARD_NAMES, LONGEST_SHOWN } from '../core/study/step-cards'
import type { Study } from '../core/study/study'
import { num } from './random-numbers'

/** A day as a display may show it: periods in order, some that touch, up to the last minute. */
const shownDay = fc
  .uniqueArray(fc.integer({ min: 0, max: 1440 }), { maxLength: 8 })
  .map((marks) => marks.toSorted((a, b) => a - b))
  .chain((marks) =>
    fc
      .constantFrom(1, 2)
      .map((every) =>
        marks.flatMap((fromMin, i) =>
          i % every === 0 && i + 1 < marks.length ? [{ fromMin, toMin: marks[i + 1] }] : [],
        ),
      ),
  )

/** What anything costs, how it is fitted, what money is worth, and what somebody promises. */
export const judged = fc.record({
  economics: fc.record({
    discountPercent: fc.option(num(0, 30)),
    growthPercent: fc.option(num(-10, 30)),
    years: fc.option(fc.integer({ min: 1, max: 60 })),
    budgetMoney: fc.option(num(0, 1e6)),
    each: fc.option(fc.tuple(num(0, 1e5), num(0, 1e5), num(0, 1e5))),
  }),
  priced: fc.record({
    costMoney: fc.option(num(0, 1e6)),
    hours: fc.option(num(0, 1000)),
    grantMoney: fc.option(num(0, 1e6)),
    lifeYears: fc.option(num(1, 100)),
    upkeepAYear: fc.option(num(0, 1e5)),
  }),
  fitted: fc.record({
    slit: fc.constantFrom(...SLITS),
    clear: fc.subarray([...JACKET_CLEAR]),
    heatTraps: fc.boolean(),
    bareInlet: fc.boolean(),
    laid: fc.constantFrom(...LOOP_MODES),
    byColdLine: fc.option(num(25, 55)),
    offer: fc.option(fc.tuple(num(0, 1e5), num(0, 1e5), num(0, 1e5))),
  }),
  shown: fc.array(fc.array(shownDay, { minLength: 7, maxLength: 7 }), { maxLength: 3 }),
  cards: fc.array(
    fc.record({
      card: fc.constantFrom(...CARD_NAMES),
      atHeater: fc.boolean(),
      steps: fc.array(fc.nat({ max: 14 }), { maxLength: 12 }),
      shows: fc.constantFrom('', '1.2 bar', 'x'.repeat(LONGEST_SHOWN)),
    }),
    { maxLength: 3 },
  ),
  handover: fc.record({
    mark: fc.constantFrom('', 'Guild of heating, no. 12'),
    phone: fc.constantFrom('', '0555 <1234> & "5"'),
    rules: fc.array(
      fc.record({
        about: fc.constantFrom('Hot water temperature', 'Relief <valve>'),
        place: fc.constantFrom('', 'Hill town'),
        number: fc.constantFrom('', '12-4'),
        edition: fc.constantFrom('', '2024'),
      }),
      { maxLength: 3 },
    ),
    alone: fc.array(
      fc.record({
        why: fc.constantFrom('', 'it floods the circuit'),
        at: fc.option(fc.record({ x: num(0, 1), y: num(0, 1) })),
      }),
      { maxLength: 3 },
    ),
    tests: fc.array(
      fc.record({
        kind: fc.constantFrom(...ACCEPTANCE_KINDS),
        passC: num(5, 95),
        passS: fc.option(num(1, 3600)),
        on: fc.constantFrom(null, '2026-03-02'),
        c: fc.option(num(0, 100)),
        seconds: fc.option(num(0, 3600)),
      }),
      { maxLength: 6 },
    ),
  }),
  metered: fc.record({
    protocol: fc.option(
      fc.record({
        of: fc.constantFrom(...SWITCHED),
        begins: fc.constantFrom('2025-03-01', '2026-11-01'),
        blockDays: fc.constantFrom(7 as const, 14 as const),
        blocks: fc.integer({ min: 2, max: MOST_BLOCKS }),
        offFirst: fc.boolean(),
      }),
    ),
    air: fc.option(
      fc.record({ from: fc.constant('2025-03-01'), c: fc.array(num(-60, 60), { minLength: 1, maxLength: 40 }) }),
    ),
    bills: fc.array(
      fc.record({
        from: fc.constantFrom('2025-03-01', '2025-03-08'),
        to: fc.constantFrom('2025-03-15', '2026-01-02'),
        money: num(0, 1e6),
        standing: num(0, 1),
        units: fc.option(num(0, 1e9)),
      }),
      { maxLength: 3 },
    ),
    away: fc.array(
      fc.record({ from: fc.constantFrom('2025-03-01', '2025-03-05'), to: fc.constantFrom('2025-03-05', '2025-12-27') }),
      { maxLength: 2 },
    ),
    others: fc.option(num(0, 1e6)),
    meters: fc.array(
      fc.array(
        fc.record({
          on: fc.constantFrom('2025-03-01', '2025-03-08', '2025-03-15', '2026-01-02', '2026-11-01'),
          value: num(0, 1e9),
          estimated: fc.boolean(),
          exchanged: fc.boolean(),
        }),
        { maxLength: 8 },
      ),
      { maxLength: 2 },
    ),
  }),
  claims: fc.array(
    fc.record({
      who: fc.constant('Leaflet'),
      on: fc.constantFrom(null, '2026-03-01'),
      tag: fc.constantFrom(...(Object.keys(CLAIM_TAGS) as ClaimTag[])),
      percent: num(0, 100),
      upTo: fc.boolean(),
      of: fc.option(fc.constantFrom(...(Object.keys(CLAIM_BASES) as ClaimBase[]))),
      per: fc.option(fc.constantFrom(...(Object.keys(CLAIM_PERIODS) as ClaimPeriod[]))),
      about: fc.boolean(),
    }),
    { maxLength: 4 },
  ),
})

export function putJudged(
  study: Study,
  {
    economics,
    priced,
    fitted,
    claims,
    cards,
    shown,
    handover,
    metered,
  }: typeof judged extends fc.Arbitrary<infer M> ? M : never,
) {
  const { each, ...rates } = economics
  const measures = study.packages.flatMap((p) => p.measures)
  const [low, likely, high] = [...(each ?? [])].sort((a, b) => a - b)
  const keys = measures.flatMap((m) => partsOf(study, m).map((p) => p.key))
  study.economics = {
    ...study.economics,
    ...rates,
    book: each ? Object.fromEntries(keys.map((key) => [key, { low, likely, high }])) : {},
    bookFrom: each ? 'Ada Quill' : '',
    bookAsOf: each ? '2026-03-01' : null,
  }
  for (const m of measures) {
    Object.assign(m, priced)
    const [part] = partsOf(study, m)
    if (fitted.offer && part) {
      const [a, b, c] = fitted.offer.toSorted((x, y) => x - y)
      m.partPrices = { [part.key]: { low: a, likely: b, high: c } }
    }
    if (m.kind === 'insulate-runs') m.slit = fitted.slit
    if (m.kind === 'jacket') m.clear = fitted.clear
    if (m.kind === 'store-connections') m.heatTraps = fitted.heatTraps
    if (m.kind === 'store-connections' && fitted.bareInlet) m.insulation = null
    if (m.kind === 'lay-loop') m.mode = fitted.laid
    if (m.kind === 'lay-loop' && fitted.byColdLine !== null)
      m.loop.returns = { by: 'cold line', closesAtC: fitted.byColdLine }
  }
  const readable = commandable(study)
  study.controls.readBack = shown.flatMap((week, i) =>
    i < readable.length ? [{ of: readable[i], on: '2026-03-02', week }] : [],
  )
  study.cards = cards.map(({ card, atHeater, steps, shows }, i) => ({
    id: `card-${i}`,
    card,
    heaterId: atHeater ? study.plant.heaters[0].id : null,
    // Ticks in any order and twice, and one of a step that a later version has dropped.
    ticks: steps.map((at) => ({ step: STEP_CARDS[card].steps[at]?.id ?? 'dropped', on: '2026-03-02' })),
    shows,
  }))
  const [tap, other] = study.pipes.taps
  study.handover = {
    mark: handover.mark,
    phone: handover.phone,
    rules: handover.rules.map((r, i) => ({ ...r, id: `rule-${i}` })),
    // A picture may have gone with its reading.
    leaveAlone: handover.alone.map(({ why, at }, i) => ({
      id: `alone-${i}`,
      what: 'Filling',
      why,
      at,
      picture: why ? 'gone' : null,
    })),
    tests: handover.tests.flatMap((t, i) =>
      t.kind === 'two outlets' && !other
        ? []
        : [
            {
              ...t,
              id: `test-${i}`,
              at: t.kind === 'return' ? null : t.kind === 'dial' ? study.plant.heaters[0].id : tap.id,
              beside: t.kind === 'two outlets' ? other.id : null,
            },
          ],
    ),
  }
  study.verification = {
    air: metered.air,
    away: metered.away,
    bills: metered.meters.length
      ? metered.bills.map((b, i) => ({
          ...b,
          id: `bill-${i}`,
          meterId: 'meter-0',
          standing: b.standing * b.money,
        }))
      : [],
    protocol: metered.meters.length && metered.protocol ? { ...metered.protocol, meterId: 'meter-0' } : null,
    meters: metered.meters.map((readings, i) => ({
      id: `meter-${i}`,
      name: 'Meter',
      of: i === 0 ? ('natural-gas' as const) : ('water' as const),
      unit: 'm³',
      perUnit: 10.6,
      others: metered.others,
      readings,
    })),
  }
  study.claims = claims.map(({ about, ...claim }, i) => ({
    ...claim,
    id: `claim-${i}`,
    packageId: about ? (study.packages[0]?.id ?? null) : null,
  }))
}
