import { type Burning, efficiencyOf } from '../study/heater-kinds'

/** What the flue of a heater has to be made of, in words. */
export const ventFor = (heater: Burning): string =>
  efficiencyOf(heater)?.kind === 'condensing'
    ? 'Condensing: a flue sealed against condensate, of plastic or stainless steel, and a drain for it'
    : 'Hot flue gas: metal or a lined chimney, never plastic'
