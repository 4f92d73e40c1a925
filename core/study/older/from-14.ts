import type { Doc } from './doc'

const list = (value: unknown): Doc[] => (Array.isArray(value) ? (value as Doc[]) : [])

/** Version 14 knew no bills, nothing of days away, no mark on a picture, and no steps of a flow temperature. */
export const from14 = (doc: Doc): Doc => {
  const [handover, verification, heating] = [doc.handover, doc.verification, doc.heating] as (Doc | null | undefined)[]
  return {
    ...doc,
    version: 15,
    handover: { ...handover, leaveAlone: list(handover?.leaveAlone).map((l) => ({ ...l, at: null })) },
    verification: {
      ...verification,
      meters: list(verification?.meters).map((m) => ({ ...m, others: null })),
      bills: [],
      away: [],
    },
    heating: heating ? { ...heating, steps: null } : heating,
  }
}
