import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bagno as run } from '../../cli/program'
import { hillTown } from '../../core/demos/hill-town'
import { DEMOS } from '../../core/demos/index'
import { mountainRefuge } from '../../core/demos/mountain-refuge'
import { readStudyText, writeStudy } from '../../core/study/read'
import { inWordsOf } from '../../core/words/dialect'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'
import { METRIC_UNITS, NEVER_SAY, ours, US_UNITS } from '../never-say'

const folder = mkdtempSync(join(tmpdir(), 'bagno-cli-'))
const [main] = DEMOS
const file = join(folder, 'house.bagno.json')
const bagno = async (...args: string[]) => {
  const { stderr, ...answer } = await run(args)
  return { ...answer, stderr: stderr.trimEnd() }
}
beforeAll(() => writeFileSync(file, writeStudy(main.study)))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

describe('the command line', () => {
  it('is started by its script, and answers there as it does here', async () => {
    const started = (...args: string[]) =>
      spawnSync(process.execPath, ['scripts/bagno.mjs', ...args], { encoding: 'utf8', maxBuffer: 1 << 26 })
    expect(started('findings', file, '--json')).toMatchObject(await run(['findings', file, '--json']))
    expect(started('forecast')).toMatchObject({ status: 2, stdout: '' })
  })

  it('tells ranges of a package, in a table and as figures, and refuses what it has not', async () => {
    const { study } = DEMOS[1]
    const pack = study.packages[0]
    const flat = join(folder, 'flat.json')
    writeFileSync(flat, writeStudy(study))
    const few = ['ranges', flat, '--package', pack.name, '--samples', '8']
    const { saving, year, next, samples } = JSON.parse((await bagno(...few, '--json')).stdout)
    expect(samples).toBe(8)
    expect(saving.p10).toBeLessThan(saving.p50)
    expect(saving.p50).toBeLessThan(saving.p90)
    expect(year.cost.p10).toBeLessThan(year.cost.p90)
    for (const { reading, narrowsBy } of next) {
      expect(reading === null || typeof reading === 'string').toBe(true)
      expect(narrowsBy).toBeGreaterThan(0)
    }
    expect((await bagno(...few)).stdout).toMatch(/8 samples.*1 in 10 below.*median.*1 in 10 above[\s\S]*: saving/)
    for (const [wrong, why] of [
      [['--package', 'none such'], new RegExp(pack.name)],
      [['--samples', '7'], /--samples: accepts whole numbers from 8 to 1024/],
      [['--seed', '1.5'], /--seed: accepts whole numbers/],
    ] as const) {
      const { status, stderr } = await bagno('ranges', flat, ...wrong)
      expect([status, stderr]).toEqual([2, expect.stringMatching(why)])
    }
  })

  it('gives the same check objects in findings, board, compare and size', async () => {
    const FIELDS = ['id', 'subject', 'concern', 'level', 'figures', 'sentence', 'remedy', 'blocks']
    const json = async (...args: string[]) => JSON.parse((await bagno(...args, file, '--json')).stdout)
    const findings = (await json('findings')) as { parts: Record<string, unknown>[] }[]
    const board = (await json('setpoint-checks')) as { checks: Record<string, unknown>[] }
    const compare = await json('compare')
    const size = await json('size')
    const lists = {
      findings,
      parts: findings.flatMap((f) => f.parts),
      board: board.checks,
      brought: compare.packages.flatMap((p: { brought: unknown[] }) => p.brought),
      measures: compare.packages.flatMap((p: { measures: { checks: unknown[] }[] }) =>
        p.measures.flatMap((m) => m.checks),
      ),
      there: size.there.flatMap((x: { checks: unknown[] }) => x.checks),
      instead: size.instead.flatMap((x: { checks: unknown[] }) => x.checks),
    }
    for (const [name, list] of Object.entries(lists))
      for (const c of list as Record<string, unknown>[])
        expect(Object.keys(c), name).toEqual(expect.arrayContaining(FIELDS))
    for (const name of ['parts', 'board', 'measures', 'there', 'instead'] as const)
      expect(lists[name].length, name).toBeGreaterThan(0)
    // The one and the other are the same object.
    for (const c of board.checks.filter((x) => x.level !== 'pass')) expect(lists.parts).toContainEqual(c)
  })

  it.each(DEMOS.flatMap(({ study }) => (['metric', 'us'] as const).map((units) => [study.id, units, study] as const)))(
    'prints %s in %s units in the words of the trade',
    async (id, units, study) => {
      const as = { ...study, units }
      const there = join(folder, `${id}-${units}.bagno.json`)
      writeFileSync(there, writeStudy(as))
      for (const command of ['simulate', 'findings', 'setpoint-checks', 'size'])
        for (const line of (await bagno(command, there)).stdout.split('\n').map((l) => ours(as, l))) {
          expect(line, command).not.toMatch(NEVER_SAY)
          expect(line, command).not.toMatch(units === 'us' ? METRIC_UNITS : US_UNITS)
          if (units === 'us') expect(inWordsOf('us', line), command).toBe(line)
        }
    },
  )

  it('lists the demos and prints one that reads back as it is', async () => {
    const list = (await bagno('demo')).stdout
    for (const { study } of DEMOS) expect(list).toContain(study.id)
    expect(readStudyText((await bagno('demo', 'duplex')).stdout)).toEqual({ ok: true, value: DEMOS[2].study })
  })

  it('simulates with every field of the result, the same bytes twice but for the time it took', async () => {
    const [a, b] = [await bagno('simulate', file, '--json'), await bagno('simulate', file, '--json')].map((r) =>
      JSON.parse(r.stdout),
    )
    for (const key of [
      'usefulKwh',
      'deadLegKwh',
      'toWasteKwh',
      'loopKwh',
      'storeKwh',
      'primaryKwh',
      'conversionKwh',
      'reliefKwh',
      'storedChangeKwh',
      'recoveredKwh',
      'renewableKwh',
      'ambientKwh',
      'residualKwh',
    ])
      expect(typeof a.energy[key], key).toBe('number')
    expect(Object.keys(a.cost)).toEqual(expect.arrayContaining(['energy', 'standing', 'water', 'total']))
    expect(Object.keys(a.water)).toEqual(['hotL', 'mixedL', 'toWasteL', 'reliefL', 'warmColdL'])
    expect(Object.keys(a.comfort)).toEqual(expect.arrayContaining(['waitMedianS', 'waitP90S', 'unmetDraws', 'draws']))
    expect(a.months).toHaveLength(12)
    expect(a.seed).toBe(main.study.people.seed)
    const { elapsedMs, ...figures } = a
    expect(elapsedMs).toBeGreaterThan(0)
    expect({ ...b, elapsedMs: 0 }).toEqual({ ...figures, elapsedMs: 0 })
    expect(figures).toEqual(JSON.parse(JSON.stringify(simulate(main.study))))
  })

  it('prints tables a person can read, with no figure that is none', async () => {
    for (const { study } of DEMOS) {
      const path = join(folder, `${study.id}.json`)
      writeFileSync(path, writeStudy(study))
      const table = (await bagno('simulate', path)).stdout
      expect(table).toContain(study.name)
      expect(table).toMatch(study.prices.currency === 'USD' ? /\$\d/ : /€\d/)
      expect(table).not.toMatch(/NaN|undefined|null/)
    }
    expect((await bagno('compare', file)).stdout).toMatch(/stand-alone saving.*last-in saving/)
    const limited = made('limited.json', writeStudy(changed(hillTown, (s) => void (s.pipes.energyLimitKwh = 100))))
    expect((await bagno('compare', limited)).stdout).toMatch(/Fail: Purchased energy .*; limit 100 kWh/)
    expect((await bagno('findings', file)).stdout).toMatch(/Circulation loss exceeds useful heat/)
    const refuge = made('refuge.json', writeStudy(mountainRefuge))
    expect((await bagno('findings', refuge)).stdout).toMatch(
      /cannot be completed:\n(- .*\n)*- Relief valve and its discharge\n/,
    )
  })

  it.each([
    ['a missing file', () => join(folder, 'none.json'), /cannot be read/],
    [
      'random bytes',
      () => made('bytes.json', String.fromCharCode(...Array.from({ length: 400 }, (_, i) => (i * 37) % 250))),
      /not JSON/,
    ],
    ['another kind of file', () => made('other.json', '{"format": "something"}'), /not a Bagno study/],
    [
      'a newer study',
      () => made('newer.json', '{"format": "bagno-study", "version": 77}'),
      /newer Bagno \(version 77\)/,
    ],
    [
      'an unsound study',
      () => made('bad.json', writeStudy(main.study).replace('"setpointC": 65', '"setpointC": 650')),
      /controls › found › heaters › boiler › setpointC: must be 85 or less/,
    ],
    ['a file of 50 MB', () => made('huge.json', 'a'.repeat(50 * 1024 * 1024)), /at most 32 MB/],
  ])('refuses %s in one line with exit 2', async (_, path, reason) => {
    for (const command of ['validate', 'simulate', 'compare', 'findings']) {
      const r = await bagno(command, path())
      expect([r.status, r.stdout]).toEqual([2, ''])
      expect(r.stderr).toMatch(reason)
      expect(r.stderr.split('\n')).toHaveLength(1)
      if (command === 'validate') continue
      break
    }
  })

  it('refuses what it does not know', async () => {
    expect(await bagno('demo', 'no-such')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/there are hill-town, harbour-flat, duplex/),
    })
    expect((await bagno('forecast')).status).toBe(2)
  })
})

function made(name: string, text: string): string {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}
