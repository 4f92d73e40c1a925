import { edited } from '../../study/edited'
import { freshId } from '../../study/fresh-id'
import { forget } from '../../study/measures'
import type { Run } from '../../study/pipes'
import type { Study } from '../../study/study'
import { below, outline } from '../outline'

const inOutline = (runs: readonly Run[]) => outline(runs).map((r) => r.run)

/**
 * The runs with one of them, and all that hangs on it, moved to stand in the outline at a place and a depth. The depth is
 * brought to one that exists there: at most one deeper than the row above, and the first row always leaves the plant.
 * @param place index among the rows that are left when the moved ones are taken out
 */
export function moveRun(runs: readonly Run[], id: string, place: number, depth: number): Run[] {
  const moved = below(runs, id)
  const rows = outline(runs)
  const rest = rows.filter((r) => !moved.has(r.run.id))
  const own = rows.filter((r) => moved.has(r.run.id)).map((r) => r.run)
  if (own.length === 0 || rest.length === 0) return [...runs]
  const at = Math.max(0, Math.min(rest.length, place))
  const most = at === 0 ? 0 : rest[at - 1].depth + 1
  const want = Math.max(0, Math.min(depth, most))
  let from: string | null = null
  for (let i = at - 1; i >= 0 && want > 0; i--)
    if (rest[i].depth === want - 1) {
      from = rest[i].run.id
      break
    }
  const next = [
    ...rest.slice(0, at).map((r) => r.run),
    { ...own[0], from },
    ...own.slice(1),
    ...rest.slice(at).map((r) => r.run),
  ]
  return inOutline(next)
}

/** Places that hide a run: nobody gets at it to wrap it. */
const HIDDEN: readonly Run['place'][] = ['slab', 'ground']

/** Says where a run passes; one that goes into a slab or the ground cannot be reached any more. */
export function passThrough(run: Run, place: Run['place']): void {
  run.place = place
  if (HIDDEN.includes(place)) run.reachable = false
}

/** One place up or down among the rows, or one level in or out. */
export type Nudge = 'up' | 'down' | 'in' | 'out'

export function nudgeRun(runs: readonly Run[], id: string, way: Nudge): Run[] {
  const rows = outline(runs)
  const moved = below(runs, id)
  const rest = rows.filter((r) => !moved.has(r.run.id))
  const index = rows.findIndex((r) => r.run.id === id)
  const { depth } = rows[index]
  const place = rest.filter((r) => rows.indexOf(r) < index).length
  if (way === 'in') return moveRun(runs, id, place, depth + 1)
  if (way === 'out') {
    // Behind its sisters, so that they keep hanging where they hang.
    const next = rest.slice(place).findIndex((r) => r.depth < depth)
    return depth === 0 ? [...runs] : moveRun(runs, id, next < 0 ? rest.length : place + next, depth - 1)
  }
  if (way === 'up') return place === 0 ? [...runs] : moveRun(runs, id, place - 1, rest[place - 1].depth)
  return place >= rest.length ? [...runs] : moveRun(runs, id, place + 1, rest[place].depth)
}

/** A new run that leaves the end of another, of the same pipe and in the same place, with a length to be typed over. */
export function addRun(study: Study, from: string | null): { study: Study; id: string } {
  const like = study.pipes.runs.find((r) => r.id === from) ?? study.pipes.runs[0]
  const id = freshId('run', study.pipes.runs)
  const run: Run = { ...like, id, name: 'New run', from, lengthM: 3, insulation: null, reachable: true }
  return { study: edited(study, ({ pipes }) => void (pipes.runs = inOutline([...study.pipes.runs, run]))), id }
}

/** Why a run cannot be taken out, or null. */
export function keepsRun(study: Study, id: string): string | null {
  const { runs, taps, loop } = study.pipes
  if (runs.length === 1) return 'the last run cannot be removed'
  if (taps.some((t) => t.runId === id)) return 'an outlet is connected to it'
  if (loop?.returnConnectionRunId === id) return 'the return connects at its end'
  return null
}

/** The study without a run; what left it leaves from where it left, and measures forget it. */
export function removeRun(study: Study, id: string): Study {
  if (keepsRun(study, id) !== null) return study
  const gone = study.pipes.runs.find((r) => r.id === id)
  if (!gone) return study
  return edited(study, ({ pipes, packages }) => {
    pipes.runs = inOutline(
      study.pipes.runs.filter((r) => r.id !== id).map((r) => (r.from === id ? { ...r, from: gone.from } : r)),
    )
    forget(packages, 'runs', (x) => x === id)
  })
}
