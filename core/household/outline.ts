import type { Run } from '../study/pipes'

/** A run in the outline of the tree, and how deep it lies: 0 leaves the plant. */
export interface OutlineRow {
  run: Run
  depth: number
}

/** The tree as an outline: each run followed by what leaves it, in the order they were written down. */
export function outline(runs: readonly Run[]): OutlineRow[] {
  const out: OutlineRow[] = []
  const add = (from: string | null, depth: number) => {
    for (const run of runs)
      if (run.from === from) {
        out.push({ run, depth })
        add(run.id, depth + 1)
      }
  }
  add(null, 0)
  return out
}

/** Ids of a run and of all that hangs on it. */
export function below(runs: readonly Run[], id: string): Set<string> {
  const out = new Set([id])
  for (const { run } of outline(runs)) if (run.from !== null && out.has(run.from)) out.add(run.id)
  return out
}
