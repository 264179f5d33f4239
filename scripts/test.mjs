// npm test: sets itself up, then lint, formatting, types, unit tests and browser journeys; ends with one line of counts.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, install, root } from './ready.mjs';

install();
chromium();

let passed = 0;
let failed = 0;
const reports = mkdtempSync(join(tmpdir(), 'temnex-test-'));

function check(name, command, args, env = {}) {
  console.log(`\n— ${name}`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  return status === 0;
}
const count = (ok) => (ok ? passed++ : failed++);
const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const bin = (name) => join(root, 'node_modules/.bin', name);

/** Checks that only read, side by side; what each says is shown when it is done. */
function checks(...all) {
  const running = all.map(
    ([name, command, args]) =>
      new Promise((done) => {
        const said = [];
        const child = spawn(command, args, { cwd: root });
        for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk));
        let ended = false;
        const end = (ok) => {
          if (ended) return;
          ended = true;
          console.log(`\n— ${name}\n${Buffer.concat(said)}`.trimEnd());
          count(ok);
          done();
        };
        child.once('error', (error) => {
          said.push(Buffer.from(String(error)));
          end(false);
        });
        child.once('close', (status) => end(status === 0));
      }),
  );
  return Promise.all(running);
}

// built meanwhile: the checks read sources only, and each has a core to itself
const built = new Promise((done) =>
  spawn(process.execPath, ['scripts/build.mjs'], { cwd: root, stdio: 'inherit' }).once('close', (code) =>
    done(code === 0),
  ),
);
await checks(
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
  ['formatting', bin('prettier'), ['--check', '.', '--log-level', 'warn']],
  [
    'arrows between folders',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.cjs', 'packages', 'apps', '--output-type', 'err'],
  ],
  ['types', process.execPath, ['node_modules/typescript-native/bin/tsc', '-p', 'tsconfig.tests.json']],
);

if (!(await built)) {
  console.log('\nIt could not be built.');
  process.exit(1);
}
const unit = join(reports, 'unit.json');
const flags = ['--experimental-vm-modules', '--disable-warning=ExperimentalWarning', 'node_modules/jest/bin/jest.js'];
const unitOk = check('unit tests', process.execPath, [
  ...flags,
  // one more than there are cores: some only wait, for a lock or for time to pass
  `--maxWorkers=${availableParallelism() + 1}`,
  '--json',
  `--outputFile=${unit}`,
  '--silent',
]);
const units = read(unit);
passed += units?.numPassedTests ?? 0;
failed += units ? units.numFailedTests + units.numRuntimeErrorTestSuites : 1;
if (!unitOk && failed === 0) failed++;

const journeys = join(reports, 'journeys.json');
const journeysOk = check('browser journeys', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], {
  TEMNEX_REPORT: journeys,
});
const stats = read(journeys)?.stats;
passed += stats?.expected ?? 0;
// a journey that needs a second try has failed
failed += stats ? stats.unexpected + stats.flaky : 1;
if (!journeysOk && failed === 0) failed++;

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
