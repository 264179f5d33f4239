import { describe, expect, test } from '@jest/globals';
import type { Face, JobPiece, JobStock, Turn } from '../documents/job.ts';
import { isDirectionKept, waysOf } from './turning.ts';
import { lengthOf } from '../../length/index.ts';

const piece = (direction: JobPiece['direction'], side: JobPiece['side'] = 'any'): JobPiece => ({
  id: 'p',
  name: 'p',
  width: lengthOf('2'),
  height: lengthOf('3'),
  quantity: 1,
  papers: ['x'],
  opening: null,
  from: null,
  join: null,
  ends: null,
  least: null,
  finish: [],
  shape: null,
  nest: null,
  block: null,
  side,
  direction,
  priority: 1,
});
const face = (direction: Face['direction'], along: Face['along'] = 'height', side: Face['side'] = 'A'): Face => ({
  side,
  direction,
  along,
});
const turns = (p: JobPiece, f: Face, lies: Turn = 0) =>
  ([0, 90, 180, 270] as const).filter((t) => isDirectionKept(p, f, lies, t));

describe('may this piece be turned', () => {
  test.each<[string, JobPiece, Face, Turn, Turn[]]>([
    ['any way on a paper without direction', piece('height'), face('none'), 0, [0, 90, 180, 270]],
    ['any way where the piece does not mind', piece('any'), face('one-way'), 0, [0, 90, 180, 270]],
    ['stripes up the piece: as it is or upside down', piece('height'), face('two-way'), 0, [0, 180]],
    ['stripes across the piece', piece('width'), face('two-way'), 0, [90, 270]],
    ['a scene: the right way up only', piece('height'), face('one-way'), 0, [0]],
    ['a scene along the width of the piece', piece('width'), face('one-way'), 0, [90]],
    ['words along the width of the paper', piece('width'), face('one-way', 'width'), 0, [0]],
    ['the scrap lies turned by a quarter', piece('height'), face('one-way'), 90, [90]],
    ['the scrap lies upside down', piece('height'), face('one-way'), 180, [180]],
    ['seen through from side B, up stays up', piece('height'), face('one-way', 'height', 'B'), 0, [0]],
    ['seen through from side B, along stays along', piece('width'), face('one-way', 'width', 'B'), 0, [0]],
    ['from side B on a turned scrap', piece('width'), face('one-way', 'height', 'B'), 0, [270]],
  ])('%s', (_, p, f, lies, expected) => expect(turns(p, f, lies)).toEqual(expected));

  test('every turn of the paper turns what is allowed with it', () => {
    for (const along of ['width', 'height'] as const)
      for (const wanted of ['width', 'height'] as const)
        for (const side of ['A', 'B'] as const) {
          const at0 = turns(piece(wanted), face('one-way', along, side), 0);
          for (const lies of [90, 180, 270] as const)
            expect(turns(piece(wanted), face('one-way', along, side), lies)).toEqual(
              at0.map((t) => ((t + lies) % 360) as Turn),
            );
        }
  });
});

describe('ways of laying a piece', () => {
  const stock = (faces: Face[]): JobStock => ({
    id: 's',
    paper: { id: 'x', name: 'x', faces },
    outline: null,
    uncut: [],
    width: lengthOf('12'),
    height: lengthOf('12'),
    quantity: 1,
    kind: 'sheet',
    trim: { left: lengthOf('0'), right: lengthOf('0'), top: lengthOf('0'), bottom: lengthOf('0') },
    turned: 0,
    reserved: false,
  });
  test('the side that is wanted, or the first that allows it', () => {
    const both = stock([face('one-way'), face('none', 'height', 'B')]);
    expect(waysOf(piece('height', 'A'), both)).toEqual({ upright: { turn: 0, side: 'A' }, flat: null });
    expect(waysOf(piece('height', 'B'), both)).toEqual({
      upright: { turn: 0, side: 'B' },
      flat: { turn: 90, side: 'B' },
    });
    expect(waysOf(piece('height'), both)).toEqual({ upright: { turn: 0, side: 'A' }, flat: { turn: 90, side: 'B' } });
  });
  test('none where the side is not there', () =>
    expect(waysOf(piece('any', 'B'), stock([face('none')]))).toEqual({ upright: null, flat: null }));
});
