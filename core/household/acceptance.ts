import { DIAL_WITHIN_K } from '../heaters/dial'
import { SAFETY } from '../safety/limits'
import { type AcceptanceKind, AcceptanceTest } from '../study/handover'
import { isInstantaneous } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { dialGuides, requiredAt } from './dial-guide'
import { heaterOf, tapOf, wantedAt } from './lookups'
import { rankedTaps, tapFigures } from './tap-figures'

/** A test as it is proposed: not done, and without a name of its own. */
export type Proposed = Omit<AcceptanceTest, 'id'>

/** Asked of an outlet where no use says more: warm enough to wash in, °C. */
const USUAL_WARM_C = 40
/** A wait may be so much longer than the pipes alone make it, and is asked for in whole steps, s. */
const WAIT_MARGIN = 1.2
const WAIT_STEP_S = 5

const NOT_DONE = { beside: null, passS: null, on: null, c: null, seconds: null } as const
const LONGEST_WAIT_S = AcceptanceTest.shape.passS.unwrap().maxValue!

/** The wait at an outlet from cold, as this household's pipes make it, with a margin. */
export function outletTest(study: Study, tapId: string): Proposed {
  const { waitS } = tapFigures(study, tapOf(study, tapId))
  const passS = Math.ceil((WAIT_MARGIN * waitS) / WAIT_STEP_S) * WAIT_STEP_S
  return {
    ...NOT_DONE,
    kind: 'outlet',
    at: tapId,
    passC: wantedAt(study, tapId) ?? USUAL_WARM_C,
    passS: Math.min(LONGEST_WAIT_S, Math.max(WAIT_STEP_S, passS)),
  }
}

/**
 * What ought to be tried in this household before it is left: the outlet that waits longest, it again with another open, the
 * least flow of a heater that has to fire for it, the return of the circulation, each dial without degrees.
 */
export function proposedTests(study: Study): Proposed[] {
  const [worst, ...others] = rankedTaps(study)
  const asked = (tapId: string) => wantedAt(study, tapId) ?? USUAL_WARM_C
  const beside = others.filter((t) => !t.ownStore).toSorted((a, b) => b.tap.flowLMin - a.tap.flowLMin)[0]
  const least = [worst, ...others].filter((t) => !t.ownStore).toSorted((a, b) => a.tap.flowLMin - b.tap.flowLMin)[0]
  return [
    outletTest(study, worst.tap.id),
    ...(beside
      ? [
          {
            ...NOT_DONE,
            kind: 'two outlets' as const,
            at: worst.tap.id,
            beside: beside.tap.id,
            passC: asked(worst.tap.id),
          },
        ]
      : []),
    ...(least && study.plant.heaters.some(isInstantaneous)
      ? [{ ...NOT_DONE, kind: 'low flow' as const, at: least.tap.id, passC: asked(least.tap.id) }]
      : []),
    ...(study.pipes.loop ? [{ ...NOT_DONE, kind: 'return' as const, at: null, passC: SAFETY.loopReturn.value }] : []),
    ...dialGuides(study, (of) => requiredAt(controlsOf(study), of))
      .filter((g) => g.heater)
      .map((g) => ({ ...NOT_DONE, kind: 'dial' as const, at: g.of, passC: g.requiredC })),
  ]
}

/** Whether two tests try the same thing. */
export const sameTest = (a: Proposed, b: Proposed) => a.kind === b.kind && a.at === b.at && a.beside === b.beside

/** How a test stands; a temperature alone does not pass one that asks for a time too. */
export function testStands(test: Proposed): 'passed' | 'failed' | 'not done' {
  const { kind, c, seconds, passC, passS } = test
  if (c === null || (passS !== null && seconds === null)) return 'not done'
  if (kind === 'dial') return Math.abs(c - passC) <= DIAL_WITHIN_K ? 'passed' : 'failed'
  return c >= passC && (passS === null || seconds! <= passS) ? 'passed' : 'failed'
}

const HOW: Record<AcceptanceKind, string> = {
  outlet: 'From cold: no draw-off for three hours, circulation as it is scheduled. Open fully, time until it is warm.',
  'two outlets': 'Both open fully; read the first once it is steady.',
  'low flow': 'Open to a trickle that is still of use; read once it is steady, and watch that it does not go out.',
  return: 'Pump on for half an hour; read the return at the appliance.',
  dial: 'After the thermostat has stopped; read the hot water at the nearest outlet.',
}

/** What a test is called, how it is done, and what passes it. */
export function testText(study: Study, test: Proposed, write: Display): { title: string; how: string; pass: string } {
  const { kind, at, beside, passC, passS } = test
  const tap = kind === 'dial' || kind === 'return' ? null : tapOf(study, at).name
  const title: Record<AcceptanceKind, () => string> = {
    outlet: () => `Time to tap: ${tap}`,
    'two outlets': () => `${tap}, with ${tapOf(study, beside).name} open`,
    'low flow': () => `Low flow: ${tap}`,
    return: () => 'Secondary return',
    dial: () => `Dial of ${heaterOf(study, at).name}`,
  }
  const pass =
    kind === 'dial'
      ? `${write.temperature(passC)}, within ${write.figure('rise', DIAL_WITHIN_K)}`
      : `${write.temperature(passC)} or more${passS === null ? '' : ` within ${passS} s`}`
  return { title: title[kind](), how: HOW[kind], pass }
}
