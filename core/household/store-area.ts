import type { Store } from '../study/store'

/** Surface of a store, taken as an upright cylinder of its contents and height, m². */
export function storeArea({ litres, heightM }: Pick<Store, 'litres' | 'heightM'>): number {
  const radiusM = Math.sqrt(litres / 1000 / (Math.PI * heightM))
  return 2 * Math.PI * radiusM * (heightM + radiusM)
}
