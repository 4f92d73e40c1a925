import { WIDE_GAP } from '../heaters/house-heat'
import { RATED_AT } from '../heaters/radiator'
import { commandedName, controllerOf } from '../household/controllers'
import { designOutdoor, type HouseLoss, houseLoss } from '../household/heating/house-loss'
import {
  flowNeededOnColdest,
  flowOnColdest,
  ratedKw,
  type RoomOutput,
  roomOutputs,
} from '../household/heating/radiators'
import { LOOP_MODE_WORDS } from '../household/loop-mode-words'
import { flowText } from '../household/setting-words'
import { CIRCULATION, SPACE_HEATING } from '../study/commanded'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { type HeatingAnswer, heatingYear } from '../year/heating/heating-year'

/** The heating side as one page: loss, radiators, flow, and a year of them. */
export interface HeatingSide {
  outdoor: { c: number; assumed: boolean }
  loss: HouseLoss
  /** The two methods lie so far apart that it wants a reason. */
  wideGap: boolean
  ratedKw: number | null
  rooms: RoomOutput[]
  /** Flow on the coldest day as it is set, and the lowest that carries it, °C; null: not known. */
  flowC: number | null
  neededC: number | null
  year: HeatingAnswer
}

/** The heating side of a household; null: nobody has looked at it. */
export function heatingSide(study: Study): HeatingSide | null {
  const { heating } = study
  if (!heating) return null
  const loss = houseLoss(study, heating)
  const flowC = flowOnColdest(study, heating, controlsOf(study).heating.flow)
  return {
    outdoor: designOutdoor(study),
    loss,
    wideGap: loss.gap !== null && Math.abs(loss.gap) > WIDE_GAP,
    ratedKw: ratedKw(heating),
    rooms: roomOutputs(heating, flowC),
    flowC,
    neededC: flowNeededOnColdest(study, heating),
    year: heatingYear(study),
  }
}

/** What a thing controls, and what it stands at. */
export interface ControlsWhat {
  by: string
  controls: string
  value: string
}

/** Who controls what, from the room to the tap, with the values of today. */
export function whoControlsWhat(study: Study, write: Display): ControlsWhat[] {
  const { heating, plant, pipes } = study
  const set = controlsOf(study)
  const by = (of: string, usual: string) => controllerOf(study, of)?.name ?? usual
  const temperature = (c: number | null) => (c === null ? 'not read' : write.temperature(c))
  return [
    ...(heating
      ? [
          {
            by: heating.sensorIn
              ? `Room control in ${heating.radiators.find((r) => r.id === heating.sensorIn)!.name}`
              : 'Room control',
            controls: 'temperature of its own room, and whether heating runs',
            value:
              set.heating.comfortC === null && set.heating.economyC === null
                ? 'not read'
                : `${temperature(set.heating.comfortC)}, lowered ${temperature(set.heating.economyC)}`,
          },
          {
            by: by(SPACE_HEATING, 'Heating control of the appliance'),
            controls: 'temperature of the water in the radiators, not of the house',
            value: flowText(set.heating.flow, write),
          },
          ...heating.radiators
            .filter((r) => r.valve === 'thermostatic')
            .map((r) => ({
              by: `Radiator valve, ${r.name}`,
              controls: 'temperature of this room only',
              value: `${r.mark || 'not read'}${r.measuredC === null ? ', not measured' : `, measured ${write.temperature(r.measuredC)}`}`,
            })),
        ]
      : []),
    ...plant.heaters.filter(hasSetpoint).map((h) => ({
      by: by(h.id, `Control of ${h.name}`),
      controls: `hot water of ${commandedName(study, h.id)}, not the radiators`,
      value: write.temperature(set.heaters[h.id].setpointC),
    })),
    ...(pipes.loop
      ? [
          {
            by: by(CIRCULATION, 'Control of the circulation'),
            controls: 'whether hot water goes round, not how hot it is',
            value: LOOP_MODE_WORDS[set.loop.mode].name.toLowerCase(),
          },
        ]
      : []),
  ]
}

/** What radiators are rated at: flow, return and room. @example "75/65/20 °C" */
export function ratedAtText(write: Display): string {
  const [flow, back, room] = [RATED_AT.flowC, RATED_AT.returnC, RATED_AT.roomC].map((c) =>
    write.temperature(c).replace(/[.,]0\b/, ''),
  )
  const bare = (text: string) => text.replace(/[^\d]/g, '')
  return `${bare(flow)}/${bare(back)}/${room}`
}

/** A sentence for the household. */
export const FOR_HOUSEHOLD =
  'A room that is too cold wants its radiator valve or the room control; all rooms too cold want a hotter flow; water at the tap too cold wants the hot water setpoint. One of them does nothing for the others.'

/** The same for people, line by line. */
export function heatingSideText(study: Study, write: Display): string {
  const side = heatingSide(study)
  if (!side) return 'Heating side not checked.\n'
  const kw = (x: number | null) => (x === null ? 'not known' : write.figure('power', x, 1))
  const c = (x: number | null) => (x === null ? 'not known' : write.temperature(x))
  const { loss, year } = side
  const rows: [string, string][] = [
    [`Heat loss at ${c(side.outdoor.c)} outdoors${side.outdoor.assumed ? ' (assumed)' : ''}`, kw(loss.kw)],
    ['  as calculated', kw(loss.statedKw)],
    ['  by floor area', kw(loss.byAreaKw)],
    ['  by energy used', kw(loss.byUseKw)],
    [`Radiators at ${ratedAtText(write)}`, kw(side.ratedKw)],
    ['Flow on the coldest day, as set', c(side.flowC)],
    ['Flow that the coldest day needs', c(side.neededC)],
    ...('year' in year
      ? ([
          ['Heat to the rooms', write.energy(year.year.heatKwh)],
          ['Fuel', write.energy(year.year.fuelKwh)],
          ['Efficiency, gross', `${(100 * year.year.efficiency).toFixed(1)}%`],
          ['Heat made while condensing', `${Math.round(100 * year.year.condensingShare)}%`],
          ['Mean return', c(year.year.returnC)],
          ['Hours with heating', `${year.year.hours} h`],
          ['Hours on and off', year.year.cyclingHours === null ? 'not known' : `${year.year.cyclingHours} h`],
          [
            `Starts of the burner${year.year.circuit.assumed ? ' (water of the circuit assumed)' : ''}`,
            year.year.starts === null ? 'not known' : String(Math.round(year.year.starts)),
          ],
          ['Hours short of heat', `${year.year.shortHours} h`],
        ] as [string, string][])
      : ([['Missing for a year', year.missing.join(', ')]] as [string, string][])),
  ]
  return `${rows.map(([what, value]) => `${what.padEnd(46)} ${value}\n`).join('')}\n${whoControlsWhat(study, write)
    .map((w) => `${w.by}: ${w.controls}. ${w.value}\n`)
    .join('')}`
}
