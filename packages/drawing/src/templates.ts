import { TICKS_PER_UNIT } from '@temnex/core/length';
import { boundsOf, flattenContour, type Shape } from '@temnex/core/geometry';
import type { LaidOut, RecipeId } from '@temnex/core/recipes';
import { recipeText, formatSize, type Voice } from '@temnex/words';
import { INK, type Drawing, type DrawingMark } from './marks.ts';
import { GREY, MARGIN, PAPERS, drawFooter, drawText, type PrintPaper } from './printed.ts';
import { formatSvg } from './svg.ts';
import { clipLine, splitIntoTiles, type Window } from './tiles.ts';

/*
 * Outlines at true size, to print, cut out and trace: what is finished by a template has one. What is larger than the paper in the printer
 * goes over several pages, each with its neighbours named along the line where they are joined.
 */

/** Points to the tick. */
const PER = 72 / TICKS_PER_UNIT.in;
/** Chords stray from arcs by at most so many ticks: a hundredth of a millimetre. */
const CHORD = 10;
const LINE = { colour: INK, width: 0.6 } as const;
const HELP = { colour: GREY, width: 0.4, dash: [4, 3] } as const;
/** Above a template stands what it is. */
const HEAD = 26;
const FOOT = 34;
const BETWEEN = 18;

export interface Template {
  readonly name: string;
  readonly shape: Shape;
  /** Lines to score and fold along, in the shape's coordinates. */
  readonly folds: ReadonlyArray<readonly [Spot, Spot]>;
  /** Points to prick or punch through. */
  readonly holes: readonly Spot[];
}
interface Spot {
  readonly x: number;
  readonly y: number;
}

/** A template for every outline that is cut by hand or pricked through, each once. */
export function collectTemplates(recipe: RecipeId, laid: LaidOut, voice: Voice): Template[] {
  const words = recipeText(recipe);
  const found = new Map<string, Template>();
  const add = (role: string, n: number, template: Omit<Template, 'name'>) => {
    const { width, height } = boundsOf(template.shape);
    const key = JSON.stringify(template.shape);
    const name = `${words.piece(role, n, words.item(1))}, ${formatSize(width, height, voice)}`;
    if (!found.has(key)) found.set(key, { name, ...template });
  };
  for (const { role, n, shape, holes } of laid.traced ?? []) add(role, n, { shape, folds: [], holes });
  for (const { role, n, shape, finish } of laid.blanks) {
    if (!shape || !finish.some((f) => f.do === 'outline')) continue;
    const folds = finish.flatMap((f) => (f.do === 'fold' ? [[f.from, f.to] as const] : []));
    add(role, n, { shape, folds, holes: finish.flatMap((f) => (f.do === 'holes' ? f.at : [])) });
  }
  return [...found.values()];
}

type Point = readonly [number, number];
interface Lines {
  readonly rings: Point[][];
  /** Drawn thin: folds, and a cross for every hole. */
  readonly thin: [Point, Point][];
  readonly width: number;
  readonly height: number;
}

/** Half of a cross that marks a hole, in points. */
const CROSS = 2.4;

/** A template's lines with its lower left corner at 0, 0 and y down from its top, in points. */
function linesOf({ shape, folds, holes }: Template): Lines {
  const { x, y, width, height } = boundsOf(shape);
  const at = (px: number, py: number): Point => [(px - x) * PER, (y + height - py) * PER];
  const rings = [shape.outline, ...shape.holes].map((contour) =>
    flattenContour(contour, CHORD).map(([px, py]) => at(px, py)),
  );
  const crosses = holes.flatMap((hole): [Point, Point][] => {
    const [px, py] = at(hole.x, hole.y);
    return [
      [
        [px - CROSS, py],
        [px + CROSS, py],
      ],
      [
        [px, py - CROSS],
        [px, py + CROSS],
      ],
    ];
  });
  const scored = folds.map(([from, to]): [Point, Point] => [at(from.x, from.y), at(to.x, to.y)]);
  return { rings, thin: [...scored, ...crosses], width: width * PER, height: height * PER };
}

/** The outlines, folds, holes and the middle lines, seen through a window and moved to where it stands on the page. */
function seenThrough({ rings, thin, width, height }: Lines, w: Window, at: Point): DrawingMark[] {
  const middle: [Point, Point][] = [
    [
      [width / 2 - 9, height / 2],
      [width / 2 + 9, height / 2],
    ],
    [
      [width / 2, height / 2 - 9],
      [width / 2, height / 2 + 9],
    ],
  ];
  const lines = [
    ...rings.flatMap((ring) => ring.map((p, i) => ({ p, q: ring[(i + 1) % ring.length]!, stroke: LINE }))),
    ...[...middle, ...thin].map(([p, q]) => ({ p, q, stroke: HELP })),
  ];
  return lines.flatMap(({ p, q, stroke }): DrawingMark[] => {
    const cut = clipLine(p, q, w);
    if (!cut) return [];
    const [[x1, y1], [x2, y2]] = cut.map(([x, y]): Point => [x - w.x + at[0], y - w.y + at[1]]) as [Point, Point];
    return [{ kind: 'line', x1, y1, x2, y2, stroke }];
  });
}

/** Pages of templates at true size, each with a check ruler; nothing where there are none. */
export function drawTemplatePages(templates: readonly Template[], title: string, paper: PrintPaper): Drawing[] {
  const { width: W, height: H } = PAPERS[paper];
  const room = { width: W - 2 * MARGIN, height: H - 2 * MARGIN - FOOT };
  const pages: DrawingMark[][] = [];
  let [x, y, tall] = [MARGIN, MARGIN, 0];
  const begin = () => {
    pages.push([]);
    [x, y, tall] = [MARGIN, MARGIN, 0];
  };
  for (const template of templates) {
    const lines = linesOf(template);
    const size = { width: lines.width, height: lines.height };
    if (size.width <= room.width && size.height + HEAD <= room.height) {
      if (x > MARGIN && x + size.width > MARGIN + room.width) [x, y, tall] = [MARGIN, y + tall + BETWEEN, 0];
      if (!pages.length || y + size.height + HEAD > MARGIN + room.height) begin();
      const page = pages.at(-1)!;
      page.push(drawText(x, y + 12, template.name, 9), ...seenThrough(lines, { x: 0, y: 0, ...size }, [x, y + HEAD]));
      x += Math.max(size.width, 150) + BETWEEN;
      tall = Math.max(tall, size.height + HEAD);
      continue;
    }
    const tiles = splitIntoTiles(size, { width: room.width, height: room.height - HEAD });
    for (const { name, window, joins } of tiles) {
      begin();
      const at: Point = [MARGIN, MARGIN + HEAD];
      pages
        .at(-1)!
        .push(
          drawText(MARGIN, MARGIN + 12, `${template.name}: part ${name} of ${tiles.length}`, 9),
          ...seenThrough(lines, window, at),
          ...joins(at),
        );
    }
    // what comes next begins on a page of its own
    [x, y] = [MARGIN + room.width, MARGIN + room.height];
  }
  return pages.map((marks, i) => ({
    width: W,
    height: H,
    title: `${title}, templates, page ${i + 1} of ${pages.length}`,
    marks: [...marks, ...drawFooter(title, i + 1, pages.length, W, H)],
  }));
}

/** One template as an SVG file at true size, with a ruler of an inch (or 20 mm) to check it by. */
export function formatTrueSizeSvg(template: Template, voice: Voice): string {
  const { rings, thin, width, height } = linesOf(template);
  const metric = voice.mark.unit === 'mm';
  const ruler = metric ? (20 * 72) / 25.4 : 72;
  const pad = 12;
  const [W, H] = [Math.max(width, ruler + 90) + 2 * pad, height + 2 * pad + 24];
  const y = height + pad + 20;
  const tick = (x: number): DrawingMark => ({ kind: 'line', x1: x, y1: y - 6, x2: x, y2: y, stroke: LINE });
  const marks: DrawingMark[] = [
    ...rings.map((points): DrawingMark => ({
      kind: 'poly',
      points: points.map(([px, py]) => [px + pad, py + pad] as const),
      stroke: LINE,
    })),
    ...thin.map(([[x1, y1], [x2, y2]]): DrawingMark => {
      const [left, top, right, bottom] = [x1 + pad, y1 + pad, x2 + pad, y2 + pad];
      return { kind: 'line', x1: left, y1: top, x2: right, y2: bottom, stroke: HELP };
    }),
    { kind: 'line', x1: pad, y1: y, x2: pad + ruler, y2: y, stroke: LINE },
    tick(pad),
    tick(pad + ruler),
    drawText(pad + ruler + 6, y, metric ? '20 mm' : '1 inch', 8, { fill: GREY }),
  ];
  const plain = formatSvg({ width: W, height: H, marks, title: template.name });
  // points, so that it prints as large as it is
  return plain.replace(/ width="([\d.]+)" height="([\d.]+)" role/, ' width="$1pt" height="$2pt" role');
}
