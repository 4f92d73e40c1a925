/** Where the heat of a kind goes: into the store, into all water as it runs, or into the water of one tap. */
export type Heats = 'store' | 'instantaneous' | 'tap'

/** What makes the heat, which decides what it is bought as, what an electrician or a fitter must see, and what is seen on it. */
export type Source = 'burner' | 'electricity' | 'network' | 'fire' | 'sun'

/**
 * What ends how hot its water gets: what it is set to, a safety cut-out whatever it is set to, the fire it lies in, or a
 * figure of its own.
 */
export type Hottest = 'setpoint' | 'cut-out' | 'fire' | 'own figure'

/** What can be read at a heater itself: what it makes, what its meter runs, where its dial stands, how fast its store warms. */
export type ReadAt = 'heater-display' | 'meter' | 'dial' | 'reheat'

/** What the trade knows of a kind of heater, whatever the one in this house is like. */
export interface KindOfHeater {
  /** What it is called in a sentence. */
  name: string
  heats: Heats
  source: Source
  /** Keeps water ready in a vessel: what grows in warm water can grow there, and a hot run makes sense. */
  stores: boolean
  /** Held by a thermostat; the sun and a fire heat whether the water is hot or not. */
  thermostat: boolean
  /** Sends its flue through the store it heats. */
  flueInStore: boolean
  /** Makes its heat out of air: it cools what it stands in, drips, and does what it can before what is dearer helps. */
  pumpsHeat: boolean
  /** Gives heat when the sun shines or a fire burns, whether anything calls or not: it preheats, and is not counted on. */
  byItself: boolean
  hottest: Hottest
  /** How warm and within what it is held to begin with, °C and K. */
  begins: { setpointC: number; differentialK: number }
  /** Readings that can be taken at it. */
  readings: readonly ReadAt[]
  /** What can hurt somebody at it, and whose work it is. */
  caution: string
}

const ISOLATE = 'Isolate electricity before a cover comes off.'
const GAS = `Gas and flue work is for a registered installer. ${ISOLATE}`
/** What stands behind a meter can be clocked; a thermostat has a dial; what flows through anything can be read. */
const READ_AT: Record<Source, readonly ReadAt[]> = {
  burner: ['heater-display', 'meter', 'dial'],
  electricity: ['heater-display', 'meter', 'dial'],
  network: ['heater-display', 'dial'],
  fire: ['heater-display'],
  sun: ['heater-display'],
}
/** A store is kept hot; what heats as it runs only as warm as is used. */
const STORED = { setpointC: 60, differentialK: 5 }
const AS_IT_RUNS = { setpointC: 50, differentialK: 2 }

/**
 * Every kind of heater, stated once: what a list of kinds is asked anywhere is read from here. A kind's figures are in
 * `study/plant`, its assumed ones in `household/blank`, its hottest water in `household/hottest`, its working in `year/heaters`.
 */
export const HEATERS = {
  'boiler-coil': kind('Boiler with indirect cylinder', 'store', 'burner', 'own figure', GAS),
  'gas-store': { ...kind('Gas storage water heater', 'store', 'burner', 'cut-out', GAS), flueInStore: true },
  element: kind('Immersion heater', 'store', 'electricity', 'cut-out', ISOLATE),
  'heat-pump': {
    ...kind(
      'Heat pump water heater',
      'store',
      'electricity',
      'own figure',
      `${ISOLATE} Its refrigerant is for a registered installer. Antifreeze or drainage outdoors.`,
    ),
    pumpsHeat: true,
    begins: { setpointC: 55, differentialK: 5 },
  },
  solar: kind(
    'Solar thermal collector',
    'store',
    'sun',
    'own figure',
    'Collectors without flow reach steam temperatures. Roof work requires training.',
  ),
  'pv-element': kind(
    'Immersion heater on PV surplus',
    'store',
    'sun',
    'own figure',
    `${ISOLATE} PV modules stay live in daylight. Its cut-out and the connection to the inverter are for a registered installer.`,
  ),
  'wood-coil': kind(
    'Boiler stove or back boiler',
    'store',
    'fire',
    'fire',
    'Never run a coil dry; never heat a closed vessel. Own relief valve, open and piped to a safe place. Work on stoves and flues is for a registered installer.',
  ),
  'instant-gas': kind('Instantaneous gas water heater', 'instantaneous', 'burner', 'setpoint', GAS),
  'instant-electric': kind('Instantaneous electric water heater', 'instantaneous', 'electricity', 'setpoint', ISOLATE),
  'district-heat': kind(
    'Heat interface unit',
    'instantaneous',
    'network',
    'setpoint',
    `The primary side is hot and pressurised; only the operator opens it. ${ISOLATE}`,
  ),
  'under-sink': kind(
    'Point-of-use heater',
    'tap',
    'electricity',
    'cut-out',
    `${ISOLATE} Its outlet must stay open, or it needs a relief valve.`,
  ),
  'tap-electric': {
    ...kind(
      'Instantaneous point-of-use heater',
      'tap',
      'electricity',
      'setpoint',
      `${ISOLATE} It needs a circuit of its own.`,
    ),
    stores: false,
    begins: AS_IT_RUNS,
  },
  reservoir: kind(
    'Reservoir on a stove',
    'tap',
    'fire',
    'fire',
    'Reservoir water is not for drinking. Near the stove it can scald.',
  ),
} as const satisfies Record<string, KindOfHeater>

export type HeaterKind = keyof typeof HEATERS
export const HEATER_KINDS = Object.keys(HEATERS) as HeaterKind[]

function kind<H extends Heats, S extends Source, T extends Hottest>(
  name: string,
  heats: H,
  source: S,
  hottest: T,
  caution: string,
) {
  const held = source !== 'sun' && source !== 'fire'
  return {
    name,
    heats,
    source,
    hottest,
    stores: heats !== 'instantaneous',
    thermostat: held as S extends 'sun' | 'fire' ? false : true,
    flueInStore: false as boolean,
    pumpsHeat: false as boolean,
    byItself: source === 'sun' || source === 'fire',
    begins: heats === 'instantaneous' ? AS_IT_RUNS : STORED,
    // What a fire gives is the wood's, and the sun's the day's: how fast they warm a store says nothing of scale.
    readings: heats === 'store' && held ? [...READ_AT[source], 'reheat' as const] : READ_AT[source],
    caution,
  }
}

/** Kinds that heat in a way. */
export type KindThat<H extends Heats> = {
  [K in HeaterKind]: (typeof HEATERS)[K]['heats'] extends H ? K : never
}[HeaterKind]

/** Kinds that a thermostat holds. */
export type HeldKind = { [K in HeaterKind]: (typeof HEATERS)[K]['thermostat'] extends true ? K : never }[HeaterKind]

/** Kinds whose hottest water is ended in a way. */
export type KindEndedBy<T extends Hottest> = {
  [K in HeaterKind]: (typeof HEATERS)[K]['hottest'] extends T ? K : never
}[HeaterKind]
