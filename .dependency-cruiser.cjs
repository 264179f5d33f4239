/** The arrows of the house run one way: see docs/architecture.md. */
const inCore = (folder, may) => ({
  name: `core/${folder} only leans on ${may.join(', ') || 'nothing'}`,
  severity: 'error',
  from: { path: `^packages/core/src/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^packages/core/src/', pathNot: [folder, ...may].map((f) => `^packages/core/src/${f}/`) },
});

const WEB = '^apps/web/src';
/** A room of the web leans only on those below it. */
const inWeb = (folder, may) => ({
  name: `web/${folder} only leans on ${may.join(', ') || 'nothing'}`,
  severity: 'error',
  from: { path: `${WEB}/${folder}/`, pathNot: '\\.test\\.tsx?$' },
  to: { path: `${WEB}/`, pathNot: [folder, ...may].map((f) => `${WEB}/${f}/`) },
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
    inWeb('design', []),
    inWeb('data', []),
    inWeb('widgets', ['data', 'design']),
    inWeb('features', ['widgets', 'data', 'design']),
    {
      name: 'a feature does not lean on another',
      severity: 'error',
      from: { path: `${WEB}/features/([^/]+)/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: `${WEB}/features/`, pathNot: `${WEB}/features/$1/` },
    },
    {
      name: 'a room of a feature does not lean on another room',
      severity: 'error',
      from: { path: `${WEB}/features/([^/]+)/([^/]+)/` },
      to: { path: `${WEB}/features/$1/[^/]+/`, pathNot: `${WEB}/features/$1/$2/` },
    },
    {
      name: 'what the rooms of a feature share does not lean on them',
      severity: 'error',
      from: { path: `${WEB}/features/([^/]+)/[^/]+$`, pathNot: '\\.test\\.tsx?$' },
      to: { path: `${WEB}/features/$1/[^/]+/` },
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
