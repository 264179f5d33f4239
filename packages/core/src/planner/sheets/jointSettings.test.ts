import { describe, expect, test } from '@jest/globals';
import { ticks } from '../../length/index.ts';
import { seededRandom } from '../../chance/index.ts';
import { documentOfHands, fewestByTryingTogether, type HandJob, type HandKind } from '../../../testing/hands.ts';
import { planJob, readJob, verifyPlan, type JobDocument } from '../index.ts';
import { findJointSettings, type SheetToCut } from './jointSettings.ts';
import type { Tree } from './tree.ts';

const FREE = () => false;

/** Sizes in sixteenths, so that some are those of other pieces and some fall out beside them. */
const SHEETS = [
  { width: 192, height: 192 },
  { width: 136, height: 176 },
];
function jobsOf(seed: number, counts: readonly number[]): HandJob[] {
  const R = seededRandom(seed * 77 + 5);
  const sizes = [40, 48, 56, 64, 80, 96, 112, 136, 144, 152];
  const pick = () => sizes[Math.floor(R() * sizes.length)]!;
  return counts.map((count, i) => {
    for (;;) {
      const kinds = Array.from({ length: count }, (): HandKind => ({ width: pick(), height: pick(), quantity: 1 }));
      const job = { sheet: SHEETS[(seed + i) % 2]!, kinds };
      const wide = kinds.reduce((sum, { width }) => sum + width, 0);
      if (wide <= job.sheet.width && kinds.every(({ height }) => height <= job.sheet.height)) return job;
    }
  });
}
function read(document: JobDocument) {
  const { ok, ...rest } = readJob(document);
  if (!ok || !('job' in rest)) throw new Error(JSON.stringify(rest));
  return rest.job;
}
function sheetsOf(jobs: readonly HandJob[]): SheetToCut[] {
  return jobs.map((job) => {
    const { pieces, stock } = read(documentOfHands(job));
    const kinds = pieces.map(({ width, height }, k) => ({
      k,
      count: 1,
      laid: [
        { width, height, way: { turn: 0, side: 'A' } as const },
        ...(width === height ? [] : [{ width: height, height: width, way: { turn: 90, side: 'A' } as const }]),
      ],
    }));
    return { room: { x: 0, y: 0, width: stock[0]!.width, height: stock[0]!.height }, kinds };
  });
}
/** For every cut of a tree, what may be set for it. */
function cutsOf(tree: Tree): [number, number][] {
  if (!tree.cut) return [];
  const [one, two] = tree.parts.map((part) => (tree.cut === 'x' ? part.width : part.height));
  return [[one!, two!], ...tree.parts.flatMap(cutsOf)];
}

describe('settings of several sheets together', () => {
  test.each([
    [[1, 1], 30],
    [[2, 1], 12],
  ])('%j pieces a sheet: as few as every way and every order give', (counts, seeds) => {
    for (let seed = 1; seed <= seeds; seed++) {
      const jobs = jobsOf(seed, counts);
      const job = read(documentOfHands(jobs[0]!));
      const found = findJointSettings(sheetsOf(jobs), job, 1e6, FREE)!;
      expect({ seed, fewest: found.bound }).toEqual({ seed, fewest: fewestByTryingTogether(jobs)!.settings });
      // and there are trees that do with so many
      const cuts = found.trees.flatMap((tree) => cutsOf(tree!));
      const isEnough = (settings: readonly number[]) =>
        cuts.every((cut) => cut.some((size) => settings.includes(size)));
      const firsts = [...new Set(cuts.map(([first]) => first))];
      expect({ seed, isEnough: isEnough(firsts), settings: firsts.length }).toEqual({
        seed,
        isEnough: true,
        settings: found.bound,
      });
    }
  });

  test('what is too much to try does not count, and nothing is known where that is all', () => {
    const [one, two] = sheetsOf(jobsOf(3, [1, 2]));
    const job = read(documentOfHands(jobsOf(3, [1])[0]!));
    const many = Array.from({ length: 13 }, (_, k) => ({ ...one!.kinds[0]!, k, count: 1 }));
    const alone = findJointSettings([one!], job, 1e6, FREE)!.bound;
    const beside = findJointSettings([one!, { room: one!.room, kinds: many }], job, 1e6, FREE)!;
    expect(beside).toEqual({ bound: alone, trees: [expect.anything(), null] });
    expect(findJointSettings([{ room: one!.room, kinds: many }], job, 1e6, FREE)).toBeNull();
    expect(findJointSettings([one!, two!], job, 2, FREE)).toBeNull();
    expect(findJointSettings([one!, two!], job, 1e6, () => true)).toBeNull();
    expect(findJointSettings([one!], { ...job, cutter: { ...job.cutter, kerf: ticks(1524) } }, 1e6, FREE)).toBeNull();
  });

  test('where the time is over it is given up, however many different pieces there are on however many sheets', () => {
    const [one] = sheetsOf(jobsOf(3, [1]));
    const job = read(documentOfHands(jobsOf(3, [1])[0]!));
    const kinds = (sheet: number) =>
      Array.from({ length: 8 }, (_, k) => {
        const [width, height] = [30_000 + 1524 * (5 * k + sheet), 40_000 + 4572 * k];
        return { k, count: 1, laid: [{ width, height, way: { turn: 0, side: 'A' } as const }] };
      });
    const many = Array.from({ length: 40 }, (_, i) => ({ room: one!.room, kinds: kinds(i) }));
    let looks = 0;
    expect(findJointSettings(many, job, 1e9, () => ++looks > 20)).toBeNull();
    // after that each sheet is looked at once more at the most
    expect(looks).toBeLessThan(120);
  });

  test('a plan of several sheets says how few settings could do for its pieces, and is never below it', () => {
    let said = 0;
    let met = 0;
    for (let seed = 1; seed <= 8; seed++) {
      const jobs = jobsOf(seed, [1, 2, 1]);
      const documents = jobs.map((job) => documentOfHands(job));
      const job = read({
        ...documents[0]!,
        version: 2,
        papers: documents.map((_, i) => ({ id: `p${i}` })),
        stock: documents.map((d, i) => ({ ...d.stock[0]!, id: `s${i}`, paper: `p${i}` })),
        pieces: documents.flatMap((d, i) => d.pieces.map((p) => ({ ...p, id: `${p.id}-${i}`, papers: [`p${i}`] }))),
        plan: { aim: 'easiest-cuts', nodes: 30 },
      });
      const plan = planJob(job, { now: () => 0 });
      expect(verifyPlan(job, plan)).toEqual([]);
      if (plan.bound.settings === undefined) continue;
      said++;
      expect(plan.bound.settings).toBeLessThanOrEqual(plan.totals.settings);
      if (plan.bound.settings === plan.totals.settings) met++;
    }
    expect(said).toBe(8);
    // one has a setting more, for which a part less is taken up and a cut less is made
    expect(met).toBe(7);
  });
});
