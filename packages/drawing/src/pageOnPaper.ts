import { TICKS_PER_UNIT } from '@temnex/core/length';
import { flattenContour } from '@temnex/core/geometry';
import { collectCornerMarks, type DerivedPage, type Part } from '@temnex/core/page';
import { formatLengthWithDifference, formatSize, type Voice } from '@temnex/words';
import { INK, fitText, type Drawing, type DrawingMark } from './marks.ts';
import { GREY, MARGIN, PAPERS, drawFooter, drawText, type PrintPaper } from './printed.ts';
import { clipLine, splitIntoTiles, type Window } from './tiles.ts';

/*
 * A page on paper before anything is cut: its outlines at true size or by half, over as many sheets as it takes, to lay things on and to
 * prick through; and a list of what to pencil.
 */

export interface PagePrintOptions {
  readonly title: string;
  readonly voice: Voice;
  /** 1: true size; 0.5: by half. */
  readonly scale: 1 | 0.5;
  /** Ids of the items whose corners are marked; null: all. */
  readonly chosen: readonly string[] | null;
  /** How strongly photos are seen, 0 to 1; 0: not at all. */
  readonly photos: number;
}

const LINE = { colour: INK, width: 0.6 } as const;
const EDGE = { colour: INK, width: 1.2 } as const;
const MARK = { colour: GREY, width: 0.4 } as const;
/** Above what is drawn stands what it is; below it the ruler. */
const HEAD = 24;
const FOOT = 34;
const ROW = 15;
const CHORD = 10;

type Point = readonly [number, number];
const PAGES = { left: ', left page', right: ', right page' } as const;

/** Pages of a page: its tiles, then the marks as a list. */
export function drawPageOnPaper(page: DerivedPage, asked: PagePrintOptions, paper: PrintPaper): Drawing[] {
  const { width: W, height: H } = PAPERS[paper];
  const { title, scale, voice } = asked;
  const per = (72 / TICKS_PER_UNIT.in) * scale;
  const size = { width: page.width * per, height: page.height * per };
  const room = { width: W - 2 * MARGIN, height: H - 2 * MARGIN - HEAD - FOOT };
  const tiles = splitIntoTiles(size, room);
  const at: Point = [MARGIN, MARGIN + HEAD];
  const how = `${formatSize(page.width, page.height, voice)} ${scale === 1 ? 'at true size' : 'by half'}`;
  const drawn = tiles.map(({ name, window, joins }) => [
    drawText(MARGIN, MARGIN + 12, `${title}, ${how}${tiles.length > 1 ? `: part ${name} of ${tiles.length}` : ''}`, 9),
    ...seen(page, asked, per, size.height, window, at),
    ...joins(at),
  ]);
  const pages = [...drawn, ...listed(page, asked, W, H)];
  return pages.map((marks, i) => ({
    width: W,
    height: H,
    title: `${title}, page ${i + 1} of ${pages.length}`,
    marks: [...marks, ...drawFooter(title, i + 1, pages.length, W, H)],
  }));
}

/** The corners of a part as it lies, turned with its item; in ticks. */
function ringsOf({ x, y, width, height, shape, tilt }: Part): Point[][] {
  const rings: Point[][] = shape
    ? [shape.outline, ...shape.holes].map((contour) =>
        flattenContour(contour, CHORD).map(([px, py]): Point => [px, py]),
      )
    : [
        [
          [x, y],
          [x + width, y],
          [x + width, y + height],
          [x, y + height],
        ],
      ];
  return tilt ? rings.map((ring) => ring.map((p) => turnedAbout(p, tilt))) : rings;
}

function turnedAbout([x, y]: Point, { degrees, about }: NonNullable<Part['tilt']>): Point {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const [dx, dy] = [x - about.x, y - about.y];
  return [about.x + dx * cos - dy * sin, about.y + dx * sin + dy * cos];
}

/** What of the page is seen through a window, moved to where it stands. */
function seen(
  page: DerivedPage,
  asked: PagePrintOptions,
  per: number,
  high: number,
  w: Window,
  at: Point,
): DrawingMark[] {
  const spot = ([x, y]: Point): Point => [x * per, high - y * per];
  const moved = ([x, y]: Point): Point => [x - w.x + at[0], y - w.y + at[1]];
  const line = (p: Point, q: Point, stroke: Extract<DrawingMark, { kind: 'line' }>['stroke']): DrawingMark[] => {
    const cut = clipLine(p, q, w);
    if (!cut) return [];
    const [[x1, y1], [x2, y2]] = [moved(cut[0]), moved(cut[1])];
    return [{ kind: 'line', x1, y1, x2, y2, stroke }];
  };
  const ring = (points: readonly Point[], stroke: Extract<DrawingMark, { kind: 'line' }>['stroke']) =>
    points.flatMap((p, i) => line(spot(p), spot(points[(i + 1) % points.length]!), stroke));
  const inside = ([x, y]: Point) => x >= w.x && x <= w.x + w.width && y >= w.y && y <= w.y + w.height;
  const edges: Point[] = [
    [0, 0],
    [page.width, 0],
    [page.width, page.height],
    [0, page.height],
  ];
  const { seam } = page;
  const seams = (seam ? [seam.x, seam.x + seam.width] : []).flatMap((x) => line(spot([x, 0]), spot([x, page.height]), EDGE)); // prettier-ignore
  const photos = asked.photos > 0 ? page.parts.flatMap((part) => photoOf(part, asked.photos, per, high, w, at)) : [];
  const written: Point[] = [];
  const names = page.parts.toReversed().flatMap((part): DrawingMark[] => {
    const long = part.width * per - 6;
    // under what lies on it nobody reads it: it stands at the upper left
    const corner = spot([part.x, part.y + part.height]);
    if (long < 24 || !inside([corner[0] + 3, corner[1] + 9])) return [];
    const [x, y] = moved(corner);
    // where names would lie over each other, what lies on top is named
    if (written.some(([wx, wy]) => Math.abs(wx - x) < long && Math.abs(wy - y) < 9)) return [];
    written.push([x, y]);
    return [drawText(x + 3, y + 9, fitText(part.name, 7, long), 7, { fill: GREY })];
  });
  const crosses = collectCornerMarks(page)
    .filter(({ part }) => asked.chosen === null || asked.chosen.includes(part.item))
    .flatMap(({ part }) => {
      const [x, y] = spot([part.x, part.y]);
      return [...line([x - 5, y], [x + 5, y], MARK), ...line([x, y - 5], [x, y + 5], MARK)];
    });
  return [
    ...photos,
    ...ring(edges, EDGE),
    ...seams,
    ...page.parts.flatMap((part) => ringsOf(part).flatMap((points) => ring(points, LINE))),
    ...names,
    ...crosses,
  ];
}

function photoOf(part: Part, strength: number, per: number, high: number, w: Window, at: Point): DrawingMark[] {
  const { picture } = part;
  if (!picture || part.tilt) return [];
  const box = (r: { x: number; y: number; width: number; height: number }) => ({
    x: r.x * per - w.x + at[0],
    y: high - (r.y + r.height) * per - w.y + at[1],
    width: r.width * per,
    height: r.height * per,
  });
  const own = box(picture.opening);
  const [left, top] = [Math.max(own.x, at[0]), Math.max(own.y, at[1])];
  const right = Math.min(own.x + own.width, at[0] + w.width);
  const bottom = Math.min(own.y + own.height, at[1] + w.height);
  if (right <= left || bottom <= top) return [];
  const seen = { x: left, y: top, width: right - left, height: bottom - top };
  return [{ kind: 'photo', file: picture.file, ...seen, whole: box(picture.whole), strength }];
}

/** What to pencil, as a list: the lower left corner of every part, always from the same two edges. */
function listed(page: DerivedPage, { title, voice, chosen }: PagePrintOptions, W: number, H: number): DrawingMark[][] {
  const marks = collectCornerMarks(page).filter(({ part }) => chosen === null || chosen.includes(part.item));
  if (!marks.length) return [];
  const perPage = Math.floor((H - 2 * MARGIN - FOOT - 60) / ROW);
  const columns = [MARGIN, W - MARGIN - 170, W - MARGIN - 80];
  const head = (y: number): DrawingMark[] => [
    drawText(MARGIN, MARGIN + 14, `${title}: where everything lies`, 13, { weight: 600, face: 'figures' }),
    drawText(columns[0]!, y, 'lower left corner of', 8, { fill: GREY }),
    drawText(columns[1]!, y, 'from the left', 8, { fill: GREY }),
    drawText(columns[2]!, y, 'from below', 8, { fill: GREY }),
  ];
  return Array.from({ length: Math.ceil(marks.length / perPage) }, (_, n) => {
    const top = MARGIN + 40;
    const rows = marks.slice(n * perPage, (n + 1) * perPage).flatMap(({ part, page: half, x, y }, i): DrawingMark[] => {
      const at = top + (i + 1) * ROW + 4;
      const tilt = part.tilt ? `, tilted ${Math.abs(part.tilt.degrees)}° to the ${part.tilt.degrees > 0 ? 'left' : 'right'}` : ''; // prettier-ignore
      const name = `${part.name}${half ? PAGES[half] : ''}${tilt}`;
      const rule: DrawingMark = { kind: 'line', x1: MARGIN, y1: at + 4, x2: W - MARGIN, y2: at + 4, stroke: MARK };
      const figures = [x, y].map((t, c) => drawText(columns[c + 1]!, at, formatLengthWithDifference(t, voice), 11, { face: 'figures', weight: 600 })); // prettier-ignore
      return [drawText(columns[0]!, at, fitText(name, 10, columns[1]! - MARGIN - 10), 10), ...figures, rule];
    });
    return [...head(top), ...rows];
  });
}
