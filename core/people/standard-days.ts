/** A draw of a standard day. */
export interface StandardDraw {
  minute: number
  kwh: number
  /** Flow of hot water, nothing mixed in, L/min. */
  flowLMin: number
  /** Counts as useful from this temperature on, °C, and must come to the peak where one is given. */
  fromC: number
  peakC: number | null
}

type Taking = readonly [flowLMin: number, fromC: number, peakC: number | null]
const SMALL: Taking = [3, 25, null]
const FLOOR: Taking = [3, 10, 40]
const SHOWER: Taking = [6, 40, null]
const SINK: Taking = [4, 10, 55]
const BATH: Taking = [10, 10, 40]

/**
 * Standard tapping cycles. Source: EU regulation 814/2013, annex III, table 1: time, useful heat, flow, temperature from
 * which it counts and peak. Totals: XXS and S 2.100, M 5.845, L 11.655, XL 19.07, XXL 24.53, 3XL 46.76 kWh.
 */
export const STANDARD_DAYS = {
  XXS: cycle([
    [
      0.105,
      [2, 25, null],
      '07:00 07:30 08:30 09:30 11:30 11:45 12:00 12:30 12:45 18:00 18:15 18:30 19:00 19:30 20:00 20:30 20:45 21:00 21:15 21:30',
    ],
  ]),
  S: cycle([
    [0.105, SMALL, '07:00 07:30 08:30 09:30 11:30 11:45 18:00 18:15'],
    [0.315, SINK, '12:45'],
    [0.42, SINK, '20:30'],
    [0.525, [5, 45, null], '21:30'],
  ]),
  M: cycle([
    [1.4, SHOWER, '07:05 21:30'],
    [0.315, SINK, '12:45'],
    [0.735, SINK, '20:30'],
    [0.105, FLOOR, '10:30'],
    [
      0.105,
      SMALL,
      '07:00 07:30 08:01 08:15 08:30 08:45 09:00 09:30 11:30 11:45 14:30 15:30 16:30 18:00 18:15 18:30 19:00 21:15',
    ],
  ]),
  L: cycle([
    [1.4, SHOWER, '07:05'],
    [3.605, BATH, '08:05 21:00'],
    [0.315, SINK, '12:45'],
    [0.735, SINK, '20:30'],
    [0.105, FLOOR, '10:30'],
    [
      0.105,
      SMALL,
      '07:00 07:30 07:45 08:25 08:30 08:45 09:00 09:30 11:30 11:45 14:30 15:30 16:30 18:00 18:15 18:30 19:00 21:30',
    ],
  ]),
  XL: cycle([
    [1.82, SHOWER, '07:15'],
    [4.42, BATH, '07:45 20:46 21:30'],
    [0.735, SINK, '12:45 20:30'],
    [0.105, FLOOR, '10:30'],
    [
      0.105,
      SMALL,
      '07:00 07:26 08:01 08:15 08:30 08:45 09:00 09:30 10:00 11:00 11:30 11:45 14:30 15:00 15:30 16:00 16:30 17:00 18:00 18:15 18:30 19:00 21:15',
    ],
  ]),
  XXL: cycle([
    [1.82, SHOWER, '07:15'],
    [6.24, [16, 10, 40], '07:45 20:46 21:30'],
    [0.735, SINK, '12:45 20:30'],
    [0.105, FLOOR, '10:30'],
    [
      0.105,
      SMALL,
      '07:00 07:26 08:01 08:15 08:30 08:45 09:00 09:30 10:00 11:00 11:30 11:45 14:30 15:00 15:30 16:00 16:30 17:00 18:00 18:15 18:30 19:00 21:15',
    ],
  ]),
  '3XL': cycle([
    [11.2, [48, 40, null], '07:00'],
    [5.04, [24, 25, null], '08:01'],
    [1.68, [24, 25, null], '09:00 11:45'],
    [0.84, [24, 10, 40], '10:30'],
    [2.52, [32, 10, 55], '12:45'],
    [2.52, [24, 25, null], '15:30'],
    [3.36, [24, 25, null], '18:30'],
    [5.88, [32, 10, 55], '20:30'],
    [12.04, [48, 40, null], '21:30'],
  ]),
} as const

export type StandardDay = keyof typeof STANDARD_DAYS

/** Useful heat of a standard day, kWh. */
export const standardKwh = (day: StandardDay): number => STANDARD_DAYS[day].reduce((sum, d) => sum + d.kwh, 0)

function cycle(rows: readonly (readonly [kwh: number, taking: Taking, times: string])[]): readonly StandardDraw[] {
  const draws = rows.flatMap(([kwh, [flowLMin, fromC, peakC], times]) =>
    times.split(' ').map((t): StandardDraw => ({
      minute: Number(t.slice(0, 2)) * 60 + Number(t.slice(3)),
      kwh,
      flowLMin,
      fromC,
      peakC,
    })),
  )
  return draws.sort((a, b) => a.minute - b.minute)
}
