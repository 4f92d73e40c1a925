import { readFileSync } from 'node:fs'
import fc from 'fast-check'

/** Documents that nobody would send in good faith: files of every version with a part of them replaced, doubled or gone. */

const FILES = [
  'study-v2',
  ...['hill-town', 'duplex', 'forest-farm', 'harbour-flat'].flatMap((d) => [`study-v3-${d}`, `study-v4-${d}`]),
].map((name) => readFileSync(`tests/fixtures/${name}.json`, 'utf8'))

/** Stands for a list nested so deep that recursion would end. */
const NESTED = 'nested deep'
const DEPTH = 20_000

const poison: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    [],
    {},
    '',
    'x',
    -1,
    1e308,
    0.5,
    [null],
    [[]],
    [{}],
    { kind: 'x' },
    { version: 5 },
  ),
  fc.constantFrom('constructor', '__proto__', 'toString', 'hasOwnProperty', 'prototype'),
  fc.constant(NESTED),
  fc.constant('ä'.repeat(100_000)),
  fc.jsonValue({ maxDepth: 3 }),
)

type Doc = Record<string, unknown> | unknown[]
/** Paths of everything in a document, the way in given as keys. */
function pathsOf(doc: unknown, at: string[] = []): string[][] {
  if (typeof doc !== 'object' || doc === null) return [at]
  return [at, ...Object.entries(doc).flatMap(([key, value]) => pathsOf(value, [...at, key]))]
}

/** A document with something else at a path; without it when there is nothing to put there. */
function withAt(doc: unknown, path: string[], value: unknown): unknown {
  if (path.length === 0) return value
  const copy = structuredClone(doc) as Doc
  let at = copy as Record<string, unknown>
  for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>
  const last = path[path.length - 1]
  if (value === undefined) delete at[last]
  else Object.defineProperty(at, last, { value, enumerable: true, configurable: true, writable: true })
  return copy
}

/** A hostile document as text. */
export const hostileDocument: fc.Arbitrary<string> = fc
  .record({
    file: fc.constantFrom(...FILES),
    version: fc.option(fc.constantFrom<unknown>(1, 2, 3, 4, 5, 6, '4', null, -1, 1e9, { version: 4 })),
    changes: fc.array(fc.record({ where: fc.nat(), high: fc.boolean(), what: fc.option(poison, { nil: undefined }) }), {
      minLength: 1,
      maxLength: 4,
    }),
    cut: fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { freq: 10 }),
  })
  .map(({ file, version, changes, cut }) => {
    let doc: unknown = JSON.parse(file)
    if (version !== null) doc = withAt(doc, ['version'], version)
    for (const { where, high, what } of changes) {
      // Near the top there are few places and the worst to hit.
      const paths = pathsOf(doc).filter((path) => !high || path.length <= 3)
      doc = withAt(doc, paths[where % paths.length], what)
    }
    const text = (JSON.stringify(doc) ?? '').replace(`"${NESTED}"`, '['.repeat(DEPTH) + ']'.repeat(DEPTH))
    return cut === null ? text : text.slice(0, Math.floor(cut * text.length))
  })

/** Others: whatever JSON, whatever text. */
export const anyText: fc.Arbitrary<string> = fc.oneof(fc.string({ maxLength: 200 }), fc.json(), hostileDocument)
