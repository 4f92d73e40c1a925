/** Whoever has begun to ask and sends nothing for so long is not waited for, ms. */
export const SILENCE_MS = 10_000
