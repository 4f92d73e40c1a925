import { REFERENCE_CASES, type ReferenceCase } from '../tests/reference-cases'

const figures = (x: number) => Number(x.toPrecision(5)).toString()
const allowed = ({ within }: ReferenceCase) => ('share' in within ? `${figures(within.share * 100)} %` : `${figures(within.amount)}`)

/** The page that holds every reference case against what Bagno makes of it. */
export function validationPage(): string {
  const rows = REFERENCE_CASES.map((c) => {
    const got = c.got()
    const off = 'share' in c.within ? `${(100 * (got / c.expected - 1)).toFixed(2)} %` : (got - c.expected).toFixed(3)
    return `| ${c.what} | ${c.source} | ${figures(c.expected)} ${c.unit} | ${figures(got)} ${c.unit} | ${off.replace('-', '−')} | ${allowed(c)} |`
  })
  return `# Validation

Written by \`npm run docs\` from the cases in \`tests/reference-cases.ts\`; the unit tests hold the same cases to the same
limits, and laws that must hold on any household (the ledger closes, more insulation never loses more, no temperature
outside its sources) are tried on random studies in \`tests/unit/laws.test.ts\`.

| case | source | expected | got | difference | allowed |
|---|---|---|---|---|---|
${rows.join('\n')}
`
}
