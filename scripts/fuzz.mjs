// npm run fuzz [FROM COUNT]: requests that should not be made, and kills in the middle of everything, many of each.
import { spawnSync } from 'node:child_process';
import { build, install, root } from './ready.mjs';

install();
build();
const [from = '1', count = '3000'] = process.argv.slice(2);
const { status } = spawnSync(
  'npm',
  [
    'run',
    '-s',
    'unit',
    '--',
    'apps/server/src/fuzz.test.ts',
    'apps/server/src/kill.test.ts',
    'apps/server/src/killRestoring.test.ts',
  ],
  {
    cwd: root,
    stdio: 'inherit',
    env: {
      ...process.env,
      TEMNEX_FUZZ_FROM: from,
      TEMNEX_FUZZ: count,
      TEMNEX_KILLS: '100',
      TEMNEX_RESTORE_KILLS: '30',
    },
  },
);
process.exit(status ?? 1);
