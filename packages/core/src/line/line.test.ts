import { describe, expect, test } from '@jest/globals';
import { countAt, matchGrammar, lengthAt, lengthsAt, sizeAt, type Grammar } from './index.ts';
import { tokenize } from './tokens.ts';

const said = (line: string): string =>
  tokenize(line)
    .map((t) => {
      switch (t.kind) {
        case 'word':
          return t.word;
        case 'stop':
          return '|';
        case 'size':
          return `[${t.width} x ${t.height}]`;
        case 'length':
          return `<${t.text}${t.whole === null ? '' : ' whole'}${t.spelled ? ' spelled' : ''}${t.times ? ' times' : ''}>`;
      }
    })
    .join(' ');

describe('the words and values of a line', () => {
  test.each([
    ['gap 1/4, margin 3 1/2', 'gap <1/4> | margin <3 1/2>'],
    ['Five 2 1/2" strips', '<5 whole spelled> <2 1/2"> strips'],
    ['five half-inch strips', '<5 whole spelled> <1/2 in spelled> strips'],
    ['3/8-inch and 12-in', '<3/8 inch> and <12 in>'],
    ['on A4, an a5 sheet', 'on [210 mm x 297 mm] | an [148 mm x 210 mm] sheet'],
    ['letter size, a letter', '[8 1/2 in x 11 in] size | a letter'],
    ['half the page in blue and half in white', 'half-page in blue and in white'],
    ['the left half, top half inch', 'the left | top <1/2 in spelled>'],
    ['half an inch', '<1/2 in spelled>'],
    ['a quarter of an inch', '<1/4 in spelled>'],
    ['quarter gaps', '<1/4 spelled> gaps'],
    ['three quarters', '<3/4 spelled>'],
    ['3 quarters', '<3/4 spelled>'],
    ['three eighths of an inch wide', '<3/8 in spelled> wide'],
    ['one and a half', '<1 1/2 spelled>'],
    ['2 and three quarter inches', '<2 3/4 in spelled>'],
    ['an inch', '<1 in spelled>'],
    ['an inch and a half', '<1 1/2 in spelled>'],
    ['two inches', '<2 in spelled>'],
    ['ten millimetres', '<10 mm spelled>'],
    ['six by four', '[6 x 4]'],
    ['six by 4 1/2', '[6 x 4 1/2]'],
    ['3 x 5 mm', '[3 mm x 5 mm]'],
    ['1/8 1/4', '<1/8> <1/4>'],
    ['4⅙ ⅙', '<4⅙> <⅙>'],
    ["12'' 3\"", "<12''> <3\">"],
    ['2,5 cm 3', '<2,5 cm> <3 whole>'],
    ['4 5 cm', '<4 cm whole> <5 cm>'],
    ['0 1', '<0 whole> <1 whole>'],
    ['3, 6 mm', '<3 mm whole> | <6 mm>'],
    ['2 3 and 4 mm', '<2 mm whole> <3 mm whole> and <4 mm>'],
    ['2 mm 3', '<2 mm> <3 whole>'],
    ['1/8 round 6 mm', '<1/8> round <6 mm>'],
    ['five 30 mm', '<5 whole spelled> <30 mm>'],
    ['10 cm by 15 cm', '[10 cm x 15 cm]'],
    ['2 1/4 square', '[2 1/4 x 2 1/4]'],
    ['five 2 squares', '<5 whole spelled> <2 whole> squares'],
    ['a dozen', '<12 whole spelled>'],
    ['half a dozen tags', '<6 whole spelled> tags'],
    ['banners x5', 'banners <5 whole times>'],
    ['x3 tags', '<3 whole times> tags'],
    ['4 x5', '[4 x 5]'],
    ['tags x 3 1/2', 'tags x <3 1/2>'],
    ['half and half', 'half-and-half'],
    ['Half  Base, edge to edge', 'half-base | edge-to-edge'],
    ['half and a quarter', '<1/2 spelled> and <1/4 spelled>'],
    ['photo’s mat', "photo's mat"],
    ['twenty-one', '<21 whole spelled>'],
    ['thirty four strips', '<34 whole spelled> strips'],
    ['twenty', '<20 whole spelled>'],
    ['−1/8', '<−1/8>'],
    ['& so', '& so'],
    ['', ''],
  ])('%s', (line, tokens) => expect(said(line)).toBe(tokens));
});

describe('what belongs to what', () => {
  const grammar: Grammar = {
    heads: ['kite'],
    places: {
      count: { kind: 'count', words: [], most: 20 },
      size: { kind: 'size', words: ['kite', 'sail'] },
      gap: { kind: 'length', words: ['gap', 'apart'] },
      tail: { kind: 'length', words: ['tail'], many: true, alone: true },
      hem: { kind: 'length', words: ['hem'] },
    },
    flags: { red: ['red', 'scarlet'] },
    usual: ['size', 'tail'],
    idle: ['windy'],
  };
  const about = (line: string) => {
    const line_ = matchGrammar(tokenize(line), grammar, 'in');
    if (!line_) return null;
    if (!line_.ok) return line_.problem;
    const { heard } = line_;
    const values = heard.values.map((v) => `${v.place} ${v.texts.join(' x ')}`).join(', ');
    return [values, ...heard.flags].join('; ');
  };
  test.each([
    ['kite gap 1/4 hem 1/2', 'gap 1/4, hem 1/2'],
    ['kite 1/4 gap 1/2 hem', 'gap 1/4, hem 1/2'],
    ['kite gap 1/4, 1/2 hem', 'gap 1/4, hem 1/2'],
    ['kite 1/2 hem gap 1/4', 'hem 1/2, gap 1/4'],
    ['kite with a gap of 1/4', 'gap 1/4'],
    ['kites a quarter apart', 'gap 1/4'],
    ['five kites', 'count 5'],
    ['5 kites', 'count 5'],
    ['5 30 mm tail kites', 'count 5, tail 30 mm'],
    ['5 red kites', 'count 5; red'],
    ['three windy 2 x 5 kites', 'count 3, size 2 x 5'],
    ['kite 3 4 5', 'tail 3, tail 4, tail 5'],
    ['kite tail 3, 4', 'tail 3, tail 4'],
    ['kite with tails', '; tail'],
    ['SCARLET Kite!', '; red'],
    ['kitess 2 x 3', null],
    ['gap 1/4', null],
    ['kites, scarlett', '; red'],
    ['kites, scarletttt', { code: 'word-unknown', text: 'scarletttt' }],
    ['kite gpa 1/4', { code: 'word-unknown', text: 'gpa' }],
    ['kite gap', { code: 'value-missing', text: 'gap' }],
    ['kite gap 2 x 3', { code: 'value-missing', text: 'gap' }],
    ['kite 2 x 3, 4 x 5', { code: 'said-twice', text: '4 x 5' }],
    ['21 kites', { code: 'too-many', text: '21', most: 20 }],
    ['kite gap 1/0', { code: 'length-unreadable', text: '1/0' }],
  ])('%s', (line, all) => expect(about(line)).toEqual(all));
  test('a value that has no place at all', () => {
    const bare: Grammar = { heads: ['kite'], places: {}, usual: [] };
    expect(matchGrammar(tokenize('kite 3'), bare, 'in')).toMatchObject({
      ok: false,
      problem: { code: 'goes-nowhere', text: '3' },
    });
  });
  test('how many of its words were known tells which recipe a line is about', () => {
    expect(matchGrammar(tokenize('red kite gap 1/4'), grammar, 'in')).toMatchObject({ ok: true, known: 3 });
    expect(matchGrammar(tokenize('a kite of the windy week'), grammar, 'in')).toMatchObject({ ok: false, known: 1 });
  });
  test('what a recipe asks of it', () => {
    const line = matchGrammar(tokenize('4 kites 2 x 3, gap 1/4, tails 5 and 6'), grammar, 'in');
    if (!line?.ok) throw new Error(JSON.stringify(line));
    const { heard } = line;
    expect([countAt(heard, 'count'), sizeAt(heard, 'size'), lengthAt(heard, 'gap'), lengthsAt(heard, 'tail')]).toEqual([
      ...[4, { width: '2', height: '3' }, '1/4', ['5', '6']],
    ]);
    expect([countAt(heard, 'hem'), sizeAt(heard, 'gap'), lengthAt(heard, 'hem'), lengthsAt(heard, 'hem')]).toEqual([
      ...[undefined, null, undefined, []],
    ]);
  });
});
