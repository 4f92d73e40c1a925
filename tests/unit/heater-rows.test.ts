import { describe, expect, it } from 'vitest'
import type { z } from 'zod'
import { HEATER_ROWS } from '../../app/utils/heater-rows'
import { HEATER_KINDS } from '../../core/heaters/kinds'
import { assumedHeater } from '../../core/household/defaults/assumed-heaters'
import { valueAt } from '../../core/study/paths'
import { Heater } from '../../core/study/plant'

/** Paths of every number in a kind's schema, lists and choices left out. */
function numbersOf(schema: z.ZodObject, at = ''): string[] {
  return Object.entries(
    schema.shape as Record<string, z.ZodType & { shape?: unknown; unwrap?: () => z.ZodType }>,
  ).flatMap(([key, field]) =>
    field.shape
      ? numbersOf(field as unknown as z.ZodObject, `${at}${key}.`)
      : 'minValue' in (field.unwrap?.() ?? field)
        ? [`${at}${key}`]
        : [],
  )
}

describe('the form of a heater', () => {
  it.each(HEATER_KINDS)('asks for every figure that a %s has, each once and by a name of its own', (kind) => {
    const shape = Heater.options.find((o) => o.shape.kind.value === kind) as unknown as z.ZodObject
    const rows = HEATER_ROWS[kind]
    expect(rows.map((r) => r.path).sort()).toEqual(numbersOf(shape).sort())
    expect(new Set(rows.map((r) => r.label)).size).toBe(rows.length)
    const heater = assumedHeater(kind, 'one', 'heated', 'tap', 200)
    for (const row of rows) expect(row.schema.safeParse(valueAt(heater, row.path)).success, row.path).toBe(true)
    // What may be left blank: nobody has to know the air around it, a sensor or a most that no paper gives.
    expect(rows.filter((r) => r.optional).map((r) => r.path)).toEqual(
      ['minAirC', 'maxInletC', 'ambientC', 'sensorHeight'].filter((path) => rows.some((r) => r.path === path)),
    )
  })
})
