import { hillTown } from '../core/demos/hill-town'
import { foam, run } from '../core/household/defaults/build'
import { tapNotChecked } from '../core/household/defaults/not-checked'
import type { Reading } from '../core/study/readings'
import type { Study } from '../core/study/study'

/** The tall house grown to 25 runs, 14 taps and a log of 40 readings: what a large visit leaves behind. */
export function largeHouse(): Study {
  const study = structuredClone(hillTown)
  study.id = 'large-house'
  study.name = 'Guest house above the mill'
  study.packages = []
  const floors = ['ground', 'first', 'top', 'attic']
  for (const [f, from] of ['riser-ground', 'riser-first', 'riser-top', 'riser-top'].entries()) {
    const branch = `wing-${f}`
    study.pipes.runs.push(
      run(branch, `East wing, ${floors[f]} floor`, from, ['copper-en', '22', 4 + f], 'heated', f % 2 ? foam(9) : null),
    )
    const ends: [string, string, number][] =
      f === 3
        ? [['basin', '12', 3.5]]
        : [
            ['shower', '15', 2 + f],
            ['basin', '12', 3.5],
          ]
    for (const [kind, size, lengthM] of ends) {
      const id = `${branch}-${kind}`
      study.pipes.runs.push(
        run(
          id,
          `To the ${kind}, room ${f + 1}`,
          branch,
          ['copper-en', size, lengthM],
          f === 0 ? 'slab' : 'heated',
          null,
          f !== 0,
        ),
      )
      study.pipes.taps.push({
        id,
        name: `${kind === 'shower' ? 'Shower' : 'Basin'}, room ${f + 1}`,
        runId: id,
        kind: kind as 'shower' | 'basin',
        flowLMin: kind === 'shower' ? 8 : 4.5,
        mixes: true,
        drains: true,
        ...tapNotChecked(),
      })
    }
  }
  for (const n of [1, 2, 3])
    study.pipes.runs.push(run(`spur-${n}`, `Dead spur ${n}`, 'first-branch', ['copper-en', '15', n * 0.8], 'heated'))
  study.pipes.deadLegLimitL = 0.5
  const reading = (i: number): Reading => {
    const tap = study.pipes.taps[i % study.pipes.taps.length]
    const kinds: [Reading['kind'], Reading['values'], string | null][] = [
      [
        'bucket',
        {
          volumeL: 8,
          seconds: Math.round((480 / tap.flowLMin) * (1 + ((i % 5) - 2) / 60)),
          water: 'mixed',
          taps: 'alone',
        },
        tap.id,
      ],
      ['time-to-hot', { seconds: 20 + 3 * (i % 9), flowLMin: tap.flowLMin, hotC: 40 }, tap.id],
      ['tap-temperature', { hotC: 58 - (i % 6), where: 'far' }, tap.id],
      ['loop', { supplyC: 63 + (i % 3) / 2, returnC: 55 + (i % 4) / 2, pumpLMin: 4 }, null],
      ['event', { event: 'topped up' }, null],
    ]
    const [kind, values, where] = kinds[i % kinds.length]
    const day = 1 + Math.floor(i / 8)
    return {
      id: `reading-${i + 1}`,
      takenAt: `2026-03-0${day}T${String(8 + (i % 8)).padStart(2, '0')}:15:00.000Z`,
      kind,
      sum: null,
      where,
      values,
      note: i % 7 === 0 ? 'taken with the window open' : '',
      photo: null,
      adopted: null,
    }
  }
  study.readings = Array.from({ length: 40 }, (_, i) => reading(i))
  return study
}
