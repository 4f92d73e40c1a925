import { coldestMonth } from '../calendar/year'
import { COIL_LIMIT_C } from '../heaters/fire'
import { gravityFlow } from '../heaters/thermosiphon'
import { bypassOf } from '../household/loop'
import { restedAt } from '../household/loop-at-rest'
import { reservoirDay } from '../household/reservoir-day'
import { carriedC, supplyOf } from '../household/supply'
import { tapFigures } from '../household/tap-figures'
import { steadyAtTap } from '../household/ways'
import { CALORIFIC } from '../money/calorific'
import { pipeOf } from '../pipes/catalogue'
import { contentsPerMetre } from '../pipes/contents'
import { SAFETY } from '../safety/limits'
import { isLocal, isRunning } from '../study/heater-kinds'
import { HEATER_FUNCTIONS } from '../study/plant'
import { sumNamed } from '../sums/registry'
import { cameInKwh } from '../year/account/where-it-goes'
import type { Finding, Rule } from './finding'

/** Contents said and computed further apart than this many times are a slip. */
const FAR_TIMES = 1.5
/** Return at which gravity circulation is judged, °C. */
const RETURN_C = 50
/** One metre upright carries no more than this level, m. */
const LEVEL_TO_UPRIGHT = 2

export const contentsSaid: Rule = ({ study, write }) =>
  study.pipes.taps.flatMap((tap): Finding[] => {
    if (tap.saidContentL === null) return []
    const { contentL, ownStore } = tapFigures(study, tap)
    if (ownStore) return []
    const times = tap.saidContentL / contentL
    if (times < FAR_TIMES && times > 1 / FAR_TIMES) return []
    return [
      {
        id: `contents-${tap.id}`,
        severity: 'look',
        station: 'taps',
        on: tap.id,
        what: `Litres to ${tap.name} far from what the pipes hold`,
        why: `${write.figure('volume', tap.saidContentL, 2)} was said; material, size and length make ${write.figure('volume', contentL, 2)}, ${times > 1 ? `${times.toFixed(1)} times less` : `${(1 / times).toFixed(1)} times more`}.`,
        source: 'Contents = π/4 × bore² × length',
        mend: 'Measure size and length again, or time the wait: one of the two is a slip.',
        reading: 'time-to-hot',
      },
    ]
  })

export const notHotEnough: Rule = ({ study, write }) =>
  study.pipes.taps.flatMap((tap): Finding[] => {
    if (tap.leastHotC === null || study.plant.heaters.some((h) => isLocal(h) && h.tapId === tap.id)) return []
    const arrivesC = steadyAtTap(study, tap, carriedC(study), coldestMonth(study.site.monthlyAirC))
    if (arrivesC >= tap.leastHotC) return []
    return [
      {
        id: `not-hot-enough-${tap.id}`,
        severity: 'mend',
        station: 'taps',
        on: tap.id,
        what: `Hot water arrives too cool for ${tap.name}`,
        why: `It needs ${write.temperature(tap.leastHotC)}; in the coldest month ${write.temperature(arrivesC)} arrives in a long draw.`,
        source: 'Along each run T − air falls as exp(−U′L/ṁc)',
        mend: 'A higher setpoint, insulation on the way, or a small store at that tap.',
        reading: 'tap-temperature',
      },
    ]
  })

export const crossover: Rule = ({ study, year, write }) => {
  const { loop } = study.pipes
  const bypass = bypassOf(loop)
  if (!loop || !bypass) return []
  const litres = contentsPerMetre(pipeOf(loop.back.material, loop.back.size)) * loop.back.lengthM
  const turn = study.pipes.taps.find((t) => t.runId === loop.turnsAt) ?? study.pipes.taps[0]
  const settlesC = steadyAtTap(study, turn, carriedC(study), coldestMonth(study.site.monthlyAirC))
  return [
    {
      id: 'crossover',
      severity: 'look',
      station: 'loop',
      on: null,
      what: 'The return warms the cold line',
      why: `After each run of the pump up to ${write.figure('volume', litres)} in the cold line are as warm as ${write.temperature(bypass.closesAtC)}: the cold tap runs tepid first${year ? ` (${write.litres(year.water.warmColdL)} of it in the year, and it takes ${write.seconds((litres / turn.flowLMin) * 60)} to run cold)` : ''}, and tepid water standing there lets bacteria grow. The hot tap there gives between ${write.temperature(restedAt(study, loop.turnsAt))} (pump at rest for long) and ${write.temperature(bypass.closesAtC)} (valve just shut) in its first second, and ${write.temperature(settlesC)} once it has settled, in winter.`,
      source: `Contents of the cold line; growth of legionella between ${write.temperature(SAFETY.grows.value.low)} and ${write.temperature(SAFETY.grows.value.high)}`,
      mend: 'A valve that closes cooler, short runs of the pump, or a return of its own. Check valves where cold and hot are joined; local code decides.',
      reading: 'loop',
    },
  ]
}

export const functionsAsTheyCame: Rule = ({ study }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    const left = (Object.keys(HEATER_FUNCTIONS) as (keyof typeof HEATER_FUNCTIONS)[]).filter(
      (f) => h.functions[f] === 'as it came',
    )
    if (left.length === 0) return []
    return [
      {
        id: `functions-${h.id}`,
        severity: 'mend',
        station: 'heater',
        on: h.id,
        what: 'Functions that nobody has gone through',
        why: `${h.name}: ${left.map((f) => HEATER_FUNCTIONS[f].toLowerCase()).join(', ')} ${left.length > 1 ? 'are' : 'is'} as it came.`,
        source: 'Practice',
        mend: 'Try each one, decide whether this household wants it, and write it down as found first.',
      },
    ]
  })

export const storeBelowFire: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (h.kind !== 'wood-coil' || h.circuit.pump || h.circuit.heightM > 0) return []
    return [
      {
        id: `below-fire-${h.id}`,
        severity: 'danger',
        station: 'heater',
        on: h.id,
        what: 'The store stands below the fire',
        why: `Its thermal centre is ${write.figure('length', -h.circuit.heightM)} lower than that of ${h.name}: warm water does not sink, so nothing carries the heat away and the coil boils.`,
        source: 'Drive = g × height × (ρ cold − ρ hot)',
        mend: 'Light no fire until the store stands at or above it, or a pump with a safe stand-by has been fitted by the licensed. Never let a coil in a fire run dry; never heat a closed vessel.',
      },
    ]
  })

export const gravityTooSlow: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    // A fire that is never lit heats nothing too hot.
    if (h.kind !== 'wood-coil' || h.circuit.pump || h.circuit.heightM <= 0 || h.firings.length === 0) return []
    const { heightM, lengthM, boreMm, fittingsM, horizontalM } = h.circuit
    const { riseK, flowLMin } = gravityFlow({
      heightM,
      lengthM,
      innerMm: boreMm,
      fittingsEquivalentM: fittingsM,
      powerKw: h.waterKw,
      returnC: RETURN_C,
    })
    const tooHot = RETURN_C + riseK >= COIL_LIMIT_C - 10
    const tooLevel = horizontalM > LEVEL_TO_UPRIGHT * heightM
    if (!tooHot && !tooLevel) return []
    return [
      {
        id: `gravity-${h.id}`,
        severity: tooHot ? 'danger' : 'mend',
        station: 'heater',
        on: h.id,
        what: tooHot ? 'Gravity moves too little water past the fire' : 'Much level pipe for so little height',
        why: `${write.figure('power', h.waterKw)} into ${write.figure('flow', flowLMin)} is a rise of ${write.figure('rise', riseK)}: ${write.temperature(RETURN_C)} comes back as ${write.temperature(RETURN_C + riseK)}. ${write.figure('length', horizontalM)} level to ${write.figure('length', heightM)} upright; the rule of the trade allows ${write.figure('length', LEVEL_TO_UPRIGHT * heightM)}.`,
        source: 'Drive against friction (Blasius, laminar below Re 2300); one upright to two level',
        mend: 'A wider bore, fewer bends, more height, or a pump. Work on fires and their relief is for the licensed.',
      },
    ]
  })

export const logsTooFew: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    if (h.kind !== 'wood-coil' && h.kind !== 'reservoir') return []
    const perKg = h.carrier === 'pellets' ? CALORIFIC['pellets, kg'] : CALORIFIC['beech logs at 20 % moisture, kg']
    return h.firings
      .filter((f) => f.kg > 0 && f.kg * perKg < h.waterKw * f.hours)
      .slice(0, 1)
      .map((f) => ({
        id: `logs-${h.id}`,
        severity: 'look',
        station: 'heater',
        on: h.id,
        what: 'More heat than the wood holds',
        why: `${write.mass(f.kg)} hold ${write.energy(f.kg * perKg)} (net); ${write.figure('power', h.waterKw)} for ${f.hours} h is ${write.energy(h.waterKw * f.hours)} into the water alone.`,
        source: 'Calorific value of wood at 20 % moisture',
        mend: 'Weigh the wood of one evening, and read the store before and after it.',
        reading: 'store-top',
      }))
  })

export const reservoirWater: Rule = ({ study }) =>
  study.plant.heaters
    .filter((h) => h.kind === 'reservoir')
    .map((h) => ({
      id: `reservoir-${h.id}`,
      severity: 'look',
      station: 'heater',
      on: h.id,
      what: 'Water that stands on the stove is not for drinking',
      why: `${h.name} keeps its water warm for days, and it can come near boiling beside a hot stove.`,
      source: 'Practice',
      mend: 'A lid, a sign, a tap that cannot be opened by a child, and fresh water each day.',
    }))

/** Litres that a reservoir gives on a winter's day against those drawn from it. */
export const reservoirShort: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Finding[] => {
    const day = h.kind === 'reservoir' ? reservoirDay(study, h) : null
    if (!day || day.usesL <= day.makesL) return []
    return [
      {
        id: `reservoir-short-${h.id}`,
        severity: 'mend',
        station: 'heater',
        on: h.id,
        what: 'The reservoir gives less than is drawn from it',
        why: `On a winter’s day its fire makes ${write.figure('volume', day.makesL, 0)} at ${write.temperature(day.wantedC)}, what it loses taken off; ${write.figure('volume', day.usesL, 0)} are drawn.`,
        source: '(Fire into the water − standing loss) / ρ c × rise',
        mend: 'A longer fire, a lid and lagging, or another source for that tap.',
      },
    ]
  })

export const loopTooSlow: Rule = ({ study, write }) => {
  const { loop } = study.pipes
  const held = study.controls.set ?? study.controls.found
  const id = supplyOf(study).heaterId
  const heater = study.plant.heaters.find((h) => h.id === id)!
  if (!loop || held.loop.mode === 'off' || !isRunning(heater) || loop.pumpLMin >= heater.leastFlowLMin) return []
  return [
    {
      id: 'loop-too-slow',
      severity: 'mend',
      station: 'loop',
      on: null,
      what: 'The loop is too slow to fire the heater',
      why: `The pump moves ${write.figure('flow', loop.pumpLMin)}; ${heater.name} needs ${write.figure('flow', heater.leastFlowLMin)}, so the loop goes cold.`,
      source: 'Least flow of the heater',
      mend: 'A larger pump, or a small store between heater and loop.',
      reading: 'loop',
    },
  ]
}

/** An amount of money, energy or water, and the words that say per what. */
const AMOUNT =
  /(?:[€$£]\s?\d[\d.,]*|\d[\d.,]*\s?(?:[€$£]|euros?\b|dollars?\b|pounds?\b|EUR\b|USD\b|GBP\b|kWh\b|therms?\b|m³|litres?\b|L\b|gal(?:lons)?\b))/i
const PERIOD =
  /\b(?:per|an?|each|every|in)\s+(?:\d+\s+)?(?:hour|day|night|week|month|quarter|winter|year|shower|bath|draw|person|unit|kWh|m³|therm)s?\b|\/\s?(?:h|d|day|week|month|mo|yr|year|a|kWh|m³)\b|\b(?:daily|weekly|monthly|yearly|annual|a year)\b|\b(?:19|20)\d{2}\b/i

export const noPeriod: Rule = ({ study }) =>
  study.readings
    .filter((r) => AMOUNT.test(r.note) && !PERIOD.test(r.note) && !(r.kind === 'sum' && sumNamed(r.sum ?? '')))
    .map((r) => ({
      id: `period-${r.id}`,
      severity: 'look',
      station: 'log',
      on: null,
      what: 'A figure with no period',
      why: `“${r.note.length > 80 ? `${r.note.slice(0, 80)}…` : r.note}”: per what? A day, a month, a winter, a year?`,
      source: 'Practice',
      mend: 'Ask, and write the period beside the figure.',
    }))

/** Heat let go of in a year that is worth a word, as a share of what came in. */
const RELIEF_SHARE = 0.01

export const reliefOpens: Rule = ({ study, year, write }) => {
  if (!study.plant.store || !year || year.energy.reliefKwh < RELIEF_SHARE * cameInKwh(year)) return []
  return [
    {
      id: 'relief-opens',
      severity: 'danger',
      station: 'store',
      on: null,
      what: 'The store gets too hot',
      why: `In a year ${write.energy(year.energy.reliefKwh)} go through the relief valve, with ${write.litres(year.water.reliefL)} of water: a valve that works so often scales, drips and fails.`,
      source: 'The ledger of the year',
      mend: 'Less fire or a larger store, a radiator that takes what is too much, or collectors covered in summer. Never block the valve.',
      reading: 'store-top',
    },
  ]
}

/** Hours of collectors in the sun with a full store that are worth a word. */
const STAGNANT_H = 100

export const collectorsFull: Rule = ({ study, year }) => {
  const solar = study.plant.heaters.find((h) => h.kind === 'solar')
  if (!solar || !year || year.stagnantHours < STAGNANT_H) return []
  return [
    {
      id: `stagnation-${solar.id}`,
      severity: 'look',
      station: 'heater',
      on: solar.id,
      what: 'The collectors stand idle in the sun',
      why: `For ${Math.round(year.stagnantHours)} hours a year the store is full and they come to rest at their hottest, which ages the fluid.`,
      source: 'The yearly run: sun on the plane against the store’s limit',
      mend: 'A steeper tilt favours winter; a larger store or fewer collectors. See that vessel and fluid stand it.',
    },
  ]
}
