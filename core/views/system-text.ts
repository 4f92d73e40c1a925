import { LOOP_MODE_WORDS } from '../household/loop-mode-words'
import { CARRIER_NAMES } from '../money/carriers'
import { carrierOf, hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import type { Display } from '../units/display'

/** What heats the water of a household, what holds it and how it is sent round, in a line; names stay as somebody typed them. */
export function systemText(study: Study, write: Display): string {
  const { plant, pipes } = study
  const controls = controlsOf(study)
  const words = wordsOf(study)
  const heater = (h: Heater) =>
    `${h.name} (${CARRIER_NAMES[carrierOf(h)].toLowerCase()}${hasSetpoint(h) ? `, ${write.temperature(controls.heaters[h.id].setpointC)}` : ''})`
  return [
    ...plant.heaters.map(heater),
    ...(plant.store ? [`${plant.store.name}, ${write.figure('volume', plant.store.litres, 0)}`] : []),
    words(pipes.loop ? `circulation: ${LOOP_MODE_WORDS[controls.loop.mode].name.toLowerCase()}` : 'no circulation'),
  ].join('; ')
}
