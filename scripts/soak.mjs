// npm run soak [FROM TO]: every recipe with a thousand seeded inputs (ten minutes); then plans many seeded jobs and verifies each; with
// TEMNEX_PLAN_CHECK, an outside check too.
import { spawnSync } from 'node:child_process';
import { build, install, root } from './ready.mjs';

install();
build();
const inherited = { cwd: root, stdio: 'inherit' };
const recipes = spawnSync('npm', ['run', '-s', 'unit', '--', 'packages/core/src/recipes/conformance'], {
  ...inherited,
  env: { TEMNEX_CONFORMANCE: '1000', ...process.env },
});
if (recipes.status !== 0) process.exit(recipes.status ?? 1);
const plans = ['--import', 'tsx', 'benchmarks/soak.ts', ...process.argv.slice(2)];
const { status } = spawnSync(process.execPath, plans, inherited);
process.exit(status ?? 1);
