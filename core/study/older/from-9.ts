import { type Doc, each, list, object } from './doc'

/** What parts of a document were called in version 9; `leastAirC` was two things and is told apart where it stands. */
const RENAMED: Record<string, string> = {
  habits: 'uses',
  habitIds: 'useIds',
  wantedC: 'requiredC',
  leastHotC: 'minHotInletC',
  wasteLimitL: 'deadLegLimitL',
  leastBoreMm: 'minBoreMm',
  turnsAt: 'returnConnectionRunId',
  papers: 'dataSource',
  hysteresisK: 'differentialK',
  bandK: 'restartDifferentialK',
  leastOutputKw: 'minOutputKw',
  leastFlowLMin: 'minActivationFlowLMin',
  mostInletC: 'maxInletC',
  disinfection: 'pasteurisation',
  windows: 'schedule',
  optical: 'eta0',
  lossLinear: 'a1',
  lossSquare: 'a2',
  incidence: 'iamB0',
  purgeWh: 'startLossWh',
  startLagS: 'startDelayS',
}
/** Texts that somebody typed: they stay as they are whatever they say. */
const TYPED = ['name', 'note', 'text', 'source', 'conditions', 'watchedBy', 'testedBy']
const KINDS: Record<string, string> = { 'heater-windows': 'heater-schedule', 'loop-windows': 'loop-schedule' }

const nowCalled = (names: Record<string, string>, then: string) => (Object.hasOwn(names, then) ? names[then] : then)

/** A part with what it and all in it is called by now. */
function renamed(value: unknown, air = 'minOperatingAirC'): unknown {
  if (value === 'not looked') return 'not checked'
  if (Array.isArray(value)) return value.map((x) => renamed(x, air))
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value).map(([key, held]) => [
      key === 'leastAirC' ? air : nowCalled(RENAMED, key),
      TYPED.includes(key) && typeof held === 'string' ? held : renamed(held, air),
    ]),
  )
}
const part = (value: unknown): Doc => object(renamed(value))

/** The names of what follows one of these are somebody's. */
const NAMES_FOLLOW = ['heaters', 'runs', 'taps', 'habits', 'persons', 'carriers']
/** A path by what its parts are called now. */
function path(old: string): string {
  const parts = old.split('.')
  return parts
    .map((p, i) =>
      i > 0 && NAMES_FOLLOW.includes(parts[i - 1])
        ? p
        : p === 'leastAirC'
          ? parts[0] === 'site'
            ? 'designAirC'
            : 'minOperatingAirC'
          : nowCalled(RENAMED, p),
    )
    .join('.')
}

/** Heaters are named by their ids, which may be anything. */
const controls = (of: unknown): unknown =>
  of === null || of === undefined
    ? of
    : { ...part({ ...object(of), heaters: undefined }), heaters: each(object(of).heaters, part) }

const withRelief = (store: unknown): unknown =>
  store ? { ...part(store), reliefKind: 'not checked', reliefBar: null } : store

/** Version 9 could not tell a T&P valve from one that opens by pressure alone, and many things had other names. */
export function from9(doc: Doc): Doc {
  const plant = object(doc.plant)
  const held = object(doc.controls)
  return {
    ...doc,
    version: 10,
    site: renamed(doc.site, 'designAirC'),
    people: renamed(doc.people),
    pipes: renamed(doc.pipes),
    plant: { ...plant, heaters: renamed(plant.heaters), store: withRelief(plant.store) },
    controls: {
      ...held,
      found: controls(held.found),
      set: controls(held.set),
      changes: list(held.changes).map((c) => ({
        ...c,
        path: typeof c.path === 'string' ? path(c.path) : c.path,
        from: renamed(c.from),
        to: renamed(c.to),
      })),
    },
    prices: doc.prices,
    packages: list(doc.packages).map((p) => ({
      ...p,
      measures: list(p.measures).map(({ partPrices, ...m }) => ({
        ...part(m),
        ...(typeof m.kind === 'string' ? { kind: nowCalled(KINDS, m.kind) } : {}),
        ...(m.store === undefined ? {} : { store: withRelief(m.store) }),
        partPrices,
      })),
    })),
    origins: Object.fromEntries(Object.entries(object(doc.origins)).map(([at, origin]) => [path(at), origin])),
  }
}
