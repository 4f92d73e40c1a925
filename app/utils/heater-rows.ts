import type { z } from 'zod'
import { FireCircuit } from '~~/core/study/fire'
import type { HeaterKind } from '~~/core/heaters/kinds'
import {
  BoilerCoil,
  DistrictHeat,
  Element,
  GasStoreBurner,
  HeatPump,
  InstantElectric,
  InstantGas,
  Reservoir,
  SolarCollector,
  UnderSink,
  WoodCoil,
} from '~~/core/study/plant'
import type { Quantity } from '~~/core/units/quantities'

/** A figure of a heater: where it stands in it, what it is called, what it accepts. */
export interface FigureRow {
  path: string
  label: string
  schema: z.ZodType
  quantity?: Quantity
  unit?: string
  optional?: boolean
  decimals?: number
  /** What a word of the trade means, in a line. */
  help?: string
}
const row = (
  path: string,
  label: string,
  schema: z.ZodType,
  quantity?: Quantity,
  unit?: string,
  optional?: boolean,
  decimals?: number,
): FigureRow => ({ path, label, schema, quantity, unit, optional, decimals })
const helped = (help: string, r: FigureRow): FigureRow => ({ ...r, help })
const HEIGHTS = '0 is the bottom of the store, 1 its top'

const b = BoilerCoil.shape
const g = InstantGas.shape
const s = GasStoreBurner.shape
const e = Element.shape
const h = HeatPump.shape
const c = SolarCollector.shape
const u = UnderSink.shape
const r = Reservoir.shape
const f = FireCircuit.shape
const running = (shape: typeof g | typeof InstantElectric.shape | typeof DistrictHeat.shape) => [
  row('outputKw', 'Output', shape.outputKw, 'power'),
  row('leastFlowLMin', 'Least flow to fire', shape.leastFlowLMin, 'flow'),
  row('startLagS', 'Start-up lag', shape.startLagS, 'seconds'),
  row('contentL', 'Water in the exchanger', shape.contentL, 'volume'),
  row('contentUaWK', 'Loss of the exchanger', shape.contentUaWK, 'lossRate'),
  row('standbyW', 'Electronics', shape.standbyW, 'watts'),
]
const supply = [
  row('supplyAmps', 'Supply allows', e.supplyAmps, undefined, 'A', true),
  row('volts', 'Voltage', e.volts, undefined, 'V', true),
]
const coil = [
  helped(HEIGHTS, row('coil.bottom', 'Coil begins at height', b.coil.shape.bottom)),
  helped(HEIGHTS, row('coil.top', 'Coil ends at height', b.coil.shape.top)),
]
const sensor = helped(
  '0 bottom to 1 top; empty: the store’s',
  row('sensorHeight', 'Its own sensor at height', e.sensorHeight, undefined, undefined, true),
)
const purge = (schema: z.ZodType) =>
  helped('fuel’s heat swept out before it lights', row('purgeWh', 'Lost at each start', schema, undefined, 'Wh'))
const fire = [
  row('waterKw', 'Heat into the water', r.waterKw, 'power'),
  helped('of net calorific value, 0 to 1', row('efficiency', 'Of the wood’s heat it gets', r.efficiency)),
]
const small = [row('litres', 'Contents', u.litres, 'volume'), row('uaWK', 'Loss for each degree', u.uaWK, 'lossRate')]

export const HEATER_ROWS: Record<HeaterKind, FigureRow[]> = {
  'boiler-coil': [
    row('outputKw', 'Output', b.outputKw, 'power'),
    row('leastOutputKw', 'Least output', b.leastOutputKw, 'power'),
    purge(b.purgeWh),
    row('startLagS', 'Start-up lag', b.startLagS, 'seconds'),
    row('standbyW', 'Electronics', b.standbyW, 'watts'),
    ...coil,
    row('coil.uaWK', 'Coil passes for each degree', b.coil.shape.uaWK, 'lossRate'),
    row('primary.litres', 'Water between boiler and coil', b.primary.shape.litres, 'volume'),
    row('primary.uaWK', 'Loss of that circuit', b.primary.shape.uaWK, 'lossRate'),
    row('primary.flowLMin', 'Flow of that circuit', b.primary.shape.flowLMin, 'flow'),
    row('primary.flowMaxC', 'Hottest flow to the coil', b.primary.shape.flowMaxC, 'temperature'),
    row('primary.pumpW', 'Its pump', b.primary.shape.pumpW, 'watts'),
    helped(
      'after a charge; its heat goes to the store instead of the air',
      row('primary.overrunS', 'Pump runs on for', b.primary.shape.overrunS, 'seconds'),
    ),
    helped(
      'below its hottest flow, when it had to go out',
      row('primary.bandK', 'Burner lights again', b.primary.shape.bandK, 'rise'),
    ),
    sensor,
  ],
  'instant-gas': [
    ...running(g),
    row('leastOutputKw', 'Least output', g.leastOutputKw, 'power'),
    purge(g.purgeWh),
    helped('0 where it lights itself', row('pilotW', 'Pilot flame', g.pilotW, 'watts')),
  ],
  'instant-electric': [...running(InstantElectric.shape), ...supply],
  'district-heat': running(DistrictHeat.shape),
  'gas-store': [
    row('outputKw', 'Output', s.outputKw, 'power'),
    helped('0 where it lights itself', row('pilotW', 'Pilot flame', s.pilotW, 'watts')),
    purge(s.purgeWh),
    row('standbyW', 'Fan and electronics', s.standbyW, 'watts'),
    sensor,
  ],
  element: [
    row('powerKw', 'Power', e.powerKw, 'power'),
    helped(HEIGHTS, row('height', 'Sits at height', e.height)),
    sensor,
    ...supply,
  ],
  'heat-pump': [
    row('outputKw', 'Heat into the water', h.outputKw, 'power'),
    helped('0 where there is none', row('backupKw', 'Element beside it', h.backupKw, 'power')),
    row('leastAirC', 'Only the element below', h.leastAirC, 'temperature'),
    helped(HEIGHTS, row('coil.bottom', 'Condenser begins at height', h.coil.shape.bottom)),
    helped(HEIGHTS, row('coil.top', 'Condenser ends at height', h.coil.shape.top)),
    row('standbyW', 'Electronics', h.standbyW, 'watts'),
    sensor,
  ],
  solar: [
    row('areaM2', 'Area', c.areaM2, 'area'),
    row('tiltDeg', 'Tilt from level', c.tiltDeg, undefined, '°'),
    helped(
      '0 faces the noon sun, 90 the evening, −90 the morning',
      row('azimuthDeg', 'Turned from the noon sun', c.azimuthDeg, undefined, '°'),
    ),
    helped('η₀ of its certificate: share of the light it takes', row('optical', 'Optical efficiency', c.optical)),
    helped('a₁ of its certificate', row('lossLinear', 'Loss for each degree', c.lossLinear, 'collectorLoss')),
    helped(
      'a₂ of its certificate',
      row('lossSquare', 'Loss that grows with heat', c.lossSquare, 'collectorLossSquare'),
    ),
    helped('b₀: what slanting light loses more', row('incidence', 'Incidence modifier', c.incidence)),
    row('flowLMin', 'Flow', c.flowLMin, 'flow'),
    row('pumpW', 'Its pump', c.pumpW, 'watts'),
    ...coil,
    row('coil.uaWK', 'Coil passes for each degree', c.coil.shape.uaWK, 'lossRate'),
    row('storeLimitC', 'Loads the store up to', c.storeLimitC, 'temperature'),
  ],
  'wood-coil': [
    ...fire,
    helped(HEIGHTS, row('coil.bottom', 'Heat enters from height', WoodCoil.shape.coil.shape.bottom)),
    helped(HEIGHTS, row('coil.top', 'Heat enters up to height', WoodCoil.shape.coil.shape.top)),
    helped(
      'between the middles of store and fire',
      row('circuit.heightM', 'Store above the fire', f.heightM, 'length'),
    ),
    row('circuit.lengthM', 'Pipe, there and back', f.lengthM, 'length'),
    row('circuit.horizontalM', 'of which level', f.horizontalM, 'length'),
    row('circuit.boreMm', 'Bore', f.boreMm, 'thickness', undefined, false, 2),
    row('circuit.fittingsM', 'Fittings, as pipe', f.fittingsM, 'length'),
    row('circuit.portsApartM', 'Between the ports', f.portsApartM, 'length'),
  ],
  'under-sink': [...small, row('powerKw', 'Power', u.powerKw, 'power'), ...supply],
  reservoir: [...small, ...fire],
}

/** Flow of the pump between a fire and its store. */
export const FLOW_OF_PUMP = f.pump.unwrap().shape.flowLMin
