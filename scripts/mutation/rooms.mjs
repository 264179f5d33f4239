import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';

/**
 * What is measured, a room at a time, and the unit tests that have to notice: a room's own.
 * Anything beyond them (the planner's searches, the table, the journeys) would notice more, but only by the way.
 */
export const rooms = {
  length: { sources: ['length/*.ts'], tests: ['length'] },
  recipes: { sources: ['recipes/**/*.ts'], tests: ['recipes'] },
  page: { sources: ['page/*.ts'], tests: ['page'] },
  stock: { sources: ['stock/*.ts'], tests: ['stock'] },
  cutting: { sources: ['cutting/*.ts'], tests: ['cutting'] },
  photos: { sources: ['photos/*.ts'], tests: ['photos'] },
  trimmer: { sources: ['trimmer/*.ts'], tests: ['trimmer'] },
  rules: {
    sources: ['planner/order/*.ts', 'planner/sheets/score.ts', 'planner/sheets/standing.ts'],
    tests: ['planner/order/written', 'planner/order/shattered', 'planner/order/runs', 'planner/sheets/score'],
  },
};

/** The files of a room, or stretches of eight of their lines: about one of so many, by where they stand. */
export function mutated(sources, oneIn) {
  const source = 'packages/core/src';
  const wanted = sources.map(
    (pattern) => new RegExp(`^${pattern.replace('**/*', '.+').replace('*', '[^/]+').replaceAll('.ts', '\\.ts')}$`),
  );
  const files = readdirSync(source, { recursive: true })
    .map((file) => file.replaceAll('\\', '/'))
    .filter((file) => wanted.some((one) => one.test(file)) && !/(\.test|\/index)\.ts$/.test(file))
    .sort();
  return files.flatMap((file) => {
    if (oneIn === 1) return [`${source}/${file}`];
    const lines = readFileSync(`${source}/${file}`, 'utf8').split('\n').length;
    return Array.from({ length: Math.ceil(lines / STRETCH) }, (_, i) => i * STRETCH + 1)
      .filter((from) => createHash('sha256').update(`${file}:${from}`).digest().readUInt32BE() % oneIn === 0)
      .map((from) => `${source}/${file}:${from}-${Math.min(lines, from + STRETCH - 1)}`);
  });
}
const STRETCH = 8;

export const room = () => rooms[process.env.MUTATION_ROOM];
