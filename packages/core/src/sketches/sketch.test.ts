import { describe, expect, test } from '@jest/globals';
import { derivePage, pageSchema } from '../page/index.ts';
import { overhangPastEdges } from '../geometry/index.ts';
import { EMPTY_PHOTO_FACTS, type Photo } from '../photos/index.ts';
import {
  findCoveredByTurning,
  collectSketchFacts,
  layPhotos,
  openingsOf,
  parseSketchQuery,
  shippedSketches,
  isSketchMatching,
  sketchFromPage,
  turnOpening,
} from './index.ts';

const photo = (id: string, width: number, height: number, more: Partial<Photo> = {}): Photo => ({
  id,
  file: 'ab'.repeat(32),
  name: id,
  width,
  height,
  addedAt: '',
  demo: false,
  ...EMPTY_PHOTO_FACTS,
  ...more,
});
const upright = (id: string) => photo(id, 2000, 3000);
const level = (id: string) => photo(id, 3000, 2000);
const sketch = (id: string) => shippedSketches().find((s) => s.id === id)!.page;

describe('sketches that come along', () => {
  test('a dozen at least, each of its own name', () => {
    const all = shippedSketches();
    expect(all.length).toBeGreaterThanOrEqual(12);
    expect(new Set(all.flatMap(({ id, page }) => [id, page.name])).size).toBe(2 * all.length);
  });
  test.each(shippedSketches().map(({ id, page }) => [id, page] as const))(
    '%s can be made, and nothing sticks out or lies over a photo',
    (_, page) => {
      // prettier-ignore
      expect(pageSchema.safeParse(page).success).toBe(true);
      const derived = derivePage(page);
      expect(derived.problems).toEqual([]);
      for (const part of derived.parts) expect(Math.max(...Object.values(overhangPastEdges(part, derived)))).toBeLessThanOrEqual(0); // prettier-ignore
      const items = [...derived.items.values()].filter((d) => d.item.recipe !== 'base-panels' && d.item.recipe !== 'strips'); // prettier-ignore
      const over = items.flatMap((a, i) => items.slice(i + 1).filter((b) => a.box.x < b.box.x + b.box.width && b.box.x < a.box.x + a.box.width && a.box.y < b.box.y + b.box.height && b.box.y < a.box.y + a.box.height).map((b) => `${a.item.id} over ${b.item.id}`)); // prettier-ignore
      expect(over).toEqual([]);
    },
  );
});

describe('a sketch is found by what it has', () => {
  test.each([
    ['three upright, one level', { upright: 3, level: 1, photos: null }],
    ['3 upright and 1 landscape', { upright: 3, level: 1 }],
    ['four photos with a title', { photos: 4, title: true }],
    ['two squares, no words', { square: 2, words: false }],
    ['three upright photos', { upright: 3, photos: null }],
    ['a square', { square: 1 }],
    ['', { photos: null, upright: null, title: null }],
  ])('%s', (said, sought) => expect(parseSketchQuery(said)).toMatchObject(sought));
  test('three upright and one level is one of ours; of eleven photos there is none', () => {
    const found = (said: string) => shippedSketches().filter(({ page }) => isSketchMatching(collectSketchFacts(page), parseSketchQuery(said))).map((s) => s.id); // prettier-ignore
    expect(found('three upright, one level')).toEqual(['three-up-one-level', 'wide-and-three']);
    expect(found('four squares')).toEqual(['four-squares']);
    expect(found('eleven photos')).toHaveLength(shippedSketches().length);
    expect(found('11 photos')).toEqual([]);
  });
});

describe('photos are laid on a sketch', () => {
  test('each where it lies the same way', () => {
    const { page, unlaid } = layPhotos(sketch('three-up-one-level'), [upright('a'), level('b'), upright('c'), upright('d')]); // prettier-ignore
    expect(unlaid).toEqual([]);
    for (const { part } of openingsOf(derivePage(page))) expect(part.picture!.crop.width / part.picture!.crop.height).toBeCloseTo(part.width / part.height, 3); // prettier-ignore
    const seen = openingsOf(derivePage(page)).map((o) => o.part.picture!.photo);
    expect(seen[0]).toBe('b');
    expect(new Set(seen)).toEqual(new Set(['a', 'b', 'c', 'd']));
  });
  test('one that lies the other way is cropped, and said; turned, its place fits', () => {
    const { page, unlaid } = layPhotos(sketch('two-facing'), [upright('a'), level('b')]);
    expect(unlaid).toEqual([{ is: 'other-way', photo: 'b', item: expect.any(String), lost: expect.closeTo(5 / 9, 3) }]);
    const [{ item }] = unlaid as unknown as [{ item: string }];
    const turned = turnOpening(page, item);
    const part = derivePage(turned).parts.find((p) => p.item === item && p.role === 'print')!;
    expect([part.width > part.height, part.picture!.lost.left]).toEqual([true, 0]);
    expect(turnOpening(page, 'nobody')).toBe(page);
  });
  test('a place near the edge is turned about its middle, and moved in before it reaches past the page', () => {
    for (const { page } of shippedSketches())
      for (const { item, part } of openingsOf(derivePage(page))) {
        const turned = derivePage(turnOpening(page, item));
        expect(turned.suggestions.filter((s) => s.item === item && s.suggestion.code === 'overhang')).toEqual([]);
        const [was, now] = [derivePage(page).items.get(item)!.box, turned.items.get(item)!.box];
        if (part.width === part.height) continue;
        const middle = was.x + was.width / 2;
        const half = now.width / 2;
        if (middle - half >= 0 && middle + half <= turned.width)
          expect(Math.abs(now.x + half - middle)).toBeLessThanOrEqual(1);
      }
  });
  test('a place that lies over its neighbour once it is turned is told', () => {
    const five = shippedSketches().find(({ page }) => openingsOf(derivePage(page)).length === 5)!.page;
    const [, , third, fourth] = openingsOf(derivePage(five)).map(({ item }) => item);
    const one = findCoveredByTurning(five, turnOpening(five, third!));
    expect(one.length).toBeGreaterThan(0);
    for (const each of one) expect(each).toMatchObject({ is: 'covers' });
    expect(JSON.stringify(one)).toContain(third);
    expect(JSON.stringify(one)).not.toContain(`"${five.items.at(-1)!.id}"`);
    expect(findCoveredByTurning(five, turnOpening(turnOpening(five, third!), fourth!)).length).toBeGreaterThan(
      one.length,
    );
    expect(findCoveredByTurning(five, five)).toEqual([]);
  });
  test('places are typed as fractions', () => {
    for (const { page } of shippedSketches()) expect(JSON.stringify(page.items.map((i) => i.at))).not.toMatch(/\d\.\d/);
  });
  test('too many and too few are told, and what must stay', () => {
    const group = photo('g', 3000, 2000, { stay: { x: 0, y: 900, width: 3000, height: 200 } });
    const { unlaid } = layPhotos(sketch('two-facing'), [group, upright('a'), upright('b')]);
    expect(unlaid).toEqual([{ is: 'no-place', photo: 'g' }]);
    const few = layPhotos(sketch('two-facing'), [group]).unlaid.map((u) => u.is);
    expect(few).toEqual(['other-way', 'loses-what-must-stay', 'no-photo']);
  });
  test('a page becomes a sketch: its arrangement, and nothing of its papers and photos', () => {
    const { page } = layPhotos(sketch('two-facing'), [upright('a')]);
    const wish = { papers: ['p'], side: 'A' as const, direction: 'any' as const };
    const made = { ...page, items: page.items.map((i) => ({ ...i, wishes: { m1: wish } })), copies: 3 };
    expect(sketchFromPage(made, 'two-facing')).toEqual({ ...sketch('two-facing'), name: 'two-facing' });
  });
});
