// npm run soak [FROM TO]: what the tests do a few times, many times (an hour); then plans many seeded jobs and verifies each; with
// TEMNEX_PLAN_CHECK, an outside check too.
import { spawnSync } from 'node:child_process';
import { build, install, root } from './ready.mjs';

install();
build();
const inherited = { cwd: root, stdio: 'inherit' };
// what the tests do a few times, done many times
const longer = [
  ['packages/core/src/recipes/conformance', { TEMNEX_CONFORMANCE: '1000' }],
  ['packages/core/src/trimmer', { TEMNEX_WALKS: '200' }],
  ['packages/core/src/planner/planner.test', { TEMNEX_PLANNED: '200', TEMNEX_TINY: '60' }],
  ['packages/core/src/planner/nest/nest', { TEMNEX_NESTS: '40' }],
  ['packages/core/src/lattice/fill', { TEMNEX_FILLS: '12' }],
  ['packages/core/src/planner/search/layout', { TEMNEX_LAYOUTS: '60' }],
  ['packages/core/src/planner/table', { TEMNEX_TABLES: '100' }],
  ['packages/core/src/planner/sheets/easier', { TEMNEX_HANDS: '2000' }],
  ['packages/core/src/recipes/papers.test', { TEMNEX_SPREADS: '4000' }],
  ['packages/drawing/src/drawing', { TEMNEX_EVERY_LENGTH: '1' }],
  ['packages/core/src/cutting/together', { TEMNEX_TOGETHER: '40' }],
  ['packages/core/src/planner/blanks/sources', { TEMNEX_SOURCES: '60' }],
  ['apps/server/src/sessions', { TEMNEX_SESSIONS: '500' }],
  ['apps/server/src/drawer/drawer.test', { TEMNEX_OPERATIONS: '10000' }],
  ['apps/server/src/waysBack.test', { TEMNEX_WAYS_BACK: '1000' }],
  ['apps/server/src/damaged.test', { TEMNEX_DAMAGED: 'all' }],
  ['apps/server/src/kill.test', { TEMNEX_KILLS: '200' }],
];
for (const [tests, often] of longer) {
  const { status } = spawnSync('npm', ['run', '-s', 'unit', '--', tests], {
    ...inherited,
    env: { ...often, ...process.env },
  });
  if (status !== 0) process.exit(status ?? 1);
}
const firstView = spawnSync('npm', ['run', '-s', 'journeys', '--', 'first-view'], {
  ...inherited,
  env: { TEMNEX_FIRST_LOADS: '200', ...process.env },
});
if (firstView.status !== 0) process.exit(firstView.status ?? 1);
// what is planned anew on a machine that is six times slower than this one
const slowed = spawnSync('npm', ['run', '-s', 'journeys', '--', 'trimmer', '-g', 'cut again', '--repeat-each', '40'], {
  ...inherited,
  env: { TEMNEX_SLOWER: '6', ...process.env },
});
if (slowed.status !== 0) process.exit(slowed.status ?? 1);
const widths = spawnSync('npm', ['run', '-s', 'journeys', '--', 'drawn', 'layout'], {
  ...inherited,
  env: { TEMNEX_EVERY_WIDTH: '1', ...process.env },
});
if (widths.status !== 0) process.exit(widths.status ?? 1);
const plans = ['--import', 'tsx', 'benchmarks/soak.ts', ...process.argv.slice(2)];
const { status } = spawnSync(process.execPath, plans, inherited);
process.exit(status ?? 1);
