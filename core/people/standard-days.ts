/**
 * Standard tapping cycles: [minute of the day, kWh of useful heat].
 * Source: EU regulation 814/2013. Totals: S 2.100, M 5.845, L 11.655, XL 19.07 kWh.
 */
export const STANDARD_DAYS = {
  S: cycle([
    [0.105, '07:00 07:30 08:30 09:30 11:30 11:45 18:00 18:15'],
    [0.315, '12:45'],
    [0.42, '20:30'],
    [0.525, '21:30'],
  ]),
  M: cycle([
    [1.4, '07:05 21:30'],
    [0.315, '12:45'],
    [0.735, '20:30'],
    [
      0.105,
      '07:00 07:30 08:01 08:15 08:30 08:45 09:00 09:30 10:30 11:30 11:45 14:30 15:30 16:30 18:00 18:15 18:30 19:00 21:15',
    ],
  ]),
  L: cycle([
    [1.4, '07:05'],
    [3.605, '08:05 21:00'],
    [0.315, '12:45'],
    [0.735, '20:30'],
    [
      0.105,
      '07:00 07:30 07:45 08:25 08:30 08:45 09:00 09:30 10:30 11:30 11:45 14:30 15:30 16:30 18:00 18:15 18:30 19:00 21:30',
    ],
  ]),
  XL: cycle([
    [1.82, '07:15'],
    [4.42, '07:45 20:46 21:30'],
    [0.735, '12:45 20:30'],
    [
      0.105,
      '07:00 07:26 08:01 08:15 08:30 08:45 09:00 09:30 10:00 10:30 11:00 11:30 11:45 14:30 15:00 15:30 16:00 16:30 17:00 18:00 18:15 18:30 19:00 21:15',
    ],
  ]),
} as const

export type StandardDay = keyof typeof STANDARD_DAYS

function cycle(rows: readonly (readonly [number, string])[]): readonly (readonly [number, number])[] {
  const draws = rows.flatMap(([kwh, times]) =>
    times.split(' ').map((t) => [Number(t.slice(0, 2)) * 60 + Number(t.slice(3)), kwh] as const),
  )
  return draws.sort((a, b) => a[0] - b[0])
}
