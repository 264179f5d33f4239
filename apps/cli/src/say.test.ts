import { describe, expect, test } from '@jest/globals';
import type { Answer } from '@temnex/words';
import { run } from './run.ts';

async function say(...args: string[]) {
  let out = '';
  let err = '';
  const world = { out: (t: string) => (out += t), err: (l: string) => (err += `${l}\n`), now: () => 0 };
  const code = await run(['say', ...args], world);
  return { code, out, err };
}
async function answer(...args: string[]): Promise<Answer & { code: number; value: (name: string) => string }> {
  const { code, out } = await say(...args, '--json');
  const told = JSON.parse(out) as Answer;
  return { ...told, code, value: (name) => told.values.find((v) => v.name === name)?.text ?? '' };
}

describe('worked numbers, said in one line', () => {
  const sizes = ({ pieces }: Answer) => pieces.map((p) => `${p.width} x ${p.height}`);
  test.each([
    ['3/16 mat round 3 7/8 x 5 5/8', ['4 1/4 x 6']],
    ['mats 1/8 1/16 3/8 round 3 1/2 x 5', ['4 5/8 x 6 1/8', '3 7/8 x 5 3/8', '3 3/4 x 5 1/4']],
    ['footer mat 3/16, 11/16 at the bottom, round 2 1/4 square', ['2 5/8 x 3 1/8']],
    ['panels 11 1/4 square, 9 1/2 square, 9 square', ['12 x 12', '11 1/4 x 11 1/4', '9 1/2 x 9 1/2', '9 x 9']],
  ])('%s', async (line, cut) => expect(sizes(await answer(line))).toEqual(cut));
  test('the largest print for a paper, with its sum', async () => {
    const told = await answer('how big a photo on 4 1/2 x 5 7/8 with a quarter showing');
    expect([told.code, told.value('width of the print'), told.value('height of the print')]).toEqual([0, '4', '5 3/8']);
    expect(told.values[0]).toEqual({
      name: 'width of the print',
      text: '4',
      exact: '4',
      given: false,
      sum: '4 1/2 − 1/4 − 1/4 = 4',
    });
  });
  test('uneven reveals, and what even ones would be', async () => {
    const { offers, value } = await answer('mat 5 1/2 x 3 3/4 round a 5 x 3 1/2 print');
    expect([value('left and right of mat 1'), value('top and bottom of mat 1')]).toEqual(['1/4', '1/8']);
    expect(offers.join()).toContain('5 1/2 × 4 (1/4 all round) or 5 1/4 × 3 3/4 (1/8 all round)');
  });
  test('a notch, its centre mark, and where each banner begins', async () => {
    const told = await answer('3 banners 2 1/2 x 6 notch 7/8 gap 1/4');
    expect(told.pieces).toEqual([
      {
        name: 'banners',
        width: '2 1/2',
        height: '6',
        quantity: 3,
        finish: ['cut a notch 7/8 deep, its tip 1 1/4 from the side'],
      },
    ]);
    expect(told.marks).toEqual([
      { name: 'banners: pencil line, from the left', at: '1 1/4' },
      { name: 'banners, no. 1 begins, from the left', at: '2' },
      { name: 'banners, no. 2 begins, from the left', at: '4 3/4' },
      { name: 'banners, no. 3 begins, from the left', at: '7 1/2' },
    ]);
  });
  test('what does not come out on the mark goes to the margins', async () => {
    const told = await answer('six banners, gap 1/8, margin 3/4');
    expect([told.value('width of one banner'), told.value('margin of the row')]).toEqual(['1 5/8', '13/16']);
    expect(told.values[0]!.sum).toContain('1.6458');
    expect(told.offers).toHaveLength(1);
  });
});

describe('temnex say', () => {
  test('in words: what was understood, what is worked out, what to cut, where to pencil', async () => {
    expect(await say('3/16 mat round', '3 7/8 x 5 5/8')).toEqual({
      code: 0,
      err: '',
      out: [
        'Mats: width of the print 3 7/8, height of the print 5 5/8, reveal of mat 1 3/16',
        'width of mat 1: 4 1/4   [3 7/8 + 3/16 + 3/16 = 4 1/4]',
        'height of mat 1: 6   [5 5/8 + 3/16 + 3/16 = 6]',
        'cut 1 × photo 1, mat 1: 4 1/4 x 6',
        '',
      ].join('\n'),
    });
  });
  test('refused with reasons, and what would help: 3', async () => {
    const { code, out, err } = await say('mat 4 x 6 for a 4 1/4 x 6 print');
    expect([code, out.split('\n').length]).toEqual([3, 2]);
    expect(err).toBe(
      'Mat 1 is smaller than what lies on it: the reveal would be −1/8 left and right.\n' +
        'you could make the width of mat 1 4 1/4\nyou could make the width of the print 4\n',
    );
    const told = await answer('mat 4 x 6 for a 4 1/4 x 6 print');
    expect(told).toMatchObject({ code: 3, recipe: 'mat-stack', values: [], pieces: [], marks: [] });
    expect([told.problems.length, told.offers]).toEqual([
      1,
      ['make the width of mat 1 4 1/4', 'make the width of the print 4'],
    ]);
  });
  test('paper for the drawer is understood too', async () => {
    expect(await say('scrap 5 1/2 x 3 teal x2')).toEqual({ code: 0, out: '2 × scrap, 5 1/2 × 3, teal\n', err: '' });
    expect((await say('scrap five')).code).toBe(2);
  });
  test('not understood, the word named: 2', async () => {
    expect(await say('mat wobbly round 4 x 6')).toEqual({
      code: 2,
      out: '',
      err: 'I don\'t know "wobbly".\n',
    });
    expect(await say('washi-like strips 5/8 x 6, five')).toEqual({
      code: 2,
      out: '',
      err: 'I don\'t know "washi-like".\nyou could say: strips 5/8 x 6, five\n',
    });
    expect(await say('card 5 x 7')).toEqual({
      code: 2,
      out: '',
      err: 'Is it folded, or cut flat?\nyou could say: folded 5 x 7 card\nyou could say: 1 piece 5 x 7\n',
    });
    expect(await answer('a week of wind')).toMatchObject({ code: 2, understood: null, recipe: null, problems: [/./] });
  });
  test('in millimetres, at a mark of its own, on a page of its own', async () => {
    const metric = await answer('mat 6 round 89 x 127', '--unit', 'mm');
    expect(metric.pieces).toMatchObject([{ width: '101', height: '139' }]);
    expect(metric.values.find((v) => v.name === 'width of mat 1')).toMatchObject({ text: '101 mm', exact: '101' });
    const thirds = await answer('mat 1/8 round 3 1/3 x 5', '--mark', '1/32');
    expect(thirds.values.find((v) => v.name === 'width of mat 1')).toMatchObject({ exact: '3.583333333333' });
    expect(thirds.pieces[0]!.width).toBe('3 19/32');
    const small = await answer('panels 1/2', '--room', '6 x 8');
    expect(small.pieces.map((p) => [p.width, p.height])).toEqual([
      ['6', '8'],
      ['5', '7'],
    ]);
  });
  test.each([
    [[], 'say: say what'],
    [['mat 1/8 round 4x6', '--unit', 'ells'], '--unit: "ells"'],
    [['mat 1/8 round 4x6', '--mark', '1/7'], '--mark: "1/7"'],
    [['mat 1/8 round 4x6', '--unit', 'mm', '--mark', '1/16'], '--mark: 1/16 is no mark in mm'],
    [['mat 1/8 round 4x6', '--room', 'large'], '--room: "large"'],
    [['mat 1/8 round 4x6', '--loud'], "Unknown option '--loud'"],
  ])('%j', async (args, why) => {
    const { code, out, err } = await say(...args);
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain(why);
  });
});
