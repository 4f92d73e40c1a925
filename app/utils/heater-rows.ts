import type { z } from 'zod'
import { FireCircuit } from '~~/core/study/fire'
import { BoilerCoil, DistrictHeat, Element, GasStoreBurner, HeatPump, InstantElectric, InstantGas, Reservoir, SolarCollector, UnderSink, WoodCoil, type HeaterKind } from '~~/core/study/plant'
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
}
const row = (path: string, label: string, schema: z.ZodType, quantity?: Quantity, unit?: string, optional?: boolean, decimals?: number): FigureRow => ({ path, label, schema, quantity, unit, optional, decimals })

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
const supply = [row('supplyAmps', 'Supply allows', e.supplyAmps, undefined, 'A', true), row('volts', 'Voltage', e.volts, undefined, 'V', true)]
const coil = [row('coil.bottom', 'Coil from height, 0 to 1', b.coil.shape.bottom), row('coil.top', 'Coil to height, 0 to 1', b.coil.shape.top)]
const sensor = row('sensorHeight', 'Own sensor at height, 0 to 1', e.sensorHeight, undefined, undefined, true)
const fire = [row('waterKw', 'Heat into the water', r.waterKw, 'power'), row('efficiency', 'Of the fuel put down to it, 0 to 1', r.efficiency)]
const small = [row('litres', 'Contents', u.litres, 'volume'), row('uaWK', 'Loss for each kelvin', u.uaWK, 'lossRate')]

export const HEATER_ROWS: Record<HeaterKind, FigureRow[]> = {
  'boiler-coil': [
    row('outputKw', 'Output', b.outputKw, 'power'),
    row('leastOutputKw', 'Least output', b.leastOutputKw, 'power'),
    row('purgeWh', 'Lost at each start', b.purgeWh, undefined, 'Wh'),
    row('startLagS', 'Start-up lag', b.startLagS, 'seconds'),
    row('standbyW', 'Electronics', b.standbyW, 'watts'),
    ...coil,
    row('coil.uaWK', 'Coil, heat for each kelvin', b.coil.shape.uaWK, 'lossRate'),
    row('primary.litres', 'Water between boiler and coil', b.primary.shape.litres, 'volume'),
    row('primary.uaWK', 'Loss of that circuit', b.primary.shape.uaWK, 'lossRate'),
    row('primary.flowLMin', 'Flow of that circuit', b.primary.shape.flowLMin, 'flow'),
    row('primary.flowMaxC', 'Hottest flow to the coil', b.primary.shape.flowMaxC, 'temperature'),
    row('primary.pumpW', 'Its pump', b.primary.shape.pumpW, 'watts'),
    sensor,
  ],
  'instant-gas': [...running(g), row('leastOutputKw', 'Least output', g.leastOutputKw, 'power'), row('purgeWh', 'Lost at each start', g.purgeWh, undefined, 'Wh')],
  'instant-electric': [...running(InstantElectric.shape), ...supply],
  'district-heat': running(DistrictHeat.shape),
  'gas-store': [
    row('outputKw', 'Output', s.outputKw, 'power'),
    row('pilotW', 'Pilot', s.pilotW, 'watts'),
    row('purgeWh', 'Lost at each start', s.purgeWh, undefined, 'Wh'),
    row('standbyW', 'Fan and electronics', s.standbyW, 'watts'),
    sensor,
  ],
  element: [row('powerKw', 'Power', e.powerKw, 'power'), row('height', 'Height in the store, 0 bottom to 1 top', e.height), sensor, ...supply],
  'heat-pump': [
    row('outputKw', 'Heat into the water', h.outputKw, 'power'),
    row('backupKw', 'Element that helps', h.backupKw, 'power'),
    row('leastAirC', 'Only the element below', h.leastAirC, 'temperature'),
    row('coil.bottom', 'Condenser from height, 0 to 1', h.coil.shape.bottom),
    row('coil.top', 'Condenser to height, 0 to 1', h.coil.shape.top),
    row('standbyW', 'Electronics', h.standbyW, 'watts'),
    sensor,
  ],
  solar: [
    row('areaM2', 'Area', c.areaM2, 'area'),
    row('tiltDeg', 'Tilt from level', c.tiltDeg, undefined, '°'),
    row('azimuthDeg', 'West of the noon sun', c.azimuthDeg, undefined, '°'),
    row('optical', 'Optical efficiency', c.optical),
    row('lossLinear', 'Loss a₁', c.lossLinear, undefined, 'W/m²K'),
    row('lossSquare', 'Loss a₂', c.lossSquare, undefined, 'W/m²K²'),
    row('incidence', 'Incidence modifier b₀', c.incidence),
    row('flowLMin', 'Flow', c.flowLMin, 'flow'),
    row('pumpW', 'Its pump', c.pumpW, 'watts'),
    ...coil,
    row('coil.uaWK', 'Coil, heat for each kelvin', c.coil.shape.uaWK, 'lossRate'),
    row('storeLimitC', 'Loads the store up to', c.storeLimitC, 'temperature'),
  ],
  'wood-coil': [
    ...fire,
    row('coil.bottom', 'Heat enters the store from, 0 to 1', WoodCoil.shape.coil.shape.bottom),
    row('coil.top', 'to height, 0 to 1', WoodCoil.shape.coil.shape.top),
    row('circuit.heightM', 'Store above the fire, centres', f.heightM, 'length'),
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
