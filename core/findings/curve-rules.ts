import { atAltitude } from '../household/at-altitude'
import { curveInHouse } from '../household/maker-curve'
import { borrowed, cited } from '../household/papers'
import { isRunning } from '../study/heater-kinds'
import type { Finding, Rule } from './finding'

/** What a maker says a heater gives at a rise, and what its output can make of it. */
export const curveAgainstPhysics: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (!isRunning(h)) return []
    const [worst] = curveInHouse(h, study)
      .filter((p) => p.apart)
      .sort((a, b) => Math.abs(b.above) - Math.abs(a.above))
    if (!worst) return []
    return [
      {
        id: `curve-${h.id}`,
        severity: 'look',
        station: 'heater',
        on: h.id,
        what: 'Maker’s curve and output disagree',
        why: `At a rise of ${write.figure('rise', worst.riseK)} its maker promises ${write.figure('flow', worst.lMin)}; ${write.figure('power', atAltitude(h, study.site.altitudeM).outputKw)} make ${write.figure('flow', worst.physicsLMin)} of it, ${Math.round(Math.abs(worst.above) * 100)} % ${worst.above > 0 ? 'less' : 'more'}.`,
        source: `Flow = output / (ρ c × rise). The curve: ${cited(h.papers)}`,
        mend:
          worst.above > 0
            ? 'The curve may be at another output, height or inlet, or hold for a minute only: trust the output, and time a climb at the tap.'
            : 'The output may be read off another model, or the flow is held back: read the plate again.',
      },
    ]
  })

/** Borrowed figures with nobody's name to them cannot be defended. */
export const borrowedFromNobody: Rule = ({ study }) => {
  const names = borrowed(study)
    .filter((b) => b.papers === null)
    .map((b) => b.name)
  if (names.length === 0) return []
  return [
    {
      id: 'borrowed',
      severity: 'look',
      station: 'heater',
      on: null,
      what: 'Whose figures are these?',
      why: `A maker’s, a label’s or a certificate’s figures stand without their source and day: ${names.join(', ')}.`,
      source: 'A borrowed figure holds of its day and under its conditions',
      mend: 'Write papers, day and conditions beside them.',
    },
  ]
}
