import type { Material } from '../../pipes/catalogue'
import type { Run, Tap } from '../../study/pipes'
import type { Study } from '../../study/study'
import { foam, run } from '../defaults/build'
import { DEFAULT_LOOP, defaultReturns } from '../defaults/loop'
import { pipeNotChecked, tapNotChecked } from '../defaults/not-checked'
import { QUICK_FIXTURES, type QuickAnswers, type QuickFixture } from './answers'

type Pipe = readonly [Material, string]
/** Pipe that is met most, by what is written there: trunk, run, small run. */
const PIPE: Record<Study['units'], { trunk: Pipe; branch: Pipe; small: Pipe; own: Pipe; ownSmall: Pipe }> = {
  metric: {
    trunk: ['copper-en', '22'],
    branch: ['copper-en', '15'],
    small: ['copper-en', '12'],
    own: ['pex-en', '16x2'],
    ownSmall: ['pex-en', '12x2'],
  },
  us: {
    trunk: ['copper-l', '3/4'],
    branch: ['copper-l', '1/2'],
    small: ['copper-l', '1/2'],
    own: ['pex-cts', '1/2'],
    ownSmall: ['pex-cts', '3/8'],
  },
}

/** A fixture that nobody has looked at: usual flow, L/min, and whether it drains as it fills. */
const FIXTURES: Record<QuickFixture, Pick<Tap, 'flowLMin' | 'mixes' | 'drains'> & { name: string }> = {
  shower: { name: 'Shower', flowLMin: 8, mixes: true, drains: true },
  bath: { name: 'Bath', flowLMin: 12, mixes: true, drains: false },
  basin: { name: 'Basin', flowLMin: 5, mixes: true, drains: true },
  kitchen: { name: 'Kitchen sink', flowLMin: 6, mixes: true, drains: false },
  machine: { name: 'Machine on hot water', flowLMin: 6, mixes: false, drains: false },
}

/** The nearest outlet stands at this share of the way to the farthest. */
const NEAREST = 0.45
/** A trunk, by layout, as a share of the way to the farthest outlet; with circulation in two parts. */
const TRUNK = { branches: 0.4, manifold: 0.08, circulation: [0.45, 0.4] } as const
/** Foam found on a trunk, and on one with a return, mm. */
const ON_TRUNK_MM = 9
const ON_LOOP_MM = 13
const LEAST_RUN_M = 0.5
const round = (m: number) => Math.max(LEAST_RUN_M, Math.round(m * 10) / 10)

/** The outlets as they are counted, bathrooms farthest, each with its share of the way. */
function outlets(fixtures: QuickAnswers['fixtures']) {
  const most = Math.max(...QUICK_FIXTURES.map((f) => fixtures[f]))
  // One bathroom after the other, then kitchen and machines.
  const order: { kind: QuickFixture; n: number }[] = []
  for (const kinds of [
    ['shower', 'bath', 'basin'],
    ['kitchen', 'machine'],
  ] as const)
    for (let n = 1; n <= most; n++) for (const kind of kinds) if (n <= fixtures[kind]) order.push({ kind, n })
  return order.map(({ kind, n }, i) => ({
    id: fixtures[kind] > 1 ? `${kind}-${n}` : kind,
    name: `${FIXTURES[kind].name}${fixtures[kind] > 1 ? ` ${n}` : ''}`,
    kind,
    share: order.length < 2 ? 1 : 1 - ((1 - NEAREST) * i) / (order.length - 1),
  }))
}

/** Runs, outlets and circulation of the answers: believable, nothing of it looked at. */
export function quickPipes(
  { fixtures, farthestM, layout }: QuickAnswers,
  units: Study['units'],
): Pick<Study['pipes'], 'runs' | 'taps' | 'loop'> {
  const pipe = PIPE[units]
  const ends = outlets(fixtures)
  const runs: Run[] = []
  const taps = ends.map(({ id, name, kind }): Tap => {
    const { name: _name, ...of } = FIXTURES[kind]
    return { id, name, runId: `to-${id}`, kind, ...of, ...tapNotChecked() }
  })
  const to = ({ id, name }: (typeof ends)[number], from: string, [material, size]: Pipe, lengthM: number) =>
    run(`to-${id}`, `To ${name}`, from, [material, size, round(lengthM)], 'heated')
  const trunk = (id: string, name: string, from: string | null, lengthM: number, mm: number) =>
    run(id, name, from, [...pipe.trunk, round(lengthM)], 'heated', foam(mm))
  if (layout === 'circulation') {
    const [first, rest] = TRUNK.circulation.map((share) => share * farthestM)
    runs.push(trunk('trunk', 'Trunk', null, first, ON_LOOP_MM))
    runs.push(trunk('trunk-far', 'Far part of the trunk', 'trunk', rest, ON_LOOP_MM))
    for (const end of ends) {
      const near = end.share * farthestM < first + rest
      const small = end.kind === 'basin' ? pipe.small : pipe.branch
      runs.push(
        near
          ? to(end, 'trunk', small, end.share * farthestM - first)
          : to(end, 'trunk-far', small, end.share * farthestM - first - rest),
      )
    }
    return {
      runs,
      taps,
      loop: {
        returnConnectionRunId: 'trunk-far',
        back: {
          material: pipe.branch[0],
          size: pipe.branch[1],
          lengthM: round(first + rest),
          place: 'heated',
          insulation: foam(ON_LOOP_MM),
          reachable: true,
          ...pipeNotChecked(),
        },
        returns: defaultReturns('own pipe'),
        ...DEFAULT_LOOP,
      },
    }
  }
  const stem = TRUNK[layout] * farthestM
  runs.push(trunk('trunk', layout === 'manifold' ? 'To the manifold' : 'Trunk', null, stem, ON_TRUNK_MM))
  for (const end of ends) {
    const own = layout === 'manifold' ? [pipe.own, pipe.ownSmall] : [pipe.branch, pipe.small]
    runs.push(to(end, 'trunk', end.kind === 'basin' ? own[1] : own[0], end.share * farthestM - stem))
  }
  return { runs, taps, loop: null }
}
