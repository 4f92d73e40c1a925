import { KJ_PER_LITRE_K } from '../../water/properties'
import type { Ledger } from '../account/ledger'
import type { LayeredStore } from '../stores/layered-store'

/**
 * A relief valve that senses the top of a store: it opens at its setting and lets go what heats the water above it, as hot
 * water that cold takes the place of. Heat that leaves is just what stood above the setting, so that no more is let go than was
 * put in beyond it; the litres are that heat over what each of them carries out. A real valve reseats some kelvin lower and
 * passes the same heat in bursts.
 */
export function relieve(store: LayeredStore, reliefC: number, mainsC: number, ledger: Ledger): void {
  if (store.topC <= reliefC) return
  const kj = store.capAt(reliefC)
  ledger.add('relief', kj)
  ledger.water('relief', kj / (KJ_PER_LITRE_K * Math.max(1, reliefC - mainsC)))
}
