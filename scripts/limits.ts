import { type Limit, type Range, SAFETY } from '../core/safety/limits'
import { display } from '../core/units/display'

const write = display('metric', 'EUR', 'kwh')
const one = (quantity: Limit['quantity'], value: number) =>
  quantity === 'days' || quantity === 'number' ? String(value) : write.figure(quantity, value)

/** The page of every limit that Bagno judges safety by. */
export function limitsPage(): string {
  const rows = (Object.values(SAFETY) as (Limit | Limit<Range>)[]).map(({ name, value, quantity, source }) => {
    const figure =
      typeof value === 'number' ? one(quantity, value) : `${one(quantity, value.low)} and ${one(quantity, value.high)}`
    return `| ${name} | ${figure}${quantity === 'days' ? ' days' : ''} | ${source} |`
  })
  return `# Limits of safety

Written by \`npm run docs\` from \`core/safety/limits.ts\`, where each stands once. Local codes go before them.

| limit | figure | source |
|---|---|---|
${rows.join('\n')}
`
}
