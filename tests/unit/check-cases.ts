import { duplex } from '../../core/demos/duplex'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { heaterNotChecked } from '../../core/household/defaults/not-checked'
import { addHeater, changeHeaterKind } from '../../core/household/edits/plant'
import { withHeating } from '../../core/household/heating/edits'
import { defaultFunctions } from '../../core/study/controls'
import type { HeaterOf } from '../../core/study/heater-kinds'
import { circuitNotRead } from '../../core/study/heating'
import type { Heater } from '../../core/study/plant'
import type { Reading } from '../../core/study/readings'
import { Study } from '../../core/study/study'
import { changed, readingOf, uncontrolled } from '../../proof/studies'

const reading = (
  id: string,
  kind: Reading['kind'],
  values: Reading['values'],
  where: string | null = null,
  takenAt = '2026-03-02T09:00:00Z',
) => readingOf(kind, values, { id, where, takenAt })

/** A heating circuit whose pressure was read twice, a month apart. */
const pressed = changed(withHeating(hillTown), (s) => {
  s.heating!.circuits.heating = { ...circuitNotRead(), warnBar: 0.8 }
  const read = (id: string, on: string) =>
    reading(id, 'circuit', { circuit: 'heating', gauge: 'cold', pressureBar: 1.5 }, null, `${on}T09:00:00Z`)
  s.readings.push(read('a', '2026-02-01'), read('b', '2026-03-02'))
})

/** Nothing mixes the water down on its way. */
export const unguarded = (s: Study) => {
  if (s.plant.store) s.plant.store.mixing = 'none'
  for (const t of s.pipes.taps) t.guard = 'none'
}
export const withWood = addHeater(hillTown, 'wood-coil')
export const wood = (s: Study) => s.plant.heaters[1] as HeaterOf<'wood-coil'>

/** A store whose relief valve was looked at, with nothing wrong. */
export const looked = (s: Study) =>
  void Object.assign(s.plant.store!, {
    reliefValve: true,
    reliefPiped: true,
    valveBeforeRelief: false,
    reliefAtTop: true,
    reliefKind: 'temperature and pressure',
    reliefBar: 7,
    discharge: { fullSize: true, falls: true, endSeen: true, drained: true, covered: true, watchedBy: 'Runa' },
  })

const warmed = (id: string, minutes: number, takenAt: string) =>
  reading(id, 'reheat', { fromC: 30, toC: 58, minutes }, 'boiler', takenAt)
const condensing = (s: Study) => s.plant.heaters[0] as HeaterOf<'boiler-coil'>
const inTheYard = (s: Study) => {
  condensing(s).place = 'outdoors'
  condensing(s).minAirC = -10
  s.site.designAirC = -16
}

/** id of the finding, the household in which it stands, and what makes it go away. */
export const CASES: [string, Study, (s: Study) => void, (s: Study) => void][] = [
  [
    'high-up-boiler',
    hillTown,
    (s) => {
      s.site.altitudeM = 1500
      ;(s.plant.heaters[0] as HeaterOf<'boiler-coil'>).outputHolds = 'at sea level'
    },
    (s) => void ((s.plant.heaters[0] as HeaterOf<'boiler-coil'>).outputHolds = 'at this height'),
  ],
  [
    'trend-late',
    hillTown,
    (s) => s.readings.push(warmed('early', 60, '2025-03-01T09:00:00Z'), warmed('late', 75, '2026-03-01T09:00:00Z')),
    (s) => void (s.readings.at(-1)!.values.minutes = 62),
  ],
  [
    'vent-boiler',
    hillTown,
    (s) => void (condensing(s).combustion.vent = 'masonry, unlined'),
    (s) => void (condensing(s).combustion.vent = 'plastic'),
  ],
  ['outdoors-boiler', hillTown, inTheYard, (s) => void (condensing(s).minAirC = -20)],
  [
    'growth-store',
    hillTown,
    (s) => void (s.controls.found.heaters.boiler.setpointC = 47),
    (s) => void (s.controls.found.heaters.boiler.setpointC = 60),
  ],
  ['scald', hillTown, unguarded, (s) => void (s.plant.store!.mixing = { mixesToC: 45, testedOn: null })],
  ['scald', harbourFlat, () => {}, (s) => void (s.controls.found.heaters['wall-heater'].setpointC = 46)],
  [
    'scald',
    changeHeaterKind(hillTown, 'boiler', 'wood-coil'),
    (s) => void (s.plant.store!.mixing = 'none'),
    (s) => void ((s.plant.heaters[0] as HeaterOf<'wood-coil'>).firings = []),
  ],
  [
    'relief-valve',
    hillTown,
    (s) => void (s.plant.store!.reliefValve = false),
    (s) => void (s.plant.store!.reliefValve = true),
  ],
  [
    'relief-shut',
    hillTown,
    (s) => void Object.assign(s.plant.store!, { reliefValve: true, valveBeforeRelief: true }),
    (s) => void (s.plant.store!.valveBeforeRelief = false),
  ],
  ['relief', hillTown, () => {}, looked],
  [
    'relief',
    changed(withWood, looked),
    (s) => void (s.plant.store!.reliefKind = 'pressure only'),
    (s) => void (s.plant.store!.reliefKind = 'temperature and pressure'),
  ],
  [
    'relief',
    changed(hillTown, looked),
    (s) => void ((s.site.pressureBar = 5.8), (s.plant.store!.reliefBar = 6)),
    (s) => void (s.site.pressureBar = 3.5),
  ],
  [
    'relief-piped',
    hillTown,
    (s) => void Object.assign(s.plant.store!, { reliefValve: true, reliefPiped: false }),
    (s) => void (s.plant.store!.reliefPiped = true),
  ],
  ['expansion', hillTown, (s) => void (s.site.backflowGuard = true), (s) => void (s.site.expansionVessel = true)],
  [
    'plastic-basement-main',
    duplex,
    (s) => void Object.assign(s.pipes.runs[0], { material: 'pex-cts', size: '3/4' }),
    (s) => void Object.assign(s.pipes.runs[0], { material: 'copper-l', size: '3/4' }),
  ],
  [
    'will-not-fire-basin',
    harbourFlat,
    (s) => void (s.pipes.taps[1].flowLMin = 3),
    (s) => void ((s.plant.heaters[0] as Extract<Heater, { kind: 'instant-gas' }>).minActivationFlowLMin = 0.5),
  ],
  [
    'two-taps',
    harbourFlat,
    () => {},
    (s) => void ((s.plant.heaters[0] as Extract<Heater, { kind: 'instant-gas' }>).outputKw = 60),
  ],
  [
    'input-output-boiler',
    hillTown,
    (s) => void (s.plant.heaters[0].plate = { inputKw: 24, on: 'gross' }),
    (s) => void (s.plant.heaters[0].plate = { inputKw: 26, on: 'gross' }),
  ],
  [
    'factory-boiler',
    hillTown,
    (s) => void (s.plant.heaters[0].settingsReviewed = false),
    (s) => void (s.plant.heaters[0].settingsReviewed = true),
  ],
  [
    'power-factor',
    hillTown,
    (s) => void s.readings.push(reading('p', 'pump', { volts: 230, amps: 0.2 })),
    (s) => void (s.readings[0].values.powerFactor = 0.6),
  ],
  [
    'repeated-topped-up',
    hillTown,
    (s) =>
      void s.readings.push(
        reading('a', 'event', { event: 'topped up' }),
        reading('b', 'event', { event: 'topped up' }),
      ),
    (s) => void s.readings.pop(),
  ],
  [
    'repeated-fault-code',
    hillTown,
    (s) =>
      void s.readings.push(
        { ...reading('a', 'event', { event: 'fault code' }), note: 'E2, no ignition' },
        { ...reading('b', 'event', { event: 'fault code' }), note: 'E2, no ignition' },
      ),
    (s) => void s.readings.pop(),
  ],
  [
    'relief-drips',
    hillTown,
    (s) => void s.readings.push(reading('a', 'event', { event: 'relief valve opened', volumeL: 2, dryAgain: 'no' })),
    (s) => void (s.readings[0].values.dryAgain = 'yes'),
  ],
  [
    'repeated-reset',
    hillTown,
    (s) =>
      void s.readings.push(
        reading('a', 'event', { event: 'reset' }, null, '2025-03-03T09:00:00Z'),
        reading('b', 'event', { event: 'reset' }),
      ),
    // Two in some years are no fault that returns.
    (s) => void (s.readings[0].takenAt = '2024-03-02T09:00:00Z'),
  ],
  [
    'relief-litres',
    hillTown,
    (s) => void s.readings.push(reading('a', 'event', { event: 'relief valve opened', volumeL: 2 })),
    (s) => void delete s.readings[0].values.volumeL,
  ],
  [
    // 1,500 kWh of 24 kW is 62 h: a month's figure.
    'heating-energy-hours',
    withHeating(hillTown),
    (s) => void Object.assign(s.heating!, { mostKw: 24, loss: { ...s.heating!.loss, usedKwh: 1500 } }),
    (s) => void (s.heating!.loss.usedKwh = 16_000),
  ],
  [
    'pressure-falls-heating',
    pressed,
    (s) => void (s.readings[1].values.pressureBar = 1.1),
    (s) => void (s.readings[1].values.pressureBar = 1.4),
  ],
  [
    'pressure-falls-heating',
    pressed,
    (s) => void (s.readings[1].values.pressureBar = 1.1),
    // Filled since: the fall before it says nothing.
    (s) => void s.readings.push(reading('c', 'event', { event: 'topped up' }, null, '2026-03-01T09:00:00Z')),
  ],
  [
    'waste-w',
    hillTown,
    (s) =>
      void s.readings.push(
        reading('w', 'time-to-hot', { seconds: 150, flowLMin: 7, hotC: 40 }, 'kitchen-sink', '2026-03-02T03:00:00Z'),
      ),
    (s) => void (s.readings[0].values.seconds = 60),
  ],
  [
    'contradicts-m',
    hillTown,
    (s) => void s.readings.push(reading('m', 'mains', { coldC: 6 }), reading('n', 'mains', { coldC: 12 })),
    (s) => void (s.readings[1].values.coldC = 7),
  ],
  [
    'contents-kitchen-sink',
    hillTown,
    (s) => void (s.pipes.taps[0].saidContentL = 0.8),
    (s) => void (s.pipes.taps[0].saidContentL = 5.8),
  ],
  [
    'need-kitchen-sink',
    hillTown,
    (s) => void (s.pipes.taps[0].minHotInletC = 64),
    (s) => void (s.pipes.taps[0].minHotInletC = 55),
  ],
  [
    'crossover',
    hillTown,
    (s) => void (s.pipes.loop!.returns = { by: 'cold line', closesAtC: 40 }),
    (s) => void (s.pipes.loop!.returns = { by: 'own pipe', height: 0.5 }),
  ],
  [
    'functions-boiler',
    hillTown,
    (s) => void (s.plant.heaters[0].functions.boost = 'as it came'),
    (s) => void (s.plant.heaters[0].functions.boost = 'gone through'),
  ],
  [
    'below-fire-wood-coil',
    withWood,
    (s) => void (wood(s).circuit.heightM = -0.4),
    (s) => void (wood(s).circuit.heightM = 1.5),
  ],
  [
    'gravity-wood-coil',
    withWood,
    (s) => void Object.assign(wood(s).circuit, { heightM: 0.4, lengthM: 9, boreMm: 20.2 }),
    (s) => void Object.assign(wood(s).circuit, { heightM: 1.5, lengthM: 6, boreMm: 26.2 }),
  ],
  [
    'gravity-wood-coil',
    withWood,
    (s) => void (wood(s).circuit.horizontalM = 5),
    (s) => void (wood(s).circuit.horizontalM = 2),
  ],
  ['logs-wood-coil', withWood, (s) => void (wood(s).firings[0].kg = 1), (s) => void (wood(s).firings[0].kg = 9)],
  [
    'reservoir-reservoir',
    addHeater(hillTown, 'reservoir'),
    () => {},
    (s) => {
      s.plant.heaters.pop()
      delete s.controls.found.heaters.reservoir
      uncontrolled(s)
    },
  ],
  [
    'loop-too-slow',
    changeHeaterKind(hillTown, 'boiler', 'instant-gas'),
    (s) => void (s.pipes.loop!.pumpLMin = 1),
    (s) => void (s.pipes.loop!.pumpLMin = 6),
  ],
  [
    'current-instant-electric',
    addHeater(hillTown, 'instant-electric'),
    (s) => void Object.assign(s.plant.heaters[1], { supply: { amps: 20, volts: 400 } }),
    (s) => void Object.assign(s.plant.heaters[1], { supply: { amps: 32, volts: 400 } }),
  ],
  [
    'input-output-boiler',
    hillTown,
    (s) => void Object.assign(s.plant.heaters[0], { plate: { inputKw: 21.5, on: 'net' } }),
    (s) => void Object.assign(s.plant.heaters[0], { plate: { inputKw: 24, on: 'net' } }),
  ],
  ['pressure', hillTown, (s) => void (s.site.pressureBar = 16), (s) => void (s.site.pressureBar = 3)],
  ['pressure', hillTown, (s) => void (s.site.pressureBar = 0), (s) => void (s.site.pressureBar = null)],
  [
    'freezes',
    hillTown,
    (s) => {
      s.pipes.runs[0].place = 'outdoors'
      s.site.monthlyAirC[0] = -4
    },
    (s) => void (s.pipes.runs[0].place = 'cellar'),
  ],
  ['bare-pipes', hillTown, () => {}, (s) => void (s.pipes.runs[0].insulation = { lambdaWMK: 0.04, thicknessMm: 20 })],
  [
    'velocity-first-bath',
    hillTown,
    (s) => void (s.pipes.taps[2].flowLMin = 22),
    (s) => void (s.pipes.taps[2].flowLMin = 12),
  ],
  [
    'reach-boiler',
    hillTown,
    (s) => void ((s.plant.heaters[0] as HeaterOf<'boiler-coil'>).primary.flowMaxC = 65),
    (s) => void ((s.plant.heaters[0] as HeaterOf<'boiler-coil'>).primary.flowMaxC = 75),
  ],
  ['scale-boiler', hillTown, () => {}, (s) => void (s.site.hardnessMgL = 90)],
  [
    'element-in-sun-element',
    addHeater(addHeater(hillTown, 'solar'), 'element'),
    () => {},
    (s) => void ((s.plant.heaters[2] as HeaterOf<'element'>).height = 0.7),
  ],
  ['pilot-burner', duplex, () => {}, (s) => void ((s.plant.heaters[0] as HeaterOf<'gas-store'>).pilotW = 0)],
  [
    'keep-hot-wall-heater',
    harbourFlat,
    (s) => void (s.controls.found.heaters['wall-heater'].keepHot = true),
    (s) => void (s.controls.found.heaters['wall-heater'].keepHot = false),
  ],
  [
    'flue-loss-burner',
    duplex,
    (s) => void (s.plant.store!.loss = { kind: 'label', label: 'C' }),
    (s) => void (s.plant.store!.loss = { kind: 'ua', uaWK: 5 }),
  ],
  [
    'mixer-reach',
    harbourFlat,
    (s) => void (s.people.uses[0].requiredC = 58),
    (s) => void (s.people.uses[0].requiredC = 40),
  ],
  [
    'loop-too-slow',
    changeHeaterKind(hillTown, 'boiler', 'instant-electric'),
    (s) => void (s.pipes.loop!.pumpLMin = 1),
    (s) => void (s.pipes.loop!.pumpLMin = 6),
  ],
  [
    'period-n',
    hillTown,
    (s) => void s.readings.push({ ...reading('n', 'note', {}), note: 'Bill says 84 euros for gas' }),
    (s) => void (s.readings[0].note = 'Bill says 84 euros a month for gas'),
  ],
]

const element = (id: string, height: number): Heater => ({
  kind: 'element',
  id,
  name: id,
  place: 'cellar',
  ...heaterNotChecked(),
  sensorHeight: null,
  powerKw: 4.5,
  height,
  supply: { amps: 15, volts: 240 },
})
export const twoElements = changed(hillTown, (s) => {
  s.plant.heaters = [element('upper', 0.7), element('lower', 0.1)]
  uncontrolled(s)
  s.controls.found.heaters = {
    upper: { setpointC: 60, differentialK: 5, schedule: null, ...defaultFunctions() },
    lower: { setpointC: 52, differentialK: 5, schedule: null, ...defaultFunctions() },
  }
  s.packages = []
  s.origins = {}
})
