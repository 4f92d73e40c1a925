/**
 * Which folder may know which. The core's folders stand in one order, the story of a visit; each knows those before it and
 * none after. docs/architecture.md draws it.
 */
const PURE_PACKAGES =
  '^node_modules/(zod|simple-statistics|immer|pure-rand|ml-levenberg-marquardt|ml-matrix|papaparse|@types/papaparse|ical.js|timezones-ical-library|jstat|fast-xml-parser|d3-sankey|@types/d3-sankey)/'

/** The tiers in order: the folders, what belongs there, and who in the same tier may know whom. */
const TRADE = [
  'words',
  'units',
  'calendar',
  'water',
  'air',
  'climate',
  'pipes',
  'stores',
  'heaters',
  'people',
  'instruments',
  'recovery',
  'safety',
  'money',
]
const TIERS = [
  {
    name: 'trade',
    folders: TRADE,
    holds:
      'What the trade knows: laws, tables, limits. Numbers in, numbers out; no study and no schema. What reads a study belongs in household/ or later.',
  },
  {
    name: 'schema',
    folders: ['schema'],
    holds: 'What any schema says of its fields, and its faults in words. The schema of a study is in study/.',
  },
  {
    name: 'study',
    folders: ['study'],
    holds:
      'What is written down: schema, references, reading and migration. A rule on a household belongs in household/; what a year makes of it in year/.',
  },
  {
    name: 'calculators',
    folders: ['calculators'],
    holds: 'Calculators know the trade, not the study. What reads a study belongs in readings/.',
    not: ['study'],
  },
  {
    name: 'household',
    folders: ['household'],
    holds: 'What a study says at rest, and sound changes to it. What follows draws through time belongs in year/.',
  },
  {
    name: 'procedures',
    folders: ['procedures'],
    holds:
      'How a thing is done by hand, step by step, for appliances of any make. What a household is told of it is in checks/.',
  },
  {
    name: 'year',
    folders: ['year'],
    holds: 'What a year makes of a household. A judgement on it belongs in checks/, a change in measures/.',
  },
  { name: 'measures', folders: ['measures'], holds: 'What could be done. Whether it should be is judged in checks/.' },
  { name: 'readings', folders: ['readings'], holds: 'What is read on a visit, and what it corrects.' },
  {
    name: 'checks',
    folders: ['checks'],
    holds: 'Every judgement on a household, each once, with its figures, limits and words. Who shows it is in views/.',
  },
  {
    name: 'verification',
    folders: ['verification'],
    holds:
      'What meters and weather say of a saving afterwards. What it was promised to be is in scenarios/ and views/.',
  },
  { name: 'scenarios', folders: ['scenarios'], holds: 'What is tried before it is set.' },
  {
    name: 'views',
    folders: ['views'],
    holds:
      'What is shown of the checks: they choose, order and compare, and hold no rule, limit or sentence of their own.',
    not: ['safety'],
  },
  {
    name: 'papers',
    folders: ['papers'],
    holds: 'What is handed over, as files that open by themselves. They arrange what views and household say.',
    not: ['safety'],
  },
  {
    name: 'demos',
    folders: ['demos'],
    holds: 'Invented households. What all households begin with belongs in household/defaults/.',
  },
]
const path = (folders) => `^core/(${folders.join('|')})/`

const order = TIERS.map((tier, i) => ({
  name: `core-order-${tier.name}`,
  comment: tier.holds,
  severity: 'error',
  from: { path: path(tier.folders) },
  to: { path: path([...TIERS.slice(i + 1).flatMap((t) => t.folders), ...(tier.not ?? [])]) },
}))

module.exports = {
  forbidden: [
    ...order,
    {
      name: 'core-trade-has-no-schema',
      comment: 'A law takes numbers and plain types. Its schema belongs in study/, a calculator’s in calculators/.',
      severity: 'error',
      from: { path: path(TRADE) },
      to: { path: '^node_modules/zod/' },
    },
    {
      name: 'core-is-pure',
      comment:
        'The core imports itself and the few packages it needs, pure themselves: no Vue, Nuxt, DOM helpers or Node modules.',
      severity: 'error',
      from: { path: '^core/' },
      to: { pathNot: ['^core/', PURE_PACKAGES] },
    },
    {
      name: 'core-folder-unknown',
      comment:
        'Every folder of the core has its place in the order at the head of this file: give a new one its place there.',
      severity: 'error',
      from: { path: '^core/', pathNot: path(TIERS.flatMap((t) => t.folders)) },
      to: {},
    },
    {
      name: 'no-node-in-core',
      severity: 'error',
      from: { path: '^core/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'views-hold-no-limit',
      comment: 'A view chooses among checks. A limit, and the sentence about it, belongs in core/checks.',
      severity: 'error',
      from: { path: '^(core/views|app/components|app/pages)/' },
      to: { path: '^core/safety/limits' },
    },
    {
      name: 'checks-are-in-the-catalogue',
      comment: 'A file of checks that nothing reads is a judgement that nobody hears.',
      severity: 'error',
      from: { path: '^core/checks/', orphan: true },
      to: {},
    },
    {
      name: 'app-knows-no-proof',
      comment: 'What proves the product is no part of it.',
      severity: 'error',
      from: { path: '^(app|core)/' },
      to: { path: '^(proof|tests|scripts)/' },
    },
    {
      name: 'cli-knows-the-core-only',
      severity: 'error',
      from: { path: '^cli/' },
      to: { path: '^(app|server|scripts|tests|proof)/' },
    },
    {
      name: 'server-knows-the-core-only',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(app|cli|scripts|tests|proof)/' },
    },
    {
      name: 'proof-knows-the-core-only',
      comment:
        'What proves the core is written from the handbook: it may use the core, and tests and scripts may use it.',
      severity: 'error',
      from: { path: '^proof/' },
      to: { path: '^(app|server|cli|scripts|tests)/' },
    },
    {
      name: 'app-components-know-no-page',
      comment: 'A component knows stores and the core; a page puts components together.',
      severity: 'error',
      from: { path: '^app/(components|composables|stores|utils|workers)/' },
      to: { path: '^app/(pages|layouts)/' },
    },
    {
      name: 'app-stores-know-no-component',
      comment: 'A store knows the core and other stores; a component reads it.',
      severity: 'error',
      from: { path: '^app/(stores|utils|workers)/' },
      to: { path: '^app/(components|pages|layouts)/' },
    },
    {
      name: 'vue-in-app-only',
      comment: 'Only the app knows Vue.',
      severity: 'error',
      from: { pathNot: '^app/' },
      to: { path: '^node_modules/(vue|pinia|@vueuse|nuxt|@headlessui|@lucide)/' },
    },
    {
      name: 'no-circles',
      comment: 'No circle, types included: two files that need each other are one idea, or want a third.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.node.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.mjs', '.js', '.vue'],
    },
  },
}
