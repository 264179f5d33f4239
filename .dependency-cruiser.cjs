/** The arrows of the house run one way: see docs/architecture.md. */
const inCore = (folder, may) => ({
  name: `core/${folder} only leans on ${may.join(', ') || 'nothing'}`,
  severity: 'error',
  from: { path: `^packages/core/src/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^packages/core/src/', pathNot: [folder, ...may].map((f) => `^packages/core/src/${f}/`) },
});

module.exports = {
  forbidden: [
    { name: 'no circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'packages do not lean on apps', severity: 'error', from: { path: '^packages/' }, to: { path: '^apps/' } },
    {
      name: 'the core leans on no other package',
      severity: 'error',
      from: { path: '^packages/core/' },
      to: { path: '^packages/(?!core/)' },
    },
    {
      name: 'words lean on the core only',
      severity: 'error',
      from: { path: '^packages/words/' },
      to: { path: '^packages/(?!core/|words/)' },
    },
    {
      name: 'drawing leans on core and words only',
      severity: 'error',
      from: { path: '^packages/drawing/' },
      to: { path: '^packages/(?!core/|words/|drawing/)' },
    },
    {
      name: 'apps do not lean on each other',
      severity: 'error',
      from: { path: '^apps/([^/]+)/' },
      to: { path: '^apps/', pathNot: '^apps/$1/' },
    },
    {
      name: 'the core uses no platform',
      severity: 'error',
      from: { path: '^packages/(core|words|drawing)/src', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'the oracle shares nothing with the search',
      severity: 'error',
      from: { path: 'planner/check/' },
      to: { path: 'planner/(?!check/|documents/)' },
    },
    inCore('length', []),
    inCore('chance', []),
    inCore('line', ['length']),
    inCore('geometry', ['length']),
    inCore('lattice', ['geometry']),
    inCore('formats', ['lattice', 'length']),
    inCore('recipes', ['line', 'lattice', 'geometry', 'length', 'chance']),
    inCore('stock', ['geometry', 'length']),
    inCore('page', ['chance', 'recipes', 'photos', 'stock', 'geometry', 'length']),
    inCore('sketches', ['page', 'recipes', 'photos', 'stock', 'geometry', 'length']),
    inCore('photos', ['stock', 'geometry', 'length']),
    inCore('planner', ['stock', 'lattice', 'geometry', 'length', 'chance']),
    inCore('trimmer', ['cutting', 'planner', 'page', 'recipes', 'photos', 'stock', 'geometry', 'length']),
    inCore('cutting', ['planner', 'page', 'recipes', 'photos', 'stock', 'geometry', 'length']),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/dist' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { conditionNames: ['@temnex/source', 'import', 'types', 'default'] },
  },
};
