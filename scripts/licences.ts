import { readFileSync } from 'node:fs'

/** Licences of what the app is made of and built with, off the lock file. */
interface Locked {
  version?: string
  license?: string
  dev?: boolean
}

/** Licences that ask for no more than their text, and those that ask to be named. */
const FREE =
  /^\(?(MIT|MIT-0|ISC|BSD(-[23]-Clause)?|0BSD|Apache-2\.0|Unlicense|CC0-1\.0|BlueOak-1\.0\.0|Python-2\.0|WTFPL)\b/
const NAMED: readonly [RegExp, string][] = [
  [/OFL-1\.1/, 'fonts, under the SIL Open Font License 1.1: named here, and sold by nobody on their own'],
  [/MPL-2\.0/, 'under the Mozilla Public License 2.0: used unchanged, its source is in its package'],
  [/CC-BY/, 'data under a Creative Commons Attribution licence: used unchanged'],
]

/** What an older package says of itself where the lock file has nothing: a list, of which the first counts. */
function inPackage(path: string): string {
  const { licenses } = JSON.parse(readFileSync(`${path}/package.json`, 'utf8')) as { licenses?: { type?: string }[] }
  return licenses?.[0]?.type ?? 'not said'
}

export function licences(): { name: string; version: string; licence: string }[] {
  const lock = JSON.parse(readFileSync('package-lock.json', 'utf8')) as { packages: Record<string, Locked> }
  return Object.entries(lock.packages)
    .filter(([path]) => path.includes('node_modules/'))
    .map(([path, p]) => ({
      name: path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length),
      version: p.version ?? '',
      licence: p.license ?? inPackage(path),
    }))
    .sort((a, b) => a.name.localeCompare(b.name) || a.version.localeCompare(b.version))
}

/** Packages whose licence is neither free of conditions nor among those that are met by naming. */
export const inDoubt = () =>
  licences().filter((p) => !FREE.test(p.licence) && !NAMED.some(([is]) => is.test(p.licence)))

/** The page that credits what asks for it and counts the rest. */
export function licencesPage(): string {
  const all = licences()
  const counts = new Map<string, number>()
  for (const { licence } of all) counts.set(licence, (counts.get(licence) ?? 0) + 1)
  const credits = NAMED.flatMap(([is, words]) => {
    const names = [...new Set(all.filter((p) => is.test(p.licence)).map((p) => p.name))]
    return names.length ? [`- ${names.map((n) => `\`${n}\``).join(', ')}: ${words}.`] : []
  })
  return `# Licences

Written by \`npm run docs\` from the lock file: ${all.length} packages that the app is made of and built with.

## Credits

${credits.join('\n')}

## All of them

| licence | packages |
|---|---|
${[...counts]
  .sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))
  .map(([licence, n]) => `| ${licence} | ${n} |`)
  .join('\n')}
`
}
