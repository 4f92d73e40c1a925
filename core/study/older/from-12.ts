import { type Doc, list, object } from './doc'

const CONTROLLER = 'controller-1'

const override = (o: unknown): unknown => ({ ...object(o), weekly: false })

const control = (c: unknown): unknown => ({ ...object(c), overrides: list(object(c).overrides).map(override) })

const controls = (was: unknown): unknown => {
  if (!was) return was
  const { clock, grid: _, ...rest } = object(was)
  return {
    ...rest,
    heating: { ...object(rest.heating), flow: null, limitKw: null, comfortC: null, economyC: null },
    heaters: Object.fromEntries(Object.entries(object(rest.heaters)).map(([id, c]) => [id, control(c)])),
    clocks: { [CONTROLLER]: { ...object(clock), daysAhead: 0 } },
  }
}

const loop = (l: unknown): unknown => (l ? { ...object(l), pumpIs: 'not checked', returnValve: 'not checked' } : l)
const store = (s: unknown): unknown => (s ? { ...object(s), madeYear: null } : s)

const measure = (was: unknown): unknown => {
  const m = object(was)
  if (m.kind === 'heat-source')
    return { ...m, store: store(m.store), control: m.control ? control(m.control) : m.control }
  if (m.kind === 'lay-loop') return { ...m, loop: loop(m.loop) }
  return m.kind === 'heater-control' && object(m.control).overrides ? { ...m, control: control(m.control) } : m
}

const change = (was: unknown): unknown => {
  const c: Doc = { ...object(was), shows: '' }
  const path = String(c.path)
  if (path.startsWith('clock.')) return { ...c, path: `clocks.${CONTROLLER}.${path.slice(6)}` }
  if (!path.endsWith('.overrides')) return c
  return { ...c, from: list(c.from).map(override), to: list(c.to).map(override) }
}

/**
 * Version 12 had one controller without a name, which commanded everything there was; no boost came back by itself; nothing was
 * asked of the heating side, of settings that no list has, and of whether water is drunk.
 */
export const from12 = (doc: Doc): Doc => {
  const was = object(doc.controls)
  const pipes = object(doc.pipes)
  const plant = object(doc.plant)
  const { grid } = object(was.set ?? was.found)
  const heaters = Object.keys(object(object(was.found).heaters))
  const heats = [was.found, was.set].some((c) => c && object(object(c).heating).heaterId !== null)
  return {
    ...doc,
    version: 13,
    heating: null,
    site: { ...object(doc.site), potable: null },
    pipes: {
      ...pipes,
      loop: loop(pipes.loop),
      taps: list(pipes.taps).map((t) => ({ ...t, drunk: null })),
    },
    plant: { ...plant, store: store(plant.store) },
    controllers: [
      {
        id: CONTROLLER,
        name: 'Controller',
        commands: [...heaters, ...(pipes.loop ? ['hot water circulation'] : []), ...(heats ? ['space heating'] : [])],
        panel: 'not checked',
        grid,
        unused: 'not checked',
        timeoutS: null,
        range: null,
        lockAboveC: null,
        unlocking: '',
        changedBy: '',
        account: '',
        batteryOn: null,
        ratingA: null,
        permitted: null,
        dial: null,
        note: '',
      },
    ],
    controls: {
      ...was,
      found: controls(was.found),
      set: controls(was.set),
      own: [],
      factory: {},
      changes: list(was.changes).map(change),
      readBack: list(was.readBack).map((r) => {
        const { heaterId, ...rest } = object(r)
        return { of: heaterId ?? 'hot water circulation', ...rest }
      }),
    },
    packages: list(doc.packages).map((p) => ({ ...p, measures: list(p.measures).map(measure) })),
  }
}
