// What start, test, bench and shots share: dependencies installed, sources built, Chromium there. Node built-ins only.
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');

const PARTS = ['packages', 'apps'].flatMap((folder) =>
  readdirSync(join(root, folder)).map((name) => `${folder}/${name}`),
);
const MANIFESTS = ['package.json', 'package-lock.json', ...PARTS.map((p) => `${p}/package.json`)];
// Everything under a part counts, so that a new kind of file cannot be forgotten; only what is made or installed is left out.
const MADE = new Set(['node_modules', 'dist', 'dist-types', 'dist-first', 'testing']);
const SOURCES = [
  'tsconfig.base.json',
  'tsconfig.json',
  ...MANIFESTS,
  ...PARTS.flatMap((part) =>
    readdirSync(join(root, part))
      .filter((name) => !MADE.has(name))
      .map((name) => `${part}/${name}`),
  ),
];

function filesOf(path) {
  const full = join(root, path);
  if (!existsSync(full)) return [];
  if (!statSync(full).isDirectory()) return [path];
  return readdirSync(full)
    .sort()
    .flatMap((name) => filesOf(`${path}/${name}`));
}

function hashOf(paths) {
  const hash = createHash('sha256').update(process.version);
  for (const path of paths.flatMap(filesOf))
    hash
      .update(path)
      .update('\0')
      .update(readFileSync(join(root, path)));
  return hash.digest('hex');
}

/** Does something unless its inputs hash to what they did the last time. */
function unlessDone(stamp, inputs, outputs, doIt) {
  const file = join(root, 'node_modules', stamp);
  const hash = hashOf(inputs);
  const done =
    outputs.every((o) => existsSync(join(root, o))) && existsSync(file) && readFileSync(file, 'utf8') === hash;
  if (done) return;
  doIt();
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, hash);
}

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.status !== 0) process.exit(result.status ?? 1);
}

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

export function install() {
  unlessDone('.temnex-installed', MANIFESTS, ['node_modules'], () => {
    console.log('Installing dependencies …');
    run(npm, ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  });
}

export function build() {
  const outputs = ['apps/server/dist/main.js', 'apps/cli/dist/main.js', 'apps/web/dist/index.html'];
  unlessDone('.temnex-built', SOURCES, outputs, () => {
    console.log('Building …');
    run(npm, ['run', '-s', 'build']);
  });
}

export const CHROMIUM = process.env.TEMNEX_CHROMIUM ?? '/usr/bin/chromium';

/** Debian's Chromium, for the browser tests and the screenshots. */
export function chromium() {
  if (existsSync(CHROMIUM)) return;
  console.log('Installing Chromium …');
  run('apt-get', ['update', '-qq'], { stdio: ['ignore', 'ignore', 'inherit'] });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'fonts-liberation'], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
}

export const output = (command, args) => execFileSync(command, args, { cwd: root, encoding: 'utf8' }).trim();
