import { z } from 'zod';
import { lengthOf, lengthText, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import {
  polygon,
  rect,
  shapeOfOutline,
  type Finish,
  type Point,
  type Rect,
  type Shape,
  type Size,
} from '../../geometry/index.ts';
import { lengthAt, sizeAt } from '../../line/index.ts';
import type { Blank } from '../blanks.ts';
import { lengthField, type Field, type FieldPath, choiceField } from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer, outerDimsOf } from '../laying.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths, ownProblem, capLength } from '../plain.ts';
import type {
  Arithmetic,
  Dim,
  Fact,
  Layer,
  Recipe,
  RecipeProblem,
  Slot,
  Suggestion,
  LayoutContext,
} from '../recipe.ts';
import {
  SEVERAL_PLACES,
  SEVERAL_REASONS,
  laySeveral,
  severalEquations,
  severalFields,
  severalKeys,
  readSeveral,
} from '../several.ts';
import { term, type Equation } from '../sums.ts';

/*
 * A pocket that holds a card, open at one edge; g is glued:
 *
 *        +--card--+              pocket = card + play on both sides + a glued edge on both sides
 *     +--|        |--+  open     up     = card + play + glued edge − what of the card sticks out
 *     |g |        | g|
 *     |  +--------+  |           of flaps folded behind, or of one piece folded at the bottom, less is glued; then the cut is larger
 *     +------g-------+
 *
 * What must hold a card goes up to the mark.
 */

const OPENS = ['top', 'right', 'left'] as const;
const MADE = ['patch', 'flaps', 'folded'] as const;
const CARDS = ['there', 'cut'] as const;
const size = { width: lengthText().optional(), height: lengthText().optional() };

const pocketSchema = z.strictObject({
  card: z.strictObject({ ...size, from: z.enum(CARDS) }),
  pocket: z.strictObject(size),
  /** On each closed side, so that the card goes in and out. */
  play: lengthText({ allow: 'zero' }).optional(),
  /** How wide an edge is glued, or how deep a flap is. */
  glue: lengthText().optional(),
  /** How far the card sticks out; left out: not at all. */
  peek: lengthText({ allow: 'zero' }).optional(),
  made: z.enum(MADE),
  opens: z.enum(OPENS),
  /** Half a hole in the open edge, to take the card by; left out: none. */
  thumb: lengthText().optional(),
  ...severalKeys,
});
export type PocketInput = z.infer<typeof pocketSchema>;

const CARD: FieldPath = ['card'];
const POCKET: FieldPath = ['pocket'];
const PLAY: FieldPath = ['play'];
const GLUE: FieldPath = ['glue'];
const PEEK: FieldPath = ['peek'];
const THUMB: FieldPath = ['thumb'];
const AXES = ['width', 'height'] as const;
type Axis = (typeof AXES)[number];
const along = (group: FieldPath, axis: Axis): FieldPath => [...group, axis];

/** Which way the card goes in. */
const inAxis = ({ opens }: PocketInput): Axis => (opens === 'top' ? 'height' : 'width');
/** How many of the two edges along an axis are glued on the front itself. */
function gluedEdges({ made }: PocketInput, open: boolean): number {
  if (made === 'flaps') return 0;
  if (made === 'folded') return open ? 0 : 2;
  return open ? 1 : 2;
}

function arithmetic(input: PocketInput, table: LayoutContext): Arithmetic {
  const read = readGivenLengths(table.unit);
  const { give } = read;
  for (const axis of AXES) {
    give(along(CARD, axis), input.card[axis]);
    give(along(POCKET, axis), input.pocket[axis]);
  }
  give(PLAY, input.play, 'assumed', 'zero');
  give(GLUE, input.glue);
  // what is not said follows from the size of the pocket, where that is
  const sized =
    input.pocket[inAxis(input)] !== undefined && input.card[inAxis(input)] !== undefined && input.play !== undefined;
  give(PEEK, input.peek ?? (sized ? undefined : '0'), 'assumed', 'zero');
  give(THUMB, input.thumb);
  const equations = AXES.map((axis): Equation => {
    const open = axis === inAxis(input);
    const glued = gluedEdges(input, open);
    return [
      term(along(POCKET, axis), 1),
      term(along(CARD, axis), -1),
      term(PLAY, open ? -1 : -2),
      ...(glued ? [term(GLUE, -glued)] : []),
      ...(open ? [term(PEEK, 1)] : []),
    ];
  });
  equations.push([term(GLUE, 1), term(GLUE, -1)], ...severalEquations(input, read));
  return { equations, givens: read.givens, problems: read.problems };
}

/** A card with play and glued edges: how large a pocket is, where it is glued, where nothing may be fastened. */
export const pocket: Recipe<'pocket', PocketInput> = {
  ...PLAIN_RECIPE,
  id: 'pocket',
  input: pocketSchema,
  roles: ['front', 'card', 'inside'],
  reasons: [...SEVERAL_REASONS, 'out-altogether', 'thumb-too-large'],
  advice: ['no-play'],
  phrases: [
    'pocket for a 3 x 4 card, play 1/16, glue 1/4',
    'two pockets for 2 x 3 tags, play 1/8, peek 1/2',
    'pocket 3 1/2 x 4 with 1/4 glued edges',
    'pocket for a 70 mm x 100 mm card, play 2 mm, flaps 10 mm',
    'folded pocket for a 3 x 4 card, glue 1/4, thumb 3/4',
  ],

  start: (table) => {
    const { unit, room } = table;
    const inch = unit === 'in';
    const fit = (wished: string, most: number) => capLength(wished, most, table);
    const small = room.width < lengthOf('4', 'in');
    return {
      card: {
        width: fit(inch ? '3' : '75', room.width * 0.6),
        height: fit(inch ? '4' : '100', room.height * 0.6),
        from: 'there',
      },
      pocket: {},
      play: inch ? '1/16' : '1.5',
      glue: inch ? (small ? '1/8' : '1/4') : small ? '3' : '6',
      peek: fit(inch ? '3/4' : '20', room.height * 0.1),
      made: 'patch',
      opens: 'top',
      number: 1,
    };
  },
  fields: (input): readonly Field[] => {
    const { card, pocket: own, play, glue, peek, made, opens, thumb } = input;
    return [
      ...AXES.map((axis) => lengthField(along(CARD, axis), card[axis])),
      choiceField(['card', 'from'], CARD, card.from, CARDS),
      lengthField(PLAY, play, { allow: 'zero', group: POCKET }),
      lengthField(GLUE, glue, { group: POCKET, ...(made === 'flaps' ? { ifEmpty: 'refused' } : {}) }),
      ...AXES.map((axis) => lengthField(along(POCKET, axis), own[axis])),
      lengthField(PEEK, peek, { allow: 'zero', ifEmpty: 'by-rule', group: POCKET }),
      choiceField(['made'], ['made'], made, MADE),
      choiceField(['opens'], ['made'], opens, OPENS),
      lengthField(THUMB, thumb, { ifEmpty: 'by-rule', group: ['made'] }),
      ...severalFields(input),
    ];
  },
  givesWay: (input, path) => {
    const open = inAxis(input);
    const [into, beside] = open === 'height' ? (['height', 'width'] as const) : (['width', 'height'] as const);
    const [pocketIn, pocketBeside] = [along(POCKET, into), along(POCKET, beside)];
    if (path[0] === 'pocket')
      return path.at(-1) === into
        ? { own: [PEEK, along(CARD, into)], others: [PLAY, GLUE] }
        : { own: [along(CARD, beside), PLAY], others: [GLUE, PEEK] };
    if (path[0] === 'card')
      return { own: [along(POCKET, path.at(-1) as Axis)], others: path.at(-1) === into ? [PEEK, PLAY] : [PLAY, GLUE] };
    if (path[0] === 'peek') return { own: [pocketIn], others: [along(CARD, into)] };
    return { own: [pocketBeside, pocketIn, PEEK], others: AXES.map((axis) => along(CARD, axis)) };
  },
  standsStill: (input, path) => {
    const into = inAxis(input);
    if (path[0] === 'card') return [along(POCKET, path.at(-1) as Axis), ...(path.at(-1) === into ? [PEEK] : [])];
    if (path[0] === 'pocket')
      return [along(CARD, path.at(-1) as Axis), PLAY, GLUE, ...(path.at(-1) === into ? [PEEK] : [])];
    if (path[0] === 'play' || path[0] === 'glue') {
      const beside = into === 'height' ? 'width' : 'height';
      return [along(POCKET, beside)];
    }
    return [];
  },
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const none = findNotPositive([...AXES.flatMap((axis) => [along(CARD, axis), along(POCKET, axis)]), GLUE], near);
    const below = [PLAY, PEEK].filter((path) => near(path) < 0);
    if (none.length || below.length)
      return makeRefusal([
        ...none,
        ...below.map((path): RecipeProblem => ({ code: 'size-not-positive', path, size: near(path) })),
      ]);
    const [play, glue, peek] = [near(PLAY), near(GLUE), near(PEEK)];
    const into = inAxis(input);
    const card: Size = { width: near(along(CARD, 'width')), height: near(along(CARD, 'height')) };
    if (peek >= card[into]) return makeRefusal([ownProblem('out-altogether', PEEK, peek, card[into])]);
    const front = onMark({ width: near(along(POCKET, 'width')), height: near(along(POCKET, 'height')) }, table);
    const mouth = into === 'height' ? front.width : front.height;
    const thumb = input.thumb === undefined ? 0 : near(THUMB);
    if (thumb > mouth / 2 || thumb / 2 > front[into] / 2)
      return makeRefusal(
        [ownProblem('thumb-too-large', THUMB, thumb, mouth)],
        [{ path: THUMB, length: roundToMark(ticks(Math.floor(Math.min(mouth / 2, front[into]))), table.mark, 'down') }],
      );
    const whole: Size =
      into === 'height'
        ? { width: front.width, height: ticks(front.height + peek) }
        : { width: ticks(front.width + peek), height: front.height };
    const laid = laySeveral(input, whole, solution, table);
    if (!laid.ok) return makeRefusal(laid.problems, laid.offers);
    const glueOn = (open: boolean) => (gluedEdges(input, open) ? glue : 0);
    const layers: Layer[] = [];
    const slots: Slot[] = [];
    laid.at.forEach(({ x, y }, i) => {
      const shift = input.opens === 'left' ? peek : 0;
      const face = rect(x + shift, y, front.width, front.height);
      const inside = insideOf(input, face, glueOn(false), glueOn(true));
      const lies = cardIn(input, inside, card, play);
      const named = (role: string, box: Rect, group: FieldPath, more: Partial<Layer>) =>
        makeLayer({ key: `${role}-${i + 1}`, role, n: i + 1, box, group, ...more });
      layers.push(
        named('card', lies, CARD, { blank: input.card.from === 'cut' ? 'card' : null, along: true }),
        named('front', face, POCKET, { blank: 'front', shape: thumb ? withThumb(face, thumb, input) : null }),
      );
      slots.push({ key: `inside-${i + 1}`, role: 'inside', n: i + 1, box: inside });
    });
    const blanks: Blank[] = [frontBlank(input, front, glue, thumb, table)];
    if (input.card.from === 'cut')
      blanks.push(makeBlank({ key: 'card', role: 'card', n: 1, quantity: input.number }, card, table.mark, 'nearest'));
    const suggestions: Suggestion[] = play === 0 ? [{ code: 'own', why: 'no-play', path: PLAY, lengths: [] }] : [];
    const first = slots[0]!.box;
    const facts: Fact[] = [
      { name: `glued-${input.made}`, lengths: [glue, ticks(OPENS.indexOf(input.opens))] },
      { name: 'keep-free', lengths: [first.width, first.height] },
      ...(input.made === 'patch' ? [] : [{ name: 'cut', lengths: [blanks[0]!.width, blanks[0]!.height] }]),
    ];
    return {
      status: 'solved',
      laid: { size: laid.size, layers, blanks, slots, dims: dimsOf(input, layers[0]!, layers[1]!, peek), facts },
      values: solution.values,
      sums: solution.sums,
      suggestions,
    };
  },

  grammar: {
    heads: ['pocket'],
    places: {
      ...SEVERAL_PLACES,
      card: { kind: 'size', words: ['for', 'card', 'tag', 'hold', 'holding', 'photo', 'holds'] },
      pocket: { kind: 'size', words: ['pocket'] },
      play: { kind: 'length', words: ['play', 'ease', 'room', 'slack'] },
      glue: { kind: 'length', words: ['glue', 'glued', 'flap', 'seam', 'edge', 'stitched'], alone: true },
      peek: { kind: 'length', words: ['peek', 'out', 'stick', 'showing', 'sticking'] },
      thumb: { kind: 'length', words: ['thumb', 'notch'], alone: true },
    },
    flags: {
      flaps: ['flap'],
      folded: ['folded', 'fold'],
      right: ['right', 'side'],
      left: ['left'],
      cut: ['cut'],
    },
    usual: ['card'],
    idle: [
      'journal',
      'journaling',
      'on-some-sides',
      'open',
      'opening',
      'journaling',
      'hole',
      'top',
      'patch',
      'library',
    ],
  },
  read: (heard, table) => {
    const inch = table.unit === 'in';
    const said = (place: string) => lengthAt(heard, place);
    const [card, outer] = [sizeAt(heard, 'card'), sizeAt(heard, 'pocket')];
    if (!card && !outer) return null;
    const [play, glue, peek, thumb] = [said('play'), said('glue'), said('peek'), said('thumb')];
    const flaps = heard.flags.has('flaps') || heard.values.some((v) => v.word !== null && /^flaps?$/.test(v.word));
    const thumbed = thumb ?? (heard.flags.has('thumb') ? (inch ? '3/4' : '20') : undefined);
    return {
      card: { ...(card ?? {}), from: heard.flags.has('cut') ? 'cut' : 'there' },
      pocket: card ? {} : outer!,
      play: play ?? (inch ? '1/16' : '1.5'),
      glue: glue ?? (inch ? '1/4' : '6'),
      ...(peek === undefined ? (card ? {} : { peek: '0' }) : { peek }),
      made: heard.flags.has('folded') ? 'folded' : flaps ? 'flaps' : 'patch',
      opens: heard.flags.has('right') ? 'right' : heard.flags.has('left') ? 'left' : 'top',
      ...(thumbed === undefined ? {} : { thumb: thumbed }),
      ...readSeveral(heard, table),
    };
  },
};

const onMark = ({ width, height }: Size, { mark }: LayoutContext): Size => ({
  width: roundToMark(width, mark, 'up'),
  height: roundToMark(height, mark, 'up'),
});

/** What is free between the glued edges. */
function insideOf({ opens }: PocketInput, face: Rect, beside: number, end: number): Rect {
  const { x, y, width, height } = face;
  if (opens === 'top') return rect(x + beside, y + end, width - 2 * beside, height - end);
  return rect(opens === 'right' ? x + end : x, y + beside, width - end, height - 2 * beside);
}

/** Where the card lies: in the middle between the sides, as far in as it goes. */
function cardIn({ opens }: PocketInput, inside: Rect, card: Size, play: Ticks): Rect {
  const middle = (from: number, room: number, long: number) => from + Math.floor((room - long) / 2);
  if (opens === 'top')
    return rect(middle(inside.x, inside.width, card.width), inside.y + play, card.width, card.height);
  const y = middle(inside.y, inside.height, card.height);
  const x = opens === 'right' ? inside.x + play : inside.x + inside.width - play - card.width;
  return rect(x, y, card.width, card.height);
}

/** The front with half a hole in the middle of its open edge. */
function withThumb({ x, y, width, height }: Rect, thumb: number, { opens }: PocketInput): Shape {
  const r = Math.floor(thumb / 2);
  const at = (px: number, py: number): Point => ({ x: ticks(px), y: ticks(py) });
  const [right, top] = [x + width, y + height];
  const corners = [at(x, y), at(right, y), at(right, top), at(x, top)];
  const middle =
    opens === 'top'
      ? at(x + Math.floor(width / 2), top)
      : at(opens === 'right' ? right : x, y + Math.floor(height / 2));
  // after which corner the open edge begins, and the two ends of the half hole along it
  const [after, from, to] =
    opens === 'top'
      ? ([2, at(middle.x + r, top), at(middle.x - r, top)] as const)
      : opens === 'right'
        ? ([1, at(right, middle.y - r), at(right, middle.y + r)] as const)
        : ([3, at(x, middle.y + r), at(x, middle.y - r)] as const);
  const segments = corners.flatMap((corner, i) => [
    ...(i ? [{ to: corner }] : []),
    ...(i === after ? [{ to: from }, { to, centre: middle, turn: 'right' as const }] : []),
  ]);
  return shapeOfOutline({ start: corners[0]!, segments: [...segments, { to: corners[0]! }] });
}

/** What is cut for the front: as it is, with flaps round it, or with its back. */
function frontBlank(input: PocketInput, front: Size, glue: Ticks, thumb: number, { mark }: LayoutContext): Blank {
  const { made, opens, number } = input;
  const base = { key: 'front', role: 'front', n: 1, quantity: number, makes: number };
  const at = (x: number, y: number): Point => ({ x: ticks(x), y: ticks(y) });
  const holes = (x: number, y: number): Finish[] =>
    thumb ? [{ do: 'holes', at: [at(x, y)], across: ticks(thumb) }] : [];
  const { width: w, height: h } = front;
  const mid = (long: number) => Math.floor(long / 2);
  if (made === 'patch') {
    const hole = opens === 'top' ? holes(mid(w), h) : holes(opens === 'right' ? w : 0, mid(h));
    return makeBlank({ ...base, finish: hole }, front, mark, 'up');
  }
  if (made === 'folded') {
    // the back lies beyond the fold, which is across from the opening
    if (opens === 'top') {
      const finish: Finish[] = [{ do: 'fold', from: at(0, h), to: at(w, h) }, ...holes(mid(w), 2 * h)];
      return makeBlank({ ...base, finish }, { width: w, height: ticks(2 * h) }, mark, 'up');
    }
    const finish: Finish[] = [
      { do: 'fold', from: at(w, 0), to: at(w, h) },
      ...holes(opens === 'right' ? 2 * w : 0, mid(h)),
    ];
    return makeBlank({ ...base, finish }, { width: ticks(2 * w), height: h }, mark, 'up');
  }
  const g = glue;
  const [l, r, t] = [opens === 'left' ? 0 : g, opens === 'right' ? 0 : g, opens === 'top' ? 0 : g];
  const [x0, x1, y0, y1] = [l, l + w, g, g + h];
  // each flap aslant at both ends, so that they do not lie on one another
  const corners: (readonly [number, number])[] = [
    ...([
      [x0, y0],
      [x0 + g, 0],
      [x1 - g, 0],
      [x1, y0],
    ] as const),
    ...(r
      ? ([
          [x1 + r, y0 + g],
          [x1 + r, y1 - (t ? g : 0)],
          [x1, y1],
        ] as const)
      : ([[x1, y1]] as const)),
    ...(t
      ? ([
          [x1 - g, y1 + t],
          [x0 + g, y1 + t],
          [x0, y1],
        ] as const)
      : ([[x0, y1]] as const)),
    ...(l
      ? ([
          [0, y1 - (t ? g : 0)],
          [0, y0 + g],
        ] as const)
      : []),
  ];
  const folds: Finish[] = [
    { do: 'fold', from: at(x0, y0), to: at(x1, y0) },
    ...(l ? [{ do: 'fold', from: at(x0, y0), to: at(x0, y1) } as const] : []),
    ...(r ? [{ do: 'fold', from: at(x1, y0), to: at(x1, y1) } as const] : []),
    ...(t ? [{ do: 'fold', from: at(x0, y1), to: at(x1, y1) } as const] : []),
  ];
  const hole = opens === 'top' ? holes(x0 + mid(w), y1) : holes(opens === 'right' ? x1 : x0, y0 + mid(h));
  const blank = { width: ticks(w + l + r), height: ticks(h + g + t) };
  const narrow = w <= 2 * g || h <= 2 * g;
  return makeBlank(
    {
      ...base,
      shape: narrow ? null : shapeOfOutline(polygon(corners)),
      finish: [...(narrow ? [] : [{ do: 'outline', as: 'shape' } as const]), ...folds, ...hole],
    },
    blank,
    mark,
    'up',
  );
}

function dimsOf(input: PocketInput, card: Layer, front: Layer, peek: number): Dim[] {
  const on = (x: number, y: number): Point => ({ x: ticks(Math.round(x)), y: ticks(Math.round(y)) });
  const { x, y, width, height } = front.box;
  const [spanAcross, spanUp] = outerDimsOf(POCKET, { width, height }) as [
    Extract<Dim, { kind: 'span' }>,
    Extract<Dim, { kind: 'span' }>,
  ];
  const moved = (p: Point) => on(p.x + x, p.y + y);
  const right = card.box.x + card.box.width;
  const dims: (Dim | false)[] = [
    { ...spanAcross, side: 'bottom', from: on(x, y), to: on(x + width, y) },
    { ...spanUp, from: moved(spanUp.from), to: moved(spanUp.to) },
    { kind: 'leader', path: along(CARD, 'width'), at: on(right - card.box.width / 3, card.box.y + card.box.height) },
    { kind: 'leader', path: along(CARD, 'height'), at: on(right, card.box.y + card.box.height * 0.8) },
    peek > 0 && input.opens === 'top' && { kind: 'leader', path: PEEK, at: on(right, y + height + peek / 2) },
    { kind: 'leader', path: PLAY, at: on(right + (x + width - right) * 0.15, y + height * 0.55) },
    { kind: 'leader', path: GLUE, at: on(x + width - (x + width - right) * 0.3, y + height * 0.3) },
  ];
  return dims.filter((dim): dim is Dim => Boolean(dim));
}
