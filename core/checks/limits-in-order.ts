import { DIAL_OVER_K } from '../heaters/dial'
import { scaldLimitOf } from '../household/at-risk'
import { hottestOnFailure, ordinaryHottest, reachesAtPlant } from '../household/hottest-water'
import { pipeLimitC, standsC } from '../household/pipe-limit'
import { reliefLimitC } from '../household/relief-opens'
import { mixesTo, supplyOf } from '../household/supply'
import { hasSetpoint, isPointOfUse } from '../study/heater-kinds'
import { boilsAt } from '../water/boiling'
import { type Level, type Rule, type Told, type Visit, worst } from './check'

/** What stands out of its order, each with how bad that is. */
function outOfOrder(
  { study, write }: Visit,
  { deliveredC, pipe, hottest }: { deliveredC: number; pipe: number | null; hottest: number },
): { level: Level; text: string }[] {
  const { heaters, store } = study.plant
  const valve = mixesTo(store)
  const behindValve = Math.min(hottest, valve ?? Infinity)
  const out: { level: Level; text: string }[] = []
  const add = (level: Level, text: string) => void out.push({ level, text })
  if (deliveredC > scaldLimitOf(study).value + 0.05) add('marginal', `water at the outlets is above the scald limit`)
  if (pipe !== null && behindValve > pipe)
    add('fail', `the pipe at the hot connection is rated below ${write.temperature(behindValve)}`)
  else if (pipe !== null && Math.min(hottestOnFailure(study), valve ?? Infinity) > pipe)
    add(
      'marginal',
      `${write.temperature(hottestOnFailure(study))} is possible on thermostat failure, above the rating of the pipe at the hot connection`,
    )
  const relief = store && reliefLimitC(store)
  if (relief !== null && pipe !== null && valve === null && relief > pipe)
    add('marginal', 'the relief temperature is above the rating of the pipe at the hot connection')
  const held = heaters.some(
    (h) => !isPointOfUse(h) && hasSetpoint(h) && ordinaryHottest(study, h) >= (relief ?? Infinity),
  )
  if (held) add('fail', 'the relief temperature is not above a heater’s setpoint')
  return out
}

/** Every limit of the house on one scale, and what stands out of its order: taps, mixing, sources, pipe, relief, boiling. */
const limitsInOrder: Rule = (visit): Told[] => {
  const { study, year, write } = visit
  const { heaters, store } = study.plant
  const sources = heaters.filter((h) => !isPointOfUse(h)).map((h) => ({ name: h.name, c: ordinaryHottest(study, h) }))
  const hottest = Math.max(...sources.map((s) => s.c))
  const valve = mixesTo(store)
  const deliveredC = year ? Math.max(0, ...year.taps.map((t) => t.hottestC ?? 0)) : Math.min(hottest, valve ?? Infinity)
  const scaldC = scaldLimitOf(study).value
  const pipe = pipeLimitC(study)
  const relief = store && reliefLimitC(store)
  const boils = boilsAt(study.site.altitudeM)
  const out = outOfOrder(visit, { deliveredC, pipe, hottest })
  const flashes =
    relief !== null && relief >= boils
      ? ` Relief temperature above the local boiling point (${write.temperature(boils)}): part of the discharge flashes to steam. Lead it where steam cannot injure.`
      : ''
  const order = [
    { name: 'scald limit', c: scaldC },
    ...(valve === null ? [] : [{ name: 'mixing valve', c: valve }]),
    { name: 'at the outlets', c: deliveredC },
    ...sources,
    ...(pipe === null ? [] : [{ name: 'pipe rating', c: pipe }]),
    ...(relief === null ? [] : [{ name: 'relief valve', c: relief }]),
    { name: 'local boiling point', c: boils },
  ].sort((a, b) => a.c - b.c)
  const level = worst(out.map((o) => o.level))
  return [
    {
      id: 'limits',
      subject: { kind: store ? 'store' : 'heater', id: store ? null : supplyOf(study).heaterId },
      concern: 'fault',
      level,
      title: level === 'pass' ? 'Temperature limits' : 'Temperature limits in conflict',
      sentence: `${order.map((o) => `${o.name} ${write.temperature(o.c)}`).join(', ')}: ${out.length ? `${out.map((o) => o.text).join('; ')}.` : 'consistent.'}${flashes}`,
      figures: Object.fromEntries(order.map((o) => [o.name, { value: o.c, quantity: 'temperature' as const }])),
      source: 'Manufacturers’ pipe limits; boiling point by altitude',
      remedy: 'Fit a mixing valve, lower the setpoint, or use metal pipe there.',
      board: 'all',
    },
  ]
}

/** A pipe at the plant that cannot stand what may come a little past the dial. */
const plasticAtSource: Rule = ({ study, write }) => {
  const canReach = Math.min(reachesAtPlant(study), (mixesTo(study.plant.store) ?? Infinity) + DIAL_OVER_K)
  return study.pipes.runs
    .filter((r) => r.from === null && standsC(r.material) < canReach)
    .map((r): Told => ({
      id: `plastic-${r.id}`,
      subject: { kind: 'run', id: r.id },
      concern: 'fault',
      level: 'fail',
      title: `Plastic pipe at the hot connection: ${r.name}`,
      sentence: `Water can reach ${write.temperature(canReach)}; the pipe is rated ${write.temperature(standsC(r.material))}, or as its manufacturer states.`,
      figures: {
        reachesC: { value: canReach, quantity: 'temperature', worse: { when: 'more', by: 1 } },
        standsC: { value: standsC(r.material), quantity: 'temperature' },
      },
      source: 'Limits of plastic pipes; manufacturers differ',
      remedy: `Use metal for the first ${write.figure('length', 2)}, and limit the heater.`,
    }))
}

export const LIMIT_CHECKS = { limitsInOrder, plasticAtSource }
