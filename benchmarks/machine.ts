import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';

/** The machine and versions that figures are reported with. */
export function machine(): string {
  const cpu = cpus();
  const version = (name: string) =>
    (JSON.parse(readFileSync(`node_modules/${name}/package.json`, 'utf8')) as { version: string }).version;
  let commit = 'no commit';
  try {
    commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { encoding: 'utf8' }).trim();
  } catch {
    // measured outside a checkout
  }
  return `${cpu.length} × ${cpu[0]?.model ?? 'unknown'}, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.version}, TypeScript ${version('typescript')}, React ${version('react')}, commit ${commit}`;
}

/** Middle of the sorted list. */
export function median(list: readonly number[]): number {
  const sorted = [...list].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? NaN;
}
export const quantile = (list: readonly number[], q: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * q))] ?? NaN;
