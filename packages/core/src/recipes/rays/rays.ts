import { exact, formatExactLength, lengthOf, roundToMark, ticks, type Ticks } from '../../length/index.ts';
import {
  boundsOf,
  circle,
  flattenContour,
  polygon,
  shapeOfOutline,
  type Finish,
  type Point,
  type Shape,
} from '../../geometry/index.ts';
import { countAt, lengthAt, lengthsAt, sizeAt, type ParsedValues } from '../../line/index.ts';
import type { Blank } from '../blanks.ts';
import {
  countField,
  fieldKey,
  lengthField,
  isSamePath,
  textField,
  withValue,
  type Field,
  type FieldPath,
  choiceField,
} from '../fields.ts';
import { readGivenLengths } from '../given.ts';
import { makeBlank, makeLayer } from '../laying.ts';
import { clipToPage } from '../onPage.ts';
import { LETTER_ORDER_PATTERN, repeatLetters } from '../order.ts';
import { PLAIN_RECIPE, findNotPositive, makeRefusal, solveLengths, ownProblem, ownAdvice } from '../plain.ts';
import type { Corner } from '../radial.ts';
import type { Arithmetic, Dim, Fact, Layer, Recipe, RecipeProblem, Suggestion, LayoutContext } from '../recipe.ts';
import { term, type Equation } from '../sums.ts';
import { ANGLES, CENTRES, HUBS, LONG, MAX_RAYS, ANGLES_PATTERN, raysSchema, type RaysInput } from './input.ts';
import { findLongestAslant, traceRay, visibleSectorOf, type RayReach } from './reach.ts';

/*
 * Strips that go out from a centre to the edge of the page; their inner ends are tucked under a hub.
 *
 *      ___________________      length = to where no part of it is on the page any more − (radius of the hub − tuck)
 *     |     /    /    __- |
 *     |    /   /  __--    |     it goes up to the mark, since it must reach; what stands over is trimmed off in place
 *     | .-/-./ --    ___--|
 *     |(hub )   __---     |     the centre may be a corner, on an edge, inside, or off the page
 *
 * Sines force floats: a length is rounded once, up to the mark.
 */

const HUB: FieldPath = ['hub'];
const RADIUS: FieldPath = ['hub', 'radius'];
const RAY: FieldPath = ['ray'];
const WIDTH: FieldPath = ['ray', 'width'];
const OTHER: FieldPath = ['ray', 'other'];
const TUCK: FieldPath = ['ray', 'tuck'];
const CENTRE: FieldPath = ['centre'];
const X: FieldPath = ['centre', 'x'];
const Y: FieldPath = ['centre', 'y'];
const TURNS: FieldPath = ['angles'];
const COUNT: FieldPath = ['angles', 'count'];
const APART: FieldPath = ['angles', 'apart'];
const TURN: FieldPath = ['angles', 'turn'];
const LIST: FieldPath = ['angles', 'list'];
const SHEET: FieldPath = ['sheet'];
const LAP: FieldPath = ['long', 'lap'];

function arithmetic({ centre, hub, ray, sheet, long }: RaysInput, { unit }: LayoutContext): Arithmetic {
  const { givens, problems, give } = readGivenLengths(unit);
  const asked: FieldPath[] = [RADIUS, WIDTH];
  give(RADIUS, hub.radius, 'assumed', 'zero');
  give(WIDTH, ray.width);
  give(OTHER, ray.other);
  give(TUCK, ray.tuck, 'assumed', 'zero');
  give([...SHEET, 'width'], sheet.width);
  give([...SHEET, 'height'], sheet.height);
  if (centre.at === 'typed') {
    give(X, centre.x, 'assumed', 'negative');
    give(Y, centre.y, 'assumed', 'negative');
    asked.push(X, Y);
  }
  if (long.how === 'join') give(LAP, long.lap);
  const equations: Equation[] = asked.map((path) => [term(path, 1), term(path, -1)]);
  return { equations, givens, problems };
}

/** Where the centre lies, from the lower left corner of the page. */
function centreOf({ centre }: RaysInput, { room }: LayoutContext, near: (path: FieldPath) => Ticks): Point {
  if (centre.at === 'typed') return { x: near(X), y: near(Y) };
  const side = (low: boolean, high: boolean, long: Ticks) => (low ? 0 : high ? long : Math.floor(long / 2));
  const { at } = centre;
  return {
    x: ticks(side(at.endsWith('left'), at.endsWith('right'), room.width)),
    y: ticks(side(at.startsWith('lower') || at === 'bottom', at.startsWith('upper') || at === 'top', room.height)),
  };
}

const typedAngles = (list: string): number[] =>
  list
    .split(/[ ,/°]+/)
    .filter(Boolean)
    .map(Number);

/** The angle of each ray, in degrees counter-clockwise from the right; null where nothing says how many. */
function anglesOf(
  { angles }: RaysInput,
  centre: Point,
  table: LayoutContext,
): { turns: number[]; apart: number } | null {
  if (angles.as === 'typed') return angles.list === undefined ? null : { turns: typedAngles(angles.list), apart: 0 };
  const { from, range } = visibleSectorOf(centre, table.room);
  const round = range === 360;
  const n =
    angles.count ??
    (angles.apart === undefined ? null : Math.max(1, Math.round(range / angles.apart) - (round ? 0 : 1)));
  if (n === null) return null;
  // all round they divide it; within two edges as much is left at both ends
  const apart = angles.apart ?? range / (round ? n : n + 1);
  const first = from + (angles.turn ?? 0) + (round ? 0 : (range - apart * (n - 1)) / 2);
  return { turns: Array.from({ length: Math.min(n, MAX_RAYS + 1) }, (_, i) => first + i * apart), apart };
}

/** Strips that go out from a point: how long each is with its slanted end, and which does not come from a sheet. */
export const rays: Recipe<'rays', RaysInput> = {
  ...PLAIN_RECIPE,
  id: 'rays',
  input: raysSchema,
  roles: ['ray', 'inner', 'hub'],
  reasons: [
    'misses-page',
    'under-hub',
    'too-many-rays',
    'wider-than-hub',
    'too-long-aslant',
    'lap-too-long',
    'same-twice',
  ],
  advice: ['too-long', 'tuck-too-short'],
  phrases: [
    'rays 3/4 wide from the lower left corner, hub 3, tuck 1/2, at 15, 30, 45, 60, 75 degrees',
    'seven rays 1/2 wide from the bottom, hub 2, tuck 1/2',
    'twelve rays 1 wide from the middle, hub 1 1/2',
    '9 rays 15 mm wide from the lower left corner, hub 60 mm, tuck 10 mm',
    'sunburst of 5 rays 1/2 wide from the upper right corner, hub 2',
  ],

  start: ({ unit, room, mark }) => {
    const inch = unit === 'in';
    const small = Math.min(room.width, room.height);
    const share = (part: number) =>
      formatExactLength(
        ticks(Math.max(mark.step, roundToMark(ticks(Math.floor(small * part)), mark, 'nearest'))),
        unit,
      );
    const sheet = inch ? '12' : '305';
    return {
      centre: { at: 'lower-left' },
      hub: { as: 'paper', radius: share(0.25) },
      ray: { width: share(0.0625), tuck: share(0.04) },
      angles: { as: 'even', count: 5 },
      sheet: { width: sheet, height: sheet },
      long: { how: 'whole' },
    };
  },
  fields: (input): readonly Field[] => {
    const { centre, hub, ray, angles, order, sheet, long } = input;
    return [
      choiceField(['centre', 'at'], CENTRE, centre.at, CENTRES),
      ...(centre.at === 'typed'
        ? [
            lengthField(X, centre.x, { allow: 'negative', ifEmpty: 'refused' }),
            lengthField(Y, centre.y, { allow: 'negative', ifEmpty: 'refused' }),
          ]
        : []),
      lengthField(RADIUS, hub.radius, { allow: 'zero', ifEmpty: 'refused' }),
      choiceField(['hub', 'as'], HUB, hub.as, HUBS),
      lengthField(WIDTH, ray.width, { ifEmpty: 'refused' }),
      lengthField(OTHER, ray.other, { ifEmpty: 'by-rule' }),
      lengthField(TUCK, ray.tuck, { allow: 'zero', ifEmpty: 'by-rule' }),
      choiceField(['angles', 'as'], TURNS, angles.as, ANGLES),
      ...(angles.as === 'even'
        ? [
            countField(COUNT, angles.count, { most: MAX_RAYS, ifEmpty: 'worked-out' }),
            countField(APART, angles.apart, { most: 180, ifEmpty: 'worked-out' }),
            countField(TURN, angles.turn, { least: 0, most: 359, ifEmpty: 'by-rule' }),
          ]
        : [textField(LIST, angles.list, { reads: ANGLES_PATTERN.source, example: '15 30 45 60 75' })]),
      textField(['order'], order, { reads: LETTER_ORDER_PATTERN.source, example: 'ab', group: RAY }),
      lengthField([...SHEET, 'width'], sheet.width, { ifEmpty: 'refused' }),
      lengthField([...SHEET, 'height'], sheet.height, { ifEmpty: 'refused' }),
      choiceField(['long', 'how'], SHEET, long.how, LONG),
      ...(long.how === 'join' ? [lengthField(LAP, long.lap, { ifEmpty: 'by-rule', group: SHEET })] : []),
    ];
  },
  /** How many and how far apart say each other; a centre that is typed begins where it was. */
  put: (input, path, value) => {
    const next = withValue(input, path, value);
    if (isSamePath(path, COUNT) && value !== undefined) return withValue(next, APART, undefined);
    if (isSamePath(path, APART) && value !== undefined) return withValue(next, COUNT, undefined);
    if (isSamePath(path, ['centre', 'at']) && value === 'typed')
      return { ...next, centre: { x: '0', y: '0', ...next.centre } };
    if (isSamePath(path, ['angles', 'as']) && value === 'typed' && next.angles.list === undefined)
      return withValue(next, LIST, '15 30 45 60 75');
    return next;
  },
  givesWay: () => ({ own: [], others: [] }),
  standsStill: (_input, path) => (isSamePath(path, COUNT) ? [APART] : isSamePath(path, APART) ? [COUNT] : []),
  arithmetic,

  solve: (input, table) => {
    const { solution, problems, near } = solveLengths(arithmetic(input, table));
    if (problems.length) return makeRefusal(problems);
    const sized = [WIDTH, [...SHEET, 'width'], [...SHEET, 'height'], ...(input.ray.other === undefined ? [] : [OTHER])];
    const none = findNotPositive(sized, near);
    if (none.length) return makeRefusal(none);
    const centre = centreOf(input, table, near);
    const angles = anglesOf(input, centre, table);
    if (!angles) return makeRefusal([{ code: 'missing', paths: input.angles.as === 'even' ? [COUNT] : [LIST] }]);
    const n = angles.turns.length;
    if (n > MAX_RAYS) return makeRefusal([ownProblem('too-many-rays', APART, n, MAX_RAYS)]);
    const radius = near(RADIUS);
    const tuck = input.ray.tuck === undefined ? ticks(Math.min(radius, usualTuck(table))) : near(TUCK);
    const widths = angles.turns.map((_, i) => (i % 2 && input.ray.other !== undefined ? near(OTHER) : near(WIDTH)));
    const begins = Math.max(0, radius - tuck);
    const widest = Math.max(...widths);
    if (radius > 0 && widest / 2 >= radius)
      return makeRefusal(
        [ownProblem('wider-than-hub', WIDTH, widest, 2 * radius)],
        [{ path: RADIUS, length: roundToMark(ticks(widest), table.mark, 'up') }],
      );
    const twice = angles.turns.findIndex((turn, i) => angles.turns.slice(0, i).some((one) => (one - turn) % 360 === 0));
    const at = input.angles.as === 'typed' ? LIST : COUNT;
    if (twice >= 0) return makeRefusal([ownProblem('same-twice', at, tenths(angles.turns[twice]!))]);
    const reached = angles.turns.map((angle, i) => traceRay(centre, table.room, { width: widths[i]!, angle, begins }));
    const missing = reached.findIndex((reach) => reach === null);
    if (missing >= 0) {
      const off =
        traceRay(centre, table.room, { width: widths[missing]!, angle: angles.turns[missing]!, begins: 0 }) === null;
      return makeRefusal([
        ownProblem(off ? 'misses-page' : 'under-hub', off ? at : RADIUS, tenths(angles.turns[missing]!), radius),
      ]);
    }
    const sheet = { width: near([...SHEET, 'width']), height: near([...SHEET, 'height']) };
    const cut = (reached as RayReach[]).map((reach, i): Ray => {
      const long = roundToMark(ticks(Math.ceil(reach.to - reach.from - 1e-6)), table.mark, 'up');
      return { ...reach, n: i + 1, turn: angles.turns[i]!, width: widths[i]!, length: long };
    });
    const lap = input.long.lap === undefined ? usualTuck(table) : near(LAP);
    const letters = repeatLetters(input.order ?? 'a', n);
    const made = cut.map((ray, i) => {
      const before = letters.indexOf(letters[i]!);
      const first = before < i ? `ray-${before + 1}` : null;
      return blanksFor(ray, input.long.how, sheet, lap, centre, table, first);
    });
    const odd = made.find((one) => 'why' in one);
    if (odd && 'why' in odd) return makeRefusal([odd.why]);
    const blanks = made.flatMap((one) => ('blanks' in one ? one.blanks : []));
    const layers = cut.map((ray): Layer => {
      const shape = shapeOfOutline(polygon(withoutTwins(ray.seen)));
      return makeLayer({
        key: `ray-${ray.n}`,
        role: 'ray',
        n: ray.n,
        box: boundsOf(shape),
        shape,
        group: RAY,
        sized: null,
        turned: ray.turn - 90,
        blank: `ray-${ray.n}`,
      });
    });
    const paper = input.hub.as === 'paper' && radius > 0 ? hubShape(centre, radius, table) : null;
    if (paper) {
      const box = boundsOf(paper);
      layers.push(makeLayer({ key: 'hub', role: 'hub', n: 1, box, shape: paper, group: HUB, sized: null }));
      blanks.push(
        makeBlank(
          {
            key: 'hub',
            role: 'hub',
            n: 1,
            shape: shapeOfOutline(polygon(cornersAt(paper, box.x, box.y))),
            finish: [{ do: 'outline', as: 'shape' }],
          },
          { width: box.width, height: box.height },
          table.mark,
          'up',
        ),
      );
    }
    const values = new Map(solution.values);
    values.set(fieldKey(TUCK), exact(tuck));
    if (input.ray.other === undefined) values.set(fieldKey(OTHER), exact(near(WIDTH)));
    if (input.angles.as === 'even') {
      values.set(fieldKey(COUNT), exact(n));
      values.set(fieldKey(APART), exact(Math.round(angles.apart)));
      values.set(fieldKey(TURN), exact(input.angles.turn ?? 0));
    }
    if (input.long.how === 'join') values.set(fieldKey(LAP), exact(lap));
    const straight = Math.max(sheet.width, sheet.height);
    const aslant = findLongestAslant(
      Math.max(...cut.filter((ray) => ray.length > straight).map((ray) => ray.width), 0),
      sheet,
    );
    const suggestions: Suggestion[] = cut.flatMap((ray): Suggestion[] =>
      ray.length > straight && input.long.how === 'whole'
        ? [
            ownAdvice(
              'too-long',
              ['long', 'how'],
              ray.n,
              ray.length,
              straight,
              roundToMark(ticks(Math.floor(aslant.length)), table.mark, 'down'),
            ),
          ]
        : [],
    );
    // along its sides the hub reaches less far than in the middle
    const covered = Math.sqrt(Math.max(0, radius ** 2 - (widest / 2) ** 2)) - (radius - tuck);
    if (radius > 0 && covered < 0)
      suggestions.push(
        ownAdvice('tuck-too-short', TUCK, Math.ceil(radius - Math.sqrt(radius ** 2 - (widest / 2) ** 2))),
      );
    const facts: Fact[] = [
      { name: 'angles', lengths: angles.turns.map((turn) => ticks(tenths(turn))) },
      { name: 'lengths', lengths: cut.map((ray) => ray.length) },
      ...(radius > 0 ? [{ name: 'begin', lengths: [ticks(Math.round(begins))] }] : []),
      ...blanks.flatMap((b): Fact[] =>
        b.role === 'inner' ? [{ name: 'joined', lengths: [ticks(b.n), b.height, lap] }] : [],
      ),
    ];
    return {
      status: 'solved',
      laid: {
        size: { width: table.room.width, height: table.room.height },
        layers,
        blanks,
        slots: [],
        dims: dimsOf(input, centre, radius, cut, table),
        facts,
      },
      values,
      sums: new Map(),
      suggestions,
    };
  },

  grammar: {
    heads: ['ray', 'sunray', 'sunbeam', 'beam', 'sunburst'],
    places: {
      count: { kind: 'count', words: [], most: MAX_RAYS },
      width: { kind: 'length', words: ['wide', 'width', 'ray'], alone: true },
      hub: { kind: 'length', words: ['hub', 'radius', 'sun'], alone: true },
      tuck: { kind: 'length', words: ['tuck', 'under', 'tucked'] },
      angles: { kind: 'length', words: ['at', 'degree', 'angle'], alone: true, many: true, upTo: 359 },
      sheet: { kind: 'size', words: ['sheet', 'paper', 'from'], alone: true, after: ['sheet', 'paper'] },
      ground: { kind: 'size', words: ['on', 'onto', 'over'], alone: true },
    },
    flags: {
      lower: ['lower', 'bottom'],
      upper: ['upper', 'top'],
      left: ['left'],
      right: ['right'],
      middle: ['middle', 'centre', 'center'],
      join: ['join', 'joined'],
      diagonal: ['diagonal', 'diagonally'],
      corner: ['corner'],
      edge: ['edge', 'side'],
    },
    usual: ['angles', 'width', 'ground'],
    idle: ['even', 'evenly', 'going', 'shining', 'radiating', 'strip', 'from', 'sun'],
  },
  read: readRays,
};

interface Ray extends RayReach {
  readonly n: number;
  readonly turn: number;
  readonly width: Ticks;
  readonly length: Ticks;
}

const tenths = (turn: number): number => Math.round((((turn % 360) + 360) % 360) * 10);

/** Half an inch (12 mm). */
const usualTuck = ({ unit }: LayoutContext): Ticks => lengthOf(unit === 'in' ? '1/2' : '12', unit);

/** Corners to the tick, each once. */
function withoutTwins(corners: readonly Corner[]): Corner[] {
  const rounded = corners.map(([x, y]): Corner => [Math.round(x), Math.round(y)]);
  return rounded.filter(([x, y], i) => {
    const [px, py] = rounded[(i + rounded.length - 1) % rounded.length]!;
    return x !== px || y !== py;
  });
}

/** The hub as far as it lies on the page; null where none of it does. */
function hubShape({ x, y }: Point, radius: Ticks, { room }: LayoutContext): Shape | null {
  const round = circle(x, y, radius);
  const inside = x >= radius && y >= radius && x + radius <= room.width && y + radius <= room.height;
  if (inside) return shapeOfOutline(round);
  // chords that stray by less than a thousandth of an inch
  const seen = withoutTwins(
    clipToPage(flattenContour(round, 24), room.width, room.height).map(([px, py]): Corner => [px!, py!]),
  );
  return seen.length < 3 ? null : shapeOfOutline(polygon(seen));
}
const cornersAt = (shape: Shape, x: number, y: number): Corner[] =>
  flattenContour(shape.outline, 24).map(([px, py]): Corner => [px - x, py - y]);

/** What a ray is cut from: a strip; two that lap where it is too long; or one laid aslant on a sheet. */
function blanksFor(
  ray: Ray,
  how: RaysInput['long']['how'],
  sheet: { readonly width: Ticks; readonly height: Ticks },
  lap: Ticks,
  centre: Point,
  { mark }: LayoutContext,
  first: string | null,
): { blanks: Blank[] } | { why: RecipeProblem } {
  const key = `ray-${ray.n}`;
  const paperFrom = first === null ? {} : { paperFrom: first };
  const base = { role: 'ray', n: ray.n, ...paperFrom };
  const straight = Math.max(sheet.width, sheet.height);
  const flush: Finish[] = [{ do: 'flush', edge: 'top' }];
  if (ray.length <= straight || how === 'whole') {
    const shape = shapeOfOutline(polygon(withoutTwins(uprightIn(ray, centre))));
    const finish = isWholeStrip(ray, shape) ? [] : flush;
    return {
      blanks: [
        makeBlank(
          { key, ...base, shape: finish.length ? shape : null, finish },
          { width: ray.width, height: ray.length },
          mark,
          'up',
        ),
      ],
    };
  }
  if (how === 'diagonal') {
    const { length, angle } = findLongestAslant(ray.width, sheet);
    if (ray.length > length)
      return { why: ownProblem('too-long-aslant', ['long', 'how'], ray.n, ray.length, Math.floor(length)) };
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const box = {
      width: ticks(Math.ceil(ray.length * cos + ray.width * sin)),
      height: ticks(Math.ceil(ray.length * sin + ray.width * cos)),
    };
    const corners: Corner[] = [
      [ray.width * sin, 0],
      [ray.width * sin + ray.length * cos, ray.length * sin],
      [ray.length * cos, ray.length * sin + ray.width * cos],
      [0, ray.width * cos],
    ];
    const finish: Finish[] = [
      { do: 'outline', as: 'shape' },
      { do: 'flush', edge: 'right' },
    ];
    return {
      blanks: [makeBlank({ key, ...base, shape: shapeOfOutline(polygon(corners)), finish, makes: 1 }, box, mark, 'up')],
    };
  }
  // the seam goes near the hub, where least is seen of it
  const inner = ticks(ray.length + lap - straight);
  if (inner <= lap || inner > straight) return { why: ownProblem('lap-too-long', LAP, ray.n, lap, straight) };
  const outer = ticks(straight);
  return {
    blanks: [
      makeBlank({ key, ...base, finish: flush, makes: 1 }, { width: ray.width, height: outer }, mark, 'up'),
      makeBlank(
        { key: `${key}-inner`, ...base, role: 'inner', paperFrom: first ?? key, makes: 0 },
        { width: ray.width, height: inner },
        mark,
        'up',
      ),
    ],
  };
}

/** What is left of a strip once it is trimmed, in the strip's own coordinates: its inner end at the bottom. */
function uprightIn(ray: Ray, centre: Point): Corner[] {
  const turn = (ray.turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return ray.seen.map(([x, y]): Corner => {
    const [dx, dy] = [x - centre.x, y - centre.y];
    const along = dx * cos + dy * sin - ray.from;
    const aside = dx * sin - dy * cos + ray.width / 2;
    const within = (value: number, most: number) => Math.max(0, Math.min(most, value));
    return [within(aside, ray.width), within(along, ray.length)];
  });
}
const isWholeStrip = ({ width, length }: Ray, shape: Shape): boolean => {
  const corners = flattenContour(shape.outline, 1);
  return corners.length === 4 && corners.every(([x, y]) => (x < 2 || x > width - 2) && (y < 2 || y > length - 2));
};

function dimsOf(input: RaysInput, centre: Point, radius: number, cut: readonly Ray[], { room }: LayoutContext): Dim[] {
  const on = (turn: number, far: number, aside = 0): Point => {
    const angle = (turn * Math.PI) / 180;
    const within = (t: number, most: number) => ticks(Math.round(Math.max(0, Math.min(most, t))));
    return {
      x: within(centre.x + far * Math.cos(angle) - aside * Math.sin(angle), room.width),
      y: within(centre.y + far * Math.sin(angle) + aside * Math.cos(angle), room.height),
    };
  };
  // the one that goes nearest to the right, where numbers stand
  const east = cut.reduce((a, b) => (Math.cos((b.turn * Math.PI) / 180) > Math.cos((a.turn * Math.PI) / 180) ? b : a));
  const dims: (Dim | false)[] = [
    { kind: 'leader', path: WIDTH, at: on(east.turn, east.from + (east.to - east.from) * 0.35) },
    radius > 0 && { kind: 'leader', path: RADIUS, at: on(east.turn, radius) },
    radius > 0 && { kind: 'leader', path: TUCK, at: on(east.turn, east.from) },
    input.centre.at === 'typed' && { kind: 'leader', path: X, at: on(0, 0) },
    input.centre.at === 'typed' && { kind: 'leader', path: Y, at: on(0, 0) },
  ];
  // how long each is cut, beside its outer half
  const lengths = cut.length > 12 ? [] : cut;
  return [
    ...dims.filter((dim): dim is Dim => Boolean(dim)),
    ...lengths.map(({ turn, from, to, length }, i): Dim => {
      const path = input.angles.as === 'even' ? COUNT : LIST;
      // neighbours further out and further in, so that they stand beside one another
      return { kind: 'answer', path, at: on(turn, from + (to - from) * (i % 2 ? 0.6 : 0.85)), length };
    }),
  ];
}

/** `rays 3/4 wide from the lower left corner, hub 3, tuck 1/2, at 15, 30, 45 degrees`. */
function readRays(heard: ParsedValues, table: LayoutContext): RaysInput | null {
  const said = (place: string) => lengthAt(heard, place);
  const has = (flag: string) => heard.flags.has(flag);
  const inch = table.unit === 'in';
  const listed = lengthsAt(heard, 'angles').filter((text) => /^\d{1,3}$/.test(text));
  const count = countAt(heard, 'count');
  const width = said('width');
  if (!listed.length && [count, width, said('hub')].every((one) => one === undefined)) return null;
  if (listed.length !== lengthsAt(heard, 'angles').length) return null;
  const upDown = has('upper') ? 'upper' : has('lower') ? 'lower' : null;
  const side = has('left') ? 'left' : has('right') ? 'right' : null;
  const at =
    upDown && side
      ? (`${upDown}-${side}` as const)
      : upDown
        ? upDown === 'upper'
          ? 'top'
          : 'bottom'
        : (side ?? (has('middle') ? 'middle' : 'lower-left'));
  const [radius, tuck] = [said('hub'), said('tuck')];
  const sheet = sizeAt(heard, 'sheet') ?? (inch ? { width: '12', height: '12' } : { width: '305', height: '305' });
  const even = listed.length < 2;
  const apart = listed.length === 1 ? Number(listed[0]) : undefined;
  return {
    centre: { at },
    hub: { as: 'paper', radius: radius ?? (inch ? '2' : '50') },
    ray: { width: width ?? (inch ? '3/4' : '20'), ...(tuck === undefined ? {} : { tuck }) },
    angles: even
      ? { as: 'even', ...(apart !== undefined && apart >= 1 && apart <= 180 ? { apart } : { count: count ?? 5 }) }
      : { as: 'typed', list: listed.join(' ') },
    sheet,
    long: { how: has('join') ? 'join' : has('diagonal') ? 'diagonal' : 'whole' },
  };
}
