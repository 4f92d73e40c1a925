/**
 * Thermometers by how they are held: how far off each usually reads while it is checked every year, K, how long it takes to
 * settle, s, and how it is held. A bare sensor of class B is good to 0.6 K at 60 °C (IEC 60751: 0.3 K + 0.005 × t); what holds
 * it and what shows it add the rest, from practice.
 */
export const THERMOMETERS = {
  'probe in the stream': { offK: 0.8, settlesS: 10, method: 'Tip in the stream, not on the spout.' },
  'glass thermometer': { offK: 1, settlesS: 60, method: 'Read it in the water, not after lifting it out.' },
  'dial thermometer': { offK: 2, settlesS: 90, method: 'Stem in to its mark.' },
  'clamped to the pipe': { offK: 1.5, settlesS: 120, method: 'On bare metal, insulated over; plastic pipe reads low.' },
  infrared: { offK: 3, settlesS: 2, method: 'On matt tape or paint: bare copper reads far too low.' },
  'thermal camera': { offK: 3, settlesS: 2, method: 'On matt tape or paint: bare copper reads far too low.' },
  'appliance display': { offK: 2, settlesS: 30, method: 'Shows where its sensor is, not what leaves the appliance.' },
} as const
export type Thermometer = keyof typeof THERMOMETERS
export const THERMOMETER_NAMES = Object.keys(THERMOMETERS) as [Thermometer, ...Thermometer[]]
