// npm run bench [NAME …]: measures what docs/benchmarks.md reports, on built code, and prints it with the machine.
import { spawnSync } from 'node:child_process';
import { build, chromium, install, root } from './ready.mjs';

install();
build();
const wanted = process.argv.slice(2);
if (!wanted.length || wanted.includes('screen')) chromium();
const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'benchmarks/run.ts', ...wanted], {
  cwd: root,
  stdio: 'inherit',
});
process.exit(status ?? 1);
