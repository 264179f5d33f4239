import { describe, expect, test } from '@jest/globals';
import { MARKS, inches } from '../../length/index.ts';
import { told } from '../../../testing/told.ts';
import { recipeOf, setField, type FieldPath, type InputOf, type LayoutContext } from '../index.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
type Input = InputOf<'hollow-mat'>;
const hollow = (more: Partial<Input> = {}): Input => ({
  outer: { width: '12', height: '12', known: 'measured' },
  ring: { reveal: { style: 'even', all: '7/8' } },
  centre: {},
  above: {},
  ...more,
});
const all = (input: Input) => told(recipeOf('hollow-mat').solve(input, table));
const even = (of?: string) => ({ reveal: { style: 'even' as const, ...(of === undefined ? {} : { all: of }) } });
const typed = (input: Input, path: FieldPath, value: string | undefined) =>
  setField(recipeOf('hollow-mat'), input, path, value, table);

describe('hollow mat', () => {
  test('12: what comes free, the lip, and where each stop cut starts', () => {
    expect(all(hollow({ above: { width: '11', height: '11' } }))).toEqual([
      'size 12 x 12',
      'layer ring, ring 1: 12 x 12 at 0, 0 shaped 0, 0 / 12, 0 / 12, 12 / 0, 12 / 0, 0, of ring, said at outer by outer.width and outer.height',
      'cut 1 of ring, ring 1: 12 x 12, then [{"do":"window","box":{"x":"7/8","y":"7/8","width":"10 1/4","height":"10 1/4"}}], yields 10 1/4 x 10 1/4 at 7/8, 7/8',
      'room centre, centre 1: 10 1/4 x 10 1/4 at 7/8, 7/8',
      'typed centre.width and centre.height in the middle of 10 1/4 x 10 1/4 at 7/8, 7/8',
      'typed ring.reveal.all with a leader from 11 9/16, 6',
      'typed outer.width along the top from 0, 12 to 12, 12',
      'typed outer.height along the left from 0, 0 to 0, 12',
      'fact stop-cuts of centre: 7/8, 7/8, 10 1/4, 10 1/4',
      'fact seen of above: 1/2, 1/2',
      'outer.width = 12',
      'outer.height = 12',
      'ring.reveal.all = 7/8',
      'above.width = 11',
      'above.height = 11',
      'centre.width = 10 1/4',
      'centre.height = 10 1/4',
      'lip = 3/8',
      'sum of centre.width: 1 × outer.width 12 + -2 × ring.reveal.all 7/8',
      'sum of centre.height: 1 × outer.height 12 + -2 × ring.reveal.all 7/8',
      'sum of lip: 1 × above.width 11 + -1 × centre.width 10 1/4 over 2',
    ]);
  });
  test('backwards: from the lip that is wanted, from the opening, from a footer', () => {
    const lipped = all(hollow({ ring: even(), above: { width: '11', height: '11' }, lip: '1/4' }));
    expect(lipped).toEqual(expect.arrayContaining(['centre.width = 10 1/2', 'ring.reveal.all = 3/4']));
    const open = all(hollow({ ring: even(), centre: { width: '9', height: '9' } }));
    expect(open).toEqual(
      expect.arrayContaining(['ring.reveal.all = 1 1/2', 'fact reveals of ring: 1 1/2, 1 1/2, 1 1/2, 1 1/2']),
    );
    const foot = all(hollow({ ring: { reveal: { style: 'footer', sides: '1', bottom: '2' } } }));
    expect(foot).toEqual(
      expect.arrayContaining(['room centre, centre 1: 10 x 9 at 1, 2', 'fact stop-cuts of centre: 1, 2, 10, 9']),
    );
    // a lip that is not the same both ways is said, and is no one number
    const uneven = all(hollow({ above: { width: '11', height: '11 1/2' } }));
    expect(uneven).toContain('fact lip of above: 3/8, 5/8');
    expect(uneven.some((line) => line.startsWith('lip ='))).toBe(false);
  });
  test('the opening goes down to the mark, so that the ring is never narrower than asked', () => {
    const thirds = all(hollow({ outer: { width: '10', height: '10', known: 'measured' }, ring: even('1/3') }));
    expect(thirds.find((line) => line.startsWith('cut'))).toContain(
      '"box":{"x":"5/16","y":"5/16","width":"9 5/16","height":"9 5/16"}',
    );
  });
  test('what does not cover the opening is refused, with an opening that it would cover', () => {
    expect(all(hollow({ above: { width: '10 1/4', height: '11' } }))).toEqual([
      'refused',
      'problem {"code":"own","why":"no-lip","path":["above","width"],"lengths":["10 1/4","10 1/4"]}',
      'offer centre.width = 10',
    ]);
    expect(all(hollow({ ring: even(), centre: { width: '12', height: '9' } })).slice(0, 2)).toEqual([
      'refused',
      expect.stringContaining('"disagree"'),
    ]);
    const flush = hollow({ ring: { reveal: { style: 'two' } }, centre: { width: '12', height: '9' } });
    expect(all(flush)[1]).toBe(
      'problem {"code":"own","why":"no-ring","path":["centre","width"],"lengths":["12","12"]}',
    );
    expect(all(hollow({ ring: even('6') }))[1]).toContain('"size-not-positive"');
    expect(all(hollow({ ring: even() }))[1]).toContain('"missing"');
    expect(all(hollow({ ring: even('x') }))[1]).toContain('"field"');
  });
  test('typing the opening frees the ring, typing the ring frees the opening, and a lip moves the opening', () => {
    const input = hollow({ above: { width: '11', height: '11' } });
    expect(typed(input, ['centre', 'width'], '9')).toMatchObject({ centre: { width: '9' }, ring: even() });
    const open = hollow({ ring: even(), centre: { width: '9', height: '9' } });
    expect(typed(open, ['ring', 'reveal', 'all'], '2')).toMatchObject({ ring: even('2'), centre: {} });
    expect(typed(input, ['lip'], '1/8')).toMatchObject({
      lip: '1/8',
      ring: even(),
      above: { width: '11', height: '11' },
    });
    // two sizes that one ring cannot have make it two
    expect(typed({ ...open, centre: { width: '9', height: '9' } }, ['centre', 'height'], '8')).toMatchObject({
      centre: { width: '9', height: '8' },
      ring: { reveal: { style: 'two' } },
    });
    expect(typed(input, ['ring', 'reveal', 'style'], 'two')).toMatchObject({
      ring: { reveal: { style: 'two', across: '7/8', upDown: '7/8' } },
    });
    expect(typed(input, ['ring', 'reveal', 'all'], undefined)).toMatchObject({ centre: { width: '10 1/4' } });
    // the ring still follows from the heights, and so does the width
    expect(typed(open, ['centre', 'width'], undefined)).toEqual({ ...open, centre: { height: '9' } });
    // of four edges, one that is emptied is found again from the one across from it
    const four = hollow({
      ring: { reveal: { style: 'four', left: '1', right: '1', top: '1/4' } },
      centre: { width: '10', height: '9' },
    });
    expect(typed(four, ['ring', 'reveal', 'top'], undefined)).toMatchObject({ ring: { reveal: { bottom: '2 3/4' } } });
    const one = hollow({ ring: { reveal: { style: 'two' } }, centre: { width: '9', height: '9' } });
    expect(typed(one, ['centre', 'width'], undefined)).toMatchObject({ ring: { reveal: { across: '1 1/2' } } });
  });
});
