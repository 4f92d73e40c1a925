import { DAYS_A_WEEK } from '../calendar/clock'
import { hoursOpen } from '../calendar/week'
import { DAYS, yearMean } from '../calendar/year'
import { HEATED_ROOM_C } from '../climate/places'
import { efficiencyAt } from '../heaters/efficiency'
import { coefficientOfPerformance } from '../heaters/heat-pump'
import { HEATERS } from '../heaters/kinds'
import { airAround } from '../household/air-around'
import { hottestOf } from '../household/hottest'
import { type Carrier, CARRIER_NAMES } from '../money/carriers'
import { perKwh } from '../money/tariff'
import {
  carrierOf,
  efficiencyOf,
  hasSetpoint,
  instantaneousOf,
  isCollector,
  isHeatPump,
  isInstantaneous,
  isOnStore,
} from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Heater } from '../study/plant'
import { lowerFirst } from '../words/lower-first'
import type { Rule, Told, Visit } from './check'

/** A boiler brings a store no nearer to the hottest flow it may send than this, K. */
const COIL_GAP_K = 3

/** Starts a year above which a burner or a compressor wears out early. */
const MANY_STARTS = 5000

/** Share of a heat pump's heat that its element may make. */
const BACKUP_SHARE = 0.1

/** What stores with a flue through them lose, W/K. */
const FLUE_UA = { low: 4, high: 6 } as const

/** What a heater can make against what it is set to: a coil brings no water to the temperature of its flow. */
const reach: Rule = ({ study, write }) =>
  study.plant.heaters.filter(hasSetpoint).flatMap((h): Told[] => {
    const control = controlsOf(study).heaters[h.id]
    const most = hottestOf(h, control)
    if (most === null) return []
    const makes = 'primary' in h ? most - COIL_GAP_K : most
    const short = control.setpointC > makes
    return [
      {
        id: `reach-${h.id}`,
        concern: 'fault',
        level: short ? 'fail' : 'pass',
        subject: { kind: 'heater', id: h.id },
        title: short ? `Setpoint above maximum: ${h.name}` : `Maximum temperature, ${h.name}`,
        sentence: `Setpoint ${write.temperature(control.setpointC)}; ${'primary' in h ? `maximum primary flow temperature ${write.temperature(most)}` : `maximum ${write.temperature(most)}`}${short ? ': the setpoint is never reached' : ''}.`,
        figures: {
          setpointC: { value: control.setpointC, quantity: 'temperature' },
          makesC: { value: makes, quantity: 'temperature', worse: { when: 'less', by: 0.5 } },
        },
        source: 'Heater limit; a coil cannot reach its own flow temperature',
        remedy: `Lower the setpoint to ${write.temperature(makes)} or less${'primary' in h ? ', or raise the primary flow temperature' : ''}.`,
        setting: `heaters.${h.id}.setpointC`,
        board: [h.id],
      },
    ]
  })

/** Height from which a heater on the store heats what is above it; null: from the bottom. */
const heatsFrom = (h: Heater): number | null =>
  'coil' in h ? h.coil.bottom : isOnStore(h) && 'height' in h ? h.height : null

/** A sensor below what heats never feels it: what is heated rises away from it. */
const sensorBelowHeat: Rule = ({ study }) =>
  study.plant.heaters
    .filter((h) => hasSetpoint(h) && isOnStore(h))
    .flatMap((h): Told[] => {
      const from = heatsFrom(h)
      const own = 'sensorHeight' in h ? h.sensorHeight : null
      const sensor = own ?? study.plant.store!.sensorHeight
      if (from === null || sensor >= from) return []
      return [
        {
          id: `sensor-below-${h.id}`,
          concern: 'fault',
          level: 'fail',
          subject: { kind: 'heater', id: h.id },
          title: `Sensor below the heat input: ${h.name}`,
          sentence: `Sensor at ${Math.round(100 * sensor)}% of the cylinder height, heat input from ${Math.round(100 * from)}% up: the sensor stays cold, so the heater does not stop.`,
          figures: {
            sensorHeight: { value: sensor, unit: 'of the height' },
            heatsFrom: { value: from, unit: 'of the height' },
          },
          source: 'Heated water rises',
          remedy: 'Move the sensor to the height of the coil or immersion heater, or above.',
          asks: own === null ? 'plant.store.sensorHeight' : `plant.heaters.${h.id}.sensorHeight`,
        },
      ]
    })

/** What wears out by its starts: a burner, and the compressor of a heat pump. A pump of the sun or an element does not. */
const wearsByStarts = (h: Heater) => HEATERS[h.kind].source === 'burner' || isHeatPump(h)

/** Each heater by its own starts: those of one are never put down to another. */
const cycles: Rule = ({ study, year, write }) =>
  study.plant.heaters.filter(wearsByStarts).flatMap((h): Told[] => {
    const starts = year?.startsOf.find((s) => s.id === h.id)?.starts ?? 0
    if (starts <= MANY_STARTS) return []
    // What makes it start is named, where it is known, and both are one entry.
    const sensor = sensorBelowHeat({ study, year, write }).find((c) => c.subject.id === h.id)
    const kept = !sensor && controlsOf(study).heaters[h.id]?.keepHot === true
    const why = sensor ? ` Cause: ${lowerFirst(sensor.title)}.` : kept ? ` Cause: keep-hot of ${h.name}.` : ''
    return [
      {
        id: `cycling-${h.id}`,
        ...(sensor ? { cause: { id: sensor.id, title: sensor.title } } : {}),
        ...(kept ? { cause: { id: `keep-hot-${h.id}`, title: 'Keep-hot on' } } : {}),
        figures: { starts: { value: starts, unit: 'starts/year', worse: { when: 'more', by: 500 } } },
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'heater', id: h.id },
        title: `Short-cycling: ${h.name}`,
        sentence: `${starts.toLocaleString('en-GB')} starts a year, ${Math.round(starts / 365)} a day: start-up losses and wear.${why}`,
        source: 'Annual simulation: demand / heat per firing',
        remedy: sensor
          ? sensor.remedy
          : kept
            ? 'Switch keep-hot off, or limit it to hours of use.'
            : 'Widen the switching differential, reduce the hot water output, add a buffer vessel, or run the circulation less often.',
        setting: kept ? `heaters.${h.id}.keepHot` : null,
      },
    ]
  })

const elementInTheSun: Rule = ({ study }) => {
  const solar = study.plant.heaters.find(isCollector)
  if (!solar) return []
  return study.plant.heaters
    .filter((h) => isOnStore(h) && hasSetpoint(h) && 'height' in h && h.height < solar.coil.top)
    .map((h) => ({
      id: `element-in-sun-${h.id}`,
      concern: 'fault',
      level: 'fail',
      subject: { kind: 'heater', id: h.id },
      title: 'Immersion heater below top of solar coil',
      sentence: `${h.name} is below the top of the solar coil and heats water the collectors should heat.`,
      source: 'Heated water rises; the volume below stays for solar',
      remedy: 'Move it above the coil, or exclude daytime from its schedule.',
    }))
}

const HOURS_A_YEAR = 8760
/** What a power costs that is spent all year, or so many hours of it, in energy and money. */
function allYear({ study, write }: Visit, carrier: Carrier, watts: number, hours = HOURS_A_YEAR): string {
  const kwh = (watts * hours) / 1000
  const tariff = study.prices.carriers[carrier]
  return tariff ? `${write.energy(kwh)} a year, ${write.money(kwh * perKwh(tariff))}` : `${write.energy(kwh)} a year`
}

const pilots: Rule = (given) =>
  given.study.plant.heaters.flatMap((h): Told[] => {
    if (!('pilotW' in h) || h.pilotW <= 0) return []
    return [
      {
        id: `pilot-${h.id}`,
        concern: 'cost',
        level: 'fail',
        subject: { kind: 'heater', id: h.id },
        title: 'Continuous pilot flame',
        sentence: `Pilot of ${h.name}: ${allYear(given, h.carrier, h.pilotW)}${HEATERS[h.kind].flueInStore ? '; part of it heats the cylinder' : ''}.`,
        source: 'Watts × 8,760 h',
        remedy:
          'Choose electric ignition at replacement; turn it off for long absence. Relighting by a competent person.',
        mendedBy: 'heat-source',
        settledBy: 'meter',
      },
    ]
  })

const keepsHot: Rule = (given) => {
  const { study } = given
  const heater = instantaneousOf(study.plant.heaters)
  if (!heater || !controlsOf(study).heaters[heater.id].keepHot) return []
  const { setpointC, schedule } = controlsOf(study).heaters[heater.id]
  const watts = heater.contentUaWK * Math.max(0, setpointC - HEATED_ROOM_C)
  const hours = schedule ? (hoursOpen(schedule) * DAYS) / DAYS_A_WEEK : HOURS_A_YEAR
  return [
    {
      id: `keep-hot-${heater.id}`,
      concern: 'cost',
      level: 'marginal',
      setting: `heaters.${heater.id}.keepHot`,
      subject: { kind: 'heater', id: heater.id },
      title: 'Keep-hot on',
      sentence: `${heater.name} keeps its heat exchanger hot: loss ${allYear(given, carrierOf(heater), watts, hours)}, start-up losses not included. Saves ${heater.startDelayS} s of start-up delay.`,
      source: `Loss of the exchanger × (setpoint − room) × ${Math.round(hours).toLocaleString('en-GB')} h`,
      remedy: 'Switch it off, or limit it to hours of use.',
      mendedBy: 'heater-control',
    },
  ]
}

const muchBackup: Rule = ({ study, year, write }) => {
  const pump = study.plant.heaters.find(isHeatPump)
  if (!pump || !year) return []
  const airC = yearMean(
    study.site.monthlyAirC.map((c, m) => (pump.air === 'outdoors' ? c : airAround(pump, m, study.site.monthlyAirC))),
  )
  const cop = coefficientOfPerformance(controlsOf(study).heaters[pump.id].setpointC, airC)
  // Heat of the pump is what it took from the air and the electricity that lifted it.
  const pumpKwh = (year.energy.ambientKwh * cop) / Math.max(cop - 1, 0.1)
  const { backupKwh } = year.energy
  if (backupKwh < BACKUP_SHARE * (backupKwh + pumpKwh)) return []
  return [
    {
      id: `backup-${pump.id}`,
      concern: 'cost',
      level: 'fail',
      subject: { kind: 'heater', id: pump.id },
      title: 'High backup share',
      sentence: `${write.energy(backupKwh)} a year from the backup of ${pump.name}; the heat pump needs 1/${cop.toFixed(1)} of that electricity.`,
      figures: {
        backupKwh: { value: backupKwh, quantity: 'energy', worse: { when: 'more', by: 20 } },
        cop: { value: cop, unit: 'COP' },
      },
      source: 'Annual simulation with backup control; COP at setpoint and mean air',
      remedy: 'Set the backup to manual boost, start heating earlier, lower the setpoint, or enlarge the cylinder.',
    },
  ]
}

const flueStoreByLabel: Rule = ({ study, write }) =>
  study.plant.store?.loss.kind === 'label'
    ? study.plant.heaters
        .filter((h) => HEATERS[h.kind].flueInStore)
        .map((h) => ({
          id: `flue-loss-${h.id}`,
          concern: 'record',
          level: 'marginal',
          subject: { kind: 'store', id: null },
          title: 'Label class not valid for a cylinder with a flue',
          sentence: 'A flue through the cylinder loses 2 to 4 times the label figure.',
          source: `Gas cylinders: ${write.figure('lossRate', FLUE_UA.low)} to ${write.figure('lossRate', FLUE_UA.high)}`,
          remedy: 'Measure the overnight drop with burner and pilot off, or enter the heat loss coefficient (UA).',
          settledBy: 'overnight-drop',
        }))
    : []

/** Hours of collectors in the sun with a full store that are worth a word. */
const STAGNANT_H = 100

const collectorsFull: Rule = ({ study, year }) => {
  const solar = study.plant.heaters.find(isCollector)
  if (!solar || !year || year.collectorStagnationHours < STAGNANT_H) return []
  return [
    {
      id: `stagnation-${solar.id}`,
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'heater', id: solar.id },
      title: 'Collector stagnation',
      sentence: `${Math.round(year.collectorStagnationHours)} h/year without flow because the cylinder is at its limit; ages the fluid.`,
      source: 'Annual simulation: irradiation against the cylinder temperature limit',
      remedy: 'Steeper tilt, larger cylinder or fewer collectors. Check expansion vessel and fluid.',
    },
  ]
}

/** An appliance condenses well from this efficiency on gross value on. */
const CONDENSES_WELL = 0.9

/**
 * What a condensing heater made of its fuel over the year. What heats as it runs returns by its inlet, whatever it is set to,
 * unless heating water and a plate exchanger stand between.
 */
const condensing: Rule = ({ study, year, write }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    const efficiency = efficiencyOf(h)
    if (efficiency?.kind !== 'condensing' || !year || !hasSetpoint(h)) return []
    const carrier = carrierOf(h)
    const { setpointC } = controlsOf(study).heaters[h.id]
    const input = year.energy.inputKwh[carrier] ?? 0
    const dry = efficiencyAt(efficiency, DRY_RETURN_C, carrier)
    const share = input > 0 ? 1 - (year.energy.lostKwh[carrier] ?? 0) / input : dry
    const plates = 'exchanger' in h && h.exchanger === 'plate'
    const bySetpoint = plates || !isInstantaneous(h)
    const byReturn = plates
      ? 'A lower setpoint brings a cooler return from the plate heat exchanger.'
      : bySetpoint
        ? 'A lower cylinder temperature condenses more.'
        : 'Return follows the inlet, not the setpoint.'
    return [
      {
        id: `condensing-${h.id}`,
        concern: 'cost',
        level: share >= CONDENSES_WELL ? 'pass' : 'marginal',
        subject: { kind: 'heater', id: h.id },
        title: `Condensing operation, ${h.name}`,
        sentence: `At ${write.temperature(setpointC)} it turned ${(100 * share).toFixed(1)}% of its ${CARRIER_NAMES[carrier].toLowerCase()} into heat over the year, start-up losses counted; dry it would be ${(100 * dry).toFixed(0)}%. ${byReturn}`,
        figures: { efficiency: { value: share, unit: 'gross', worse: { when: 'less', by: 0.01 } } },
        source: 'Efficiency against return water, gross value',
        remedy: plates
          ? 'Lower the setpoint as far as the outlets allow.'
          : bySetpoint
            ? 'Lower the setpoint where hygiene allows, or enlarge the coil.'
            : 'No action by setpoint.',
        setting: bySetpoint ? `heaters.${h.id}.setpointC` : null,
        board: [h.id],
      },
    ]
  })

/** Return at which nothing condenses any more, °C. */
const DRY_RETURN_C = 80
/** Losses of keeping water ready that are worth a word, as a share of what is used. */
const MUCH_STANDING = 0.5

/** What is lost by keeping water ready. What it costs is told by a year without it, not by a share of the bill. */
const standing: Rule = ({ study, year, write }): Told[] => {
  if (!year) return []
  const { storeKwh, loopKwh, primaryKwh, usefulKwh } = year.energy
  const lost = storeKwh + loopKwh + primaryKwh
  return [
    {
      id: 'standing',
      concern: 'cost',
      level: lost > MUCH_STANDING * usefulKwh ? 'marginal' : 'pass',
      subject: { kind: study.plant.store ? 'store' : 'heater', id: null },
      title: 'Standing and circulation losses',
      sentence: `${write.energy(lost)} a year are lost by keeping water ready (cylinder ${write.energy(storeKwh)}, circulation ${write.energy(loopKwh)}, heater circuit ${write.energy(primaryKwh)}) for ${write.energy(usefulKwh)} of use.`,
      figures: {
        lostKwh: { value: lost, quantity: 'energy', worse: { when: 'more', by: 50 } },
        usefulKwh: { value: usefulKwh, quantity: 'energy' },
      },
      source: 'Annual heat balance',
      remedy: 'Insulate, or use schedules for circulation and heater: add them under Improve.',
      mendedBy: 'insulate-runs',
      board: 'all',
    },
  ]
}

export const RUNNING_CHECKS = {
  reach,
  sensorBelowHeat,
  condensing,
  standing,
  cycles,
  elementInTheSun,
  pilots,
  keepsHot,
  muchBackup,
  flueStoreByLabel,
  collectorsFull,
}
