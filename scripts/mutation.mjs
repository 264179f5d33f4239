// npm run mutation [-- room …] [--one-in N]: small faults are put into the code one at a time, and it is counted how many of them
// the unit tests of the same room notice (rooms: scripts/mutation/rooms.mjs). Everything takes about an hour; not part
// of npm test. What nobody noticed is listed in .mutation/ROOM.txt. With --one-in a sample is measured, the same each time: of
// every N stretches of eight lines about one.
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { rooms } from './mutation/rooms.mjs';
import { install, root } from './ready.mjs';

install();
const asked = process.argv.slice(2);
const at = asked.indexOf('--one-in');
const oneIn = at < 0 ? '1' : asked.splice(at, 2)[1];
if (!/^[1-9]\d*$/.test(oneIn ?? '')) {
  console.error('--one-in: a number from 1 on');
  process.exit(2);
}
const unknown = asked.filter((name) => !(name in rooms));
if (unknown.length > 0) {
  console.error(`No room called ${unknown.join(', ')}. There are: ${Object.keys(rooms).join(', ')}.`);
  process.exit(2);
}

const seen = new Set(['Killed', 'Timeout']);
const missed = new Set(['Survived', 'NoCoverage']);
const rows = [];
for (const name of asked.length > 0 ? asked : Object.keys(rooms)) {
  const { status } = spawnSync(
    join(root, 'node_modules/.bin/stryker'),
    ['run', 'scripts/mutation/stryker.config.mjs'],
    {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, MUTATION_ROOM: name, MUTATION_ONE_IN: oneIn },
    },
  );
  if (status !== 0) process.exit(status ?? 1);
  const report = JSON.parse(readFileSync(join(root, `.mutation/${name}.json`), 'utf8'));
  const survivors = [];
  let [noticed, all] = [0, 0];
  for (const [file, { source, mutants }] of Object.entries(report.files)) {
    const lines = source.split('\n');
    for (const mutant of mutants) {
      if (!seen.has(mutant.status) && !missed.has(mutant.status)) continue;
      all += 1;
      if (seen.has(mutant.status)) noticed += 1;
      else {
        const { line, column } = mutant.location.start;
        const now = (mutant.replacement ?? '').replace(/\s+/g, ' ').slice(0, 90);
        survivors.push(
          `${file}:${line}:${column} ${mutant.mutatorName} (${mutant.status}) → ${now}`,
          `    ${lines[line - 1].trim()}`,
        );
      }
    }
  }
  writeFileSync(join(root, `.mutation/${name}.txt`), survivors.join('\n') + '\n');
  rows.push(`${name.padEnd(10)} ${noticed} of ${all} noticed (${((100 * noticed) / all).toFixed(1)} %)`);
}
console.log(`\n${rows.join('\n')}`);
