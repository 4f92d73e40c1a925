import { airAround } from '../../household/air-around'
import type { StoreHeaterSpec } from '../../study/heater-kinds'
import type { Site } from '../../study/site'
import type { Ledger } from '../account/ledger'
import { hoursOf } from '../weather/site-hours'
import { BoilerCoil } from './boiler-coil'
import { ElementHeater, GasStoreBurner } from './direct-heaters'
import { HeatPumpHeater } from './heat-pump'
import { PvElementHeater } from './pv-element'
import { SolarHeater } from './solar-collector'
import type { StoreHeater } from './store-heater'
import { WoodHeater } from './wood-coil'

/** The working of each kind of heater that heats a store. */
export function heaterOf(spec: StoreHeaterSpec, ledger: Ledger, site: Site): StoreHeater {
  switch (spec.kind) {
    case 'boiler-coil':
      return new BoilerCoil(spec, ledger, airAround(spec, 0, site.monthlyAirC))
    case 'gas-store':
      return new GasStoreBurner(spec, ledger)
    case 'element':
      return new ElementHeater(spec, ledger)
    case 'heat-pump':
      return new HeatPumpHeater(spec, ledger, hoursOf(site))
    case 'solar':
      return new SolarHeater(spec, ledger, hoursOf(site))
    case 'pv-element':
      return new PvElementHeater(spec, ledger, hoursOf(site))
    case 'wood-coil':
      return new WoodHeater(spec, ledger, site.firstWeekday)
  }
}
