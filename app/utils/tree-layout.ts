import { pipeOf } from '~~/core/pipes/catalogue'
import { contentsPerMetre } from '~~/core/pipes/contents'
import type { Run, Tap } from '~~/core/study/pipes'

/** A run as it is drawn: from x to x + width on a row, as thick as its bore, so that its area is its contents. */
export interface DrawnRun {
  run: Run
  x: number
  width: number
  row: number
  /** Row of the run it leaves from. */
  fromRow: number
  thickness: number
  litres: number
}

export interface Tree {
  runs: DrawnRun[]
  /** `runRow`: where its run ends; a tap that shares a run hangs below the first. */
  taps: { tap: Tap; x: number; row: number; runRow: number }[]
  rows: number
  width: number
}

/** Thickness in pixels of a bore of a millimetre. */
const PX_PER_MM = 0.5

/** Lays the runs out left to right, a row for each end, at a scale that fits a width. */
export function layOut(runs: readonly Run[], taps: readonly Tap[], width: number): Tree {
  const children = (id: string | null) => runs.filter((r) => r.from === id)
  const reach = (id: string | null): number => Math.max(0, ...children(id).map((r) => r.lengthM + reach(r.id)))
  const scale = width / Math.max(1, reach(null))
  const drawn: DrawnRun[] = []
  const ends: Tree['taps'] = []
  let rows = 0

  const place = (run: Run, x: number, row: number, fromRow: number) => {
    const pipe = pipeOf(run.material, run.size)
    const w = run.lengthM * scale
    drawn.push({
      run,
      x,
      width: w,
      row,
      fromRow,
      thickness: Math.max(3, pipe.innerM * 1000 * PX_PER_MM),
      litres: contentsPerMetre(pipe) * run.lengthM,
    })
    const here = taps.filter((t) => t.runId === run.id)
    const next = children(run.id)
    here.forEach((tap, i) => {
      if (i > 0) rows++
      ends.push({ tap, x: x + w, row: i === 0 ? row : rows, runRow: row })
    })
    next.forEach((child, i) => {
      const onRow = i === 0 && here.length === 0 ? row : ++rows
      place(child, x + w, onRow, row)
    })
  }
  children(null).forEach((run, i) => place(run, 0, i === 0 ? 0 : ++rows, 0))
  return { runs: drawn, taps: ends, rows: rows + 1, width }
}
