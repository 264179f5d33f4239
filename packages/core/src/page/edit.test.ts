import { describe, expect, test } from '@jest/globals';
import { MARKS, lengthOf } from '../length/index.ts';
import { matStack, sayMats } from '../recipes/index.ts';
import {
  addMat,
  addPanel,
  addPhoto,
  changePhoto,
  choosePaper,
  derivePage,
  emptyPage,
  giveReveal,
  giveSize,
  moveLayer,
  pageSchema,
  photoFromMats,
  removePart,
  takeOffer,
  type Page,
} from './index.ts';

const page = (): Page =>
  addMat(addMat(addPhoto(addPanel(emptyPage('p'), 'panel'), 'photo'), 'photo', 'm1'), 'photo', 'm2');
const size = (p: Page, id: string) => {
  const part = derivePage(p).parts.find((x) => x.id === id)!;
  return [part.width, part.height];
};

describe('changes to a page', () => {
  test('each gives a page that is good, and leaves the one before as it was', () => {
    const before = page();
    const copy = structuredClone(before);
    const after = [
      giveReveal(before, 'm1', ['1/4']),
      giveSize(before, 'm2', '6', '8'),
      moveLayer(before, 'm1', 1),
      removePart(before, 'panel'),
      choosePaper(before, 'base', { papers: ['x'], side: 'A', direction: 'any' }),
      choosePaper(before, 'm1', { papers: ['x'], side: 'B', direction: 'width' }),
      changePhoto(before, 'photo', { name: 'the launch' }),
    ];
    for (const next of after) {
      expect(pageSchema.safeParse(next).success).toBe(true);
      expect(next).not.toEqual(before);
    }
    expect(before).toEqual(copy);
  });
  test('a given size takes over from the reveal, and a given reveal from the size', () => {
    const sized = giveSize(page(), 'm1', '5', '7');
    expect(sized.photos[0]!.mats[0]).not.toHaveProperty('reveal');
    expect(size(sized, 'm1')).toEqual([lengthOf('5'), lengthOf('7')]);
    const revealed = giveReveal(sized, 'm1', ['1/2']);
    expect(revealed.photos[0]!.mats[0]).not.toHaveProperty('width');
    expect(size(revealed, 'm1')).toEqual([lengthOf('5'), lengthOf('7')]);
    expect(size(revealed, 'm2')).toEqual([lengthOf('5 1/4'), lengthOf('7 1/4')]);
  });
  test('layers change places, but not past the end', () => {
    const ids = (p: Page) => p.photos[0]!.mats.map((m) => m.id);
    expect(ids(moveLayer(page(), 'm1', 1))).toEqual(['m2', 'm1']);
    expect(ids(moveLayer(page(), 'm2', 1))).toEqual(['m1', 'm2']);
  });
  test('a photo goes with its mats, a mat alone; the base stays', () => {
    expect(removePart(page(), 'photo').photos).toEqual([]);
    expect(removePart(page(), 'm1').photos[0]!.mats.map((m) => m.id)).toEqual(['m2']);
    expect(removePart(page(), 'base')).toEqual(page());
  });
  test('the offers of a refused mat make it good again', () => {
    const bad = giveSize(page(), 'm1', '3', '5');
    const problem = derivePage(bad).problems.find((p) => p.where === 'm1')!;
    expect(problem.offers.length).toBeGreaterThan(0);
    const mended = problem.offers
      .filter((o) => !o.field.startsWith('print'))
      .reduce((p, o) => takeOffer(p, 'm1', o.field, o.value), bad);
    expect(derivePage(mended).problems).toEqual([]);
    expect(derivePage(bad).parts.some((p) => p.id === 'photo')).toBe(true);
  });
  test('mats sized by themselves become a photo with the same sizes', () => {
    const said = sayMats('mat 1/8 1/4 around 3 7/8 x 5 5/8', 'in');
    if (!said.ok) throw new Error();
    const solved = matStack.solve(said.input, { unit: 'in', mark: MARKS['1/16'] });
    if (solved.status !== 'solved') throw new Error();
    let n = 0;
    const photo = photoFromMats(said.input, solved.answer.levels, 'photo 1', 'in', () => `id${n++}`);
    const made = { ...emptyPage('p'), photos: [photo] };
    expect(pageSchema.safeParse(made).success).toBe(true);
    expect(size(made, photo.mats[1]!.id)).toEqual([solved.answer.levels[2]!.width, solved.answer.levels[2]!.height]);
  });
});
