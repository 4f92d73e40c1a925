/** Which folder may know which. The core knows nobody; everything that computes lives in it. */
const PURE_PACKAGES = '^node_modules/(zod|pure-rand|ml-levenberg-marquardt|ml-matrix|papaparse|@types/papaparse)/'

module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      comment: 'The core imports itself and the few packages it needs, pure themselves: no Vue, Nuxt, DOM helpers or Node modules.',
      severity: 'error',
      from: { path: '^core/' },
      to: { pathNot: ['^core/', PURE_PACKAGES] },
    },
    {
      name: 'no-node-in-core',
      severity: 'error',
      from: { path: '^core/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'cli-knows-the-core-only',
      severity: 'error',
      from: { path: '^cli/' },
      to: { path: '^(app|server|scripts|tests)/' },
    },
    {
      name: 'server-knows-the-core-only',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(app|cli|scripts|tests)/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'], viaOnly: { dependencyTypesNot: ['type-only'] } } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.node.json' },
    exclude: { path: '\\.vue$' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'], extensions: ['.ts', '.mjs', '.js'] },
  },
}
