import { type Doc, list, object } from './doc'

/** Heaters that a thermostat holds, and of them those that heat water as it runs. */
const HELD_4 = ['boiler-coil', 'gas-store', 'element', 'heat-pump', 'under-sink']
export const RUNNING_4 = ['instant-gas', 'instant-electric', 'district-heat']
/** Most characters of a note. */
const NOTE_4 = 4000

/** What could be read of a supply while its other half was not: kept in words. */
function supply4(h: Doc): Doc {
  if (!('supplyAmps' in h) && !('volts' in h)) return h
  const { supplyAmps, volts, ...rest } = h
  if (supplyAmps !== null && volts !== null) return { ...rest, supply: { amps: supplyAmps, volts } }
  const said =
    typeof supplyAmps === 'number'
      ? `Supply allows ${supplyAmps} A; its voltage was not read.`
      : typeof volts === 'number'
        ? `Supply of ${volts} V; what it allows was not read.`
        : ''
  const note = [rest.note, said].filter(Boolean).join(' ')
  return { ...rest, supply: null, note: note.length > NOTE_4 ? rest.note : note }
}

/** Where what was written down in two fields of version 4 stands in one. */
const MOVED_4: readonly [RegExp, string][] = [
  [/^(plant\.heaters\.[^.]+)\.(?:supplyAmps|volts)$/, '$1.supply'],
  [/^(plant\.heaters\.[^.]+)\.(?:plateInputKw|plateOn)$/, '$1.plate'],
  [/^plant\.store\.(?:mixingValve|mixesToC)$/, 'plant.store.mixing'],
  [/^pipes\.loop\.(?:returnHeight|bypass.*)$/, 'pipes.loop.returns'],
]

/**
 * Version 4 could say what cannot be: a valve that is not there and what it mixes to, half a supply, a height for a return
 * that is none, a thermostat on the sun, keep-hot on a store.
 */
export function from4(doc: Doc): Doc {
  const plant = object(doc.plant)
  const pipes = object(doc.pipes)
  const controls = object(doc.controls)
  const heaters = list(plant.heaters)
  const kindOf = new Map(heaters.map((h) => [h.id, String(h.kind)]))
  const isHeld = (id: unknown) => !kindOf.has(id) || [...HELD_4, ...RUNNING_4].includes(kindOf.get(id)!)
  const controlled = (c: unknown) =>
    c
      ? {
          ...object(c),
          heaters: Object.fromEntries(
            Object.entries(object(object(c).heaters))
              .filter(([id]) => isHeld(id))
              .map(([id, control]) => {
                const { keepHot, ...held } = object(control)
                return [id, RUNNING_4.includes(kindOf.get(id) ?? '') ? { ...held, keepHot } : held]
              }),
          ),
        }
      : c
  const heater = (h: Doc): Doc => {
    const { plateInputKw, plateOn, ...rest } = supply4(h)
    return { ...rest, plate: typeof plateInputKw === 'number' ? { inputKw: plateInputKw, on: plateOn } : null }
  }
  const { mixingValve, mixesToC, ...store } = object(plant.store)
  const mixes = typeof mixesToC === 'number' || mixingValve === true
  const mixing = mixes ? { mixesToC: mixesToC ?? null } : mixingValve === false ? 'none' : 'not looked'
  const { returnHeight, bypass, ...loop } = object(pipes.loop)
  const returns = bypass
    ? { by: 'cold line', closesAtC: object(bypass).closesAtC }
    : { by: 'own pipe', height: returnHeight }
  return {
    ...doc,
    version: 5,
    plant: { ...plant, heaters: heaters.map(heater), store: plant.store ? { ...store, mixing } : plant.store },
    pipes: { ...pipes, loop: pipes.loop ? { ...loop, returns } : pipes.loop },
    controls: { ...controls, found: controlled(controls.found), set: controlled(controls.set) },
    packages: list(doc.packages).map((p) => ({
      ...p,
      // What was proposed for a thermostat that is not there changed nothing.
      measures: list(p.measures).filter((m) => !('heaterId' in m) || isHeld(m.heaterId)),
    })),
    origins: Object.fromEntries(
      Object.entries(object(doc.origins))
        .filter(([path]) => !path.startsWith('controls.found.heaters.') || isHeld(path.split('.')[3]))
        .map(([path, origin]) => [MOVED_4.reduce((at, [from, to]) => at.replace(from, to), path), origin]),
    ),
  }
}
