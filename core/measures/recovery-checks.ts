import { runningOf } from '../study/heater-kinds'
import type { MeasureOf } from '../study/measures'
import type { Recovery } from '../study/pipes'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { UPRIGHT_M } from './begin'
import { type MeasureCheck, one } from './check'

/** Hours of work that fitting a drain unit takes, as assumed until a plumber has seen it. */
const FIT_HOURS = { upright: { open: 4, shut: 12 }, flat: { open: 6, shut: 16 } } as const

/** Whether a drain unit can be got at, and the work that it takes. */
function reach(mount: Recovery['mount'], access: boolean | null): MeasureCheck[] {
  const { open, shut } = FIT_HOURS[mount]
  const opening = mount === 'upright' ? 'a wall or a shaft' : 'the tray or the floor'
  if (access === null)
    return [
      one('access', 'not known', 'Whether it can be cut in and got at afterwards was not looked at.'),
      one(
        'time',
        'not known',
        `Assumed: ${open} h of work where it can be got at, ${shut} h where ${opening} is opened and made good.`,
      ),
    ]
  const better = 'a plumber who has seen it says better'
  return access
    ? [
        one('access', 'fits', 'It can be cut in and got at afterwards.'),
        one('time', 'fits', `Assumed: ${open} h of work, for nothing has to be opened; ${better}.`),
      ]
    : [
        one('access', 'does not fit', 'It cannot be got at afterwards.'),
        one('time', 'fits', `Assumed: ${shut} h of work, for ${opening} is opened and made good; ${better}.`),
      ]
}

/** What a drain unit has to find: taps that drain while they fill, a stack, a way to it, a heater that takes warm water. */
export function recoveryChecks(
  study: Study,
  { recovery }: MeasureOf<'drain-recovery'>,
  write: Display,
): MeasureCheck[] {
  const { drain, taps } = study.pipes
  const gives = recovery.tapIds.filter((id) => taps.find((t) => t.id === id)!.drains)
  const served = runningOf(study.plant.heaters)
  return [
    one(
      'drains',
      gives.length ? 'fits' : 'does not fit',
      gives.length
        ? `Gives heat while it runs: ${gives.map((id) => taps.find((t) => t.id === id)!.name).join(', ')}. What fills first, as a bath does, gives none.`
        : 'None of its taps drains while it fills: it would save nothing.',
    ),
    ...(recovery.mount === 'upright'
      ? [
          one(
            'height',
            drain === null ? 'not known' : drain.stackHeightM >= UPRIGHT_M ? 'fits' : 'does not fit',
            drain === null
              ? 'The drain was not looked at: an upright unit needs a stack that falls plumb.'
              : `The stack falls ${write.figure('length', drain.stackHeightM)}; an upright unit needs ${write.figure('length', UPRIGHT_M)} and hangs plumb, so that the water clings to the wall all round.`,
          ),
        ]
      : []),
    ...reach(recovery.mount, drain?.access ?? null),
    one(
      'way-round',
      'fits',
      'Cold goes in at the bottom and comes out preheated at the top, against the drain. Look at it once a year: limescale and hair take from it.',
    ),
    ...(recovery.connection === 'B' || !served
      ? []
      : [
          one(
            'inlet',
            served.mostInletC === null ? 'not known' : 'fits',
            served.mostInletC === null
              ? `Whether ${served.name} accepts preheated water was not read off its papers.`
              : `${served.name} accepts up to ${write.temperature(served.mostInletC)} at its inlet.`,
          ),
        ]),
  ]
}
