/** How the figures of a package come about, for whoever has to defend them: figure, formula, source. */
export const FORMULAS: readonly { figure: string; formula: string; source: string }[] = [
  {
    figure: 'Annual cost',
    formula: 'purchased energy of each carrier × its price in that hour + standing charges + hot water × its price',
    source: 'annual simulation, step by step; energy balance closed in every month',
  },
  {
    figure: 'Saving',
    formula: 'year without − year with the measures, on the same draw-offs and weather; less is positive',
    source: 'two annual simulations',
  },
  {
    figure: 'In this order',
    formula: 'saving of a measure after those before it; these add up to the package',
    source: 'annual simulations measure by measure',
  },
  { figure: 'Simple payback', formula: '(cost − grants) ÷ saving a year', source: 'definition' },
  {
    figure: 'Net present value',
    formula:
      'Σ saving × ((1 + growth) ÷ (1 + discount))^year − cost − upkeep − renewals + what is left of the last life',
    source: 'NIST Handbook 135, modified uniform present worth',
  },
  {
    figure: 'Cost of saved energy',
    formula: '((cost − grants) × capital recovery factor + upkeep) ÷ energy saved a year',
    source: 'NIST Handbook 135',
  },
  {
    figure: 'Range',
    formula: '1 in 10 samples below, median, 1 in 10 above; each doubted figure varied within its usual doubt',
    source: 'Latin hypercube, McKay, Beckman and Conover, Technometrics 21, 1979',
  },
]
