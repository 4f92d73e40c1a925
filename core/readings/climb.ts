import { FIELDS } from '../calculators/fields'
import { dayOf, heaterDelayS, steadyAtTap, tapOf } from '../household/lookups'
import { supplyC } from '../household/supply'
import { z } from '../schema/zod'
import { hotFront, lengthOffer } from './hot-front'
import { defineReading, impossible } from './reading-kind'

/** A reading of a climb: seconds from the opening of the tap, and °C. */
export interface ClimbPoint {
  s: number
  c: number
}

/** It is steady when the last readings span this long, s, and lie this close together, K. */
const STEADY_S = 20
const STEADY_K = 0.6
/** A thermometer in the stream, and its own lag. */
const CLIMB_K = 2
/** Of a flow read off a tap, and of the moment between two readings, s. */
const FLOW_SHARE = 0.1
const CLIMB_S = 3

/** Points as a log keeps them, "0 11.2; 10 24.5; 20 41". Null when it is none, or when time runs backwards. */
export function readClimb(text: string): ClimbPoint[] | null {
  const points = text
    .split(';')
    .map((p) => p.trim())
    .filter(Boolean)
    .map((p) => /^(\d+(?:\.\d+)?) (-?\d+(?:\.\d+)?)$/.exec(p))
  if (points.length === 0 || points.some((m) => !m)) return null
  const out = points.map((m) => ({ s: Number(m![1]), c: Number(m![2]) }))
  return out.every((p, i) => p.c >= 0 && p.c <= 100 && (i === 0 || p.s > out[i - 1].s)) ? out : null
}

export const writeClimb = (points: readonly ClimbPoint[]) =>
  points.map((p) => `${Math.round(p.s * 10) / 10} ${Math.round(p.c * 10) / 10}`).join('; ')

/**
 * Whether a climb has come to rest, and where: at least three last readings over 20 s or more that lie within 0.6 K.
 * @returns mean of those, °C, or null while it still moves
 */
export function steadyOf(points: readonly ClimbPoint[]): number | null {
  const end = points.at(-1)
  if (!end) return null
  for (let from = points.length - 3; from >= 0; from--) {
    const last = points.slice(from)
    const c = last.map((p) => p.c)
    if (Math.max(...c) - Math.min(...c) > STEADY_K) return null
    if (end.s - last[0].s >= STEADY_S) return c.reduce((s, x) => s + x, 0) / c.length
  }
  return null
}

/** Seconds until a climb passes a temperature, between readings by a straight line; null when it does not. */
export function secondsTo(points: readonly ClimbPoint[], hotC: number): number | null {
  const i = points.findIndex((p) => p.c >= hotC)
  if (i < 0) return null
  if (i === 0) return points[0].s
  const [a, b] = [points[i - 1], points[i]]
  return a.s + ((hotC - a.c) / (b.c - a.c)) * (b.s - a.s)
}

export const climb = defineReading({
  kind: 'climb',
  title: 'Temperature rise at outlet, timed',
  how: 'Hot only, pipes cold: a thermometer reading every few seconds from opening until steady.',
  section: 'taps',
  needs: ['thermometer', 'watch'],
  at: 'tap',
  input: z.strictObject({
    points: z
      .string()
      .max(4000)
      .refine((t) => readClimb(t) !== null, 'readings such as 0 11.2; 10 24.5, in order of time'),
    flowLMin: FIELDS.flowLMin,
    hotC: FIELDS.hotC,
  }),
  begin: { hotC: 40 },
  possible: () => true,
  judge: (study, reading, { points: text, flowLMin, hotC }) => {
    const tap = tapOf(study, reading.where)
    const points = readClimb(text)!
    const steadyC = steadyOf(points)
    const seconds = secondsTo(points, hotC)
    if (steadyC === null && seconds === null) return impossible('Not steady and below the hot threshold. Continue.')
    const modelled = steadyAtTap(study, { ...tap, flowLMin }, supplyC(study), dayOf(reading.takenAt).month)
    const delayS = heaterDelayS(study)
    const expected = hotFront(study, tap, reading.takenAt, { hotC, flowLMin })
    // What never comes so hot by the study is judged by where it came to rest.
    const front = seconds !== null && expected && expected.steadyC > hotC ? expected : null
    const ranL = (flowLMin / 60) * Math.max(0, (seconds ?? 0) - delayS)
    const off = steadyC === null ? 0 : steadyC - modelled
    return {
      worked: {
        out: { steadyC, seconds },
        steps: [
          ...(seconds === null
            ? []
            : [
                {
                  label: 'Hot after',
                  formula: 'time at the hot threshold',
                  value: seconds,
                  quantity: 'seconds',
                } as const,
                ...(front
                  ? [
                      {
                        label: 'Calculated',
                        formula: 'warm-up volume, spread / flow + start-up delay',
                        value: (front.hotL / flowLMin) * 60 + delayS,
                        quantity: 'seconds',
                      } as const,
                    ]
                  : []),
              ]),
          ...(steadyC === null
            ? []
            : [
                {
                  label: 'Steady at',
                  formula: 'mean of the last readings once they are steady',
                  value: steadyC,
                  quantity: 'temperature',
                } as const,
                {
                  label: 'Calculated',
                  formula: 'along each run T − air falls as exp(−U′L/ṁc)',
                  value: modelled,
                  quantity: 'temperature',
                } as const,
              ]),
        ],
        notes: [
          ...(steadyC === null ? ['Still rising: continue until steady.'] : []),
          ...(seconds !== null && Math.abs(off) > CLIMB_K
            ? [
                off < 0
                  ? 'Cooler than calculated: thermostat below its marking, or cold crossover.'
                  : 'Hotter than calculated: thermostat above its marking.',
              ]
            : []),
        ],
      },
      results: {
        seconds: { label: 'Hot after', quantity: 'seconds' },
        steadyC: { label: 'Steady at', quantity: 'temperature' },
      },
      verdict: front
        ? {
            figure: { label: `Warm-up volume to ${tap.name}`, quantity: 'volume', decimals: 2 },
            measured: ranL,
            modelled: front.hotL,
            uncertainty: front.hotL * FLOW_SHARE + (flowLMin / 60) * CLIMB_S,
            likely:
              ranL > front.hotL
                ? ['a run is longer or larger than entered', 'cold crossover']
                : ['pipes were still warm', 'a run is shorter or smaller than entered'],
          }
        : steadyC === null
          ? null
          : {
              figure: { label: `Steady hot water at ${tap.name}`, quantity: 'temperature' },
              measured: steadyC,
              modelled,
              uncertainty: CLIMB_K,
              likely:
                steadyC < modelled
                  ? ['thermostat below its marking', 'cold crossover at a mixer', 'a long bare or buried section']
                  : ['thermostat above its marking', 'the cylinder had just reheated'],
            },
      offers: front ? lengthOffer(front, ranL) : [],
    }
  },
})
