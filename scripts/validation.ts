import { HIDDEN_SEEDS, hiddenHouse } from '../proof/hidden-house'
import { REFERENCE_CASES } from '../proof/reference-cases'
import type { ReferenceCase } from '../proof/references/case'

const percent = (x: number) => `${(100 * x).toFixed(1)} %`.replace('-', '−')
const figures = (x: number) => Number(x.toPrecision(5)).toString()
const allowed = ({ within }: ReferenceCase) =>
  'share' in within ? `${figures(within.share * 100)} %` : `${figures(within.amount)}`

/** The page that holds every reference case against what Bagno makes of it. */
export function validationPage(): string {
  const rows = REFERENCE_CASES.map((c) => {
    const got = c.got()
    const off = 'share' in c.within ? `${(100 * (got / c.expected - 1)).toFixed(2)} %` : (got - c.expected).toFixed(3)
    return `| ${c.what} | ${c.source} | ${figures(c.expected)} ${c.unit} | ${figures(got)} ${c.unit} | ${off.replace('-', '−')} | ${allowed(c)} |`
  })
  const hidden = HIDDEN_SEEDS.map((seed) => {
    const { guess, adopted, fitted } = hiddenHouse(seed)
    return `| with noise ${seed} | ${percent(guess)} | ${percent(adopted)} | ${percent(fitted)} |`
  })
  return `# Validation

Written by \`npm run docs\` from the cases in \`proof/references/\`; the unit tests hold the same cases to the same
limits, and laws that must hold on any household (the ledger closes, more insulation never loses more, no temperature
outside its sources) are tried on random studies in \`tests/unit/laws.test.ts\`.

| case | source | expected | got | difference | allowed |
|---|---|---|---|---|---|
${rows.join('\n')}

## A house with hidden values

\`proof/hidden-house.ts\` makes a house up whose true lengths, losses, flows, efficiency, setpoint and cold main differ from
what a survey by eye wrote down. The engine runs it, instruments with noise read it, the readings are adopted one by one
and then fitted together, and the year of the corrected study is held against the true one. Noise: thermometers 0.1 to
0.4 K, flows 2 to 3 %, a watch 0.4 to 0.7 s, a meter 1 %. Allowed after fitting: 5 %.

| readings | energy of the survey | after adopting | after fitting |
|---|---|---|---|
${hidden.join('\n')}
`
}
