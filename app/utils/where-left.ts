/** What somebody last looked at, kept in the browser where it gives room; without it the app begins as for anybody. */

const STAGE = 'bagno-stage '
const FOLDS = 'bagno-folds'

function read(key: string): string | null {
  try {
    return localStorage.getItem(key)
  } catch {
    return null
  }
}
function write(key: string, text: string): void {
  try {
    localStorage.setItem(key, text)
  } catch {
    // It is a convenience; nothing of the work is in it.
  }
}

/** The stage at which a household was left; Survey for one that was never opened. */
export const stageLeft = (studyId: string): string => read(STAGE + studyId) ?? 'survey'
export const keepStage = (studyId: string, stage: string): void => write(STAGE + studyId, stage)

/** For which stages the line of water was opened or folded by hand. */
export function foldsKept(): Record<string, boolean> {
  try {
    const kept: unknown = JSON.parse(read(FOLDS) ?? '{}')
    return typeof kept === 'object' && kept !== null ? (kept as Record<string, boolean>) : {}
  } catch {
    return {}
  }
}
export const keepFolds = (folds: Record<string, boolean>): void => write(FOLDS, JSON.stringify(folds))
