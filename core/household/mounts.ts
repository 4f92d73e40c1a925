import type { MOUNTS } from '../study/pipes'

/** How a heat recovery unit is mounted, as it is said. */
export const MOUNT_WORDS: Record<(typeof MOUNTS)[number], string> = { upright: 'vertical', flat: 'horizontal' }
