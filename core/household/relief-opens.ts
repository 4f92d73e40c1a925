import type { Store } from '../study/store'

/** Hottest that water of a store is followed to, °C: above it steam presses open a valve that feels pressure alone. */
const STEAM_C = 99

/** Temperature that a relief valve keeps a store below, °C; null: it opens by pressure alone. */
export const reliefLimitC = (store: Pick<Store, 'reliefKind' | 'reliefC'>): number | null =>
  store.reliefKind === 'pressure only' ? null : store.reliefC

/** Temperature at which the relief valve of a store discharges, °C; one that opens by pressure alone does so at boiling. */
export const reliefOpensC = (store: Pick<Store, 'reliefKind' | 'reliefC'>): number => reliefLimitC(store) ?? STEAM_C
