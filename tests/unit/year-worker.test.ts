import { join } from 'node:path'
import { build } from 'esbuild'
import { expect, it } from 'vitest'

const root = join(import.meta.dirname, '../..')

it('the year that every screen waits for comes without the schema, and what follows it apart', async () => {
  const { metafile } = await build({
    entryPoints: [join(root, 'app/workers/year.worker.ts')],
    bundle: true,
    splitting: true,
    format: 'esm',
    minify: true,
    write: false,
    metafile: true,
    outdir: 'never-written',
    absWorkingDir: root,
    alias: { '~~': root },
    logLevel: 'silent',
  })
  const chunks = Object.values(metafile.outputs)
  const first = chunks.find((o) => o.entryPoint?.endsWith('year.worker.ts'))!
  const statics = new Set<string>()
  const follow = (file: string) => {
    for (const i of metafile.outputs[file]!.imports)
      if (i.kind === 'import-statement' && !statics.has(i.path)) {
        statics.add(i.path)
        follow(i.path)
      }
  }
  const name = Object.keys(metafile.outputs).find((k) => metafile.outputs[k] === first)!
  statics.add(name)
  follow(name)
  const inputs = [...statics].flatMap((file) => Object.keys(metafile.outputs[file]!.inputs))
  expect(inputs).toContain('core/year/simulate.ts')
  expect(inputs.filter((i) => i.includes('node_modules/zod') || i.startsWith('core/findings/'))).toEqual([])
  expect([...statics].reduce((sum, file) => sum + metafile.outputs[file]!.bytes, 0)).toBeLessThan(150_000)
})
