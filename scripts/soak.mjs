// npm run soak [FROM TO]: plans many seeded jobs and verifies each; with TEMNEX_PLAN_CHECK, an outside check too.
import { spawnSync } from 'node:child_process';
import { build, install, root } from './ready.mjs';

install();
build();
const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'benchmarks/soak.ts', ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
process.exit(status ?? 1);
