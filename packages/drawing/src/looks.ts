import { TICKS_PER_UNIT, lengthOf } from '@temnex/core/length';
import type { Look } from '@temnex/core/stock';

/*
 * How the faces of papers are drawn: a tile of 96 units = 1 inch, upright, with an up where the pattern has one.
 * Stripes run up and down; clouds, grass and words show which way is up.
 */
const TILES: Readonly<Record<Look['pattern'], (ink: string) => string>> = {
  plain: () => '',
  stripes: (ink) => [0, 32, 64].map((x) => `<rect x="${x + 10}" width="9" height="96" fill="${ink}"/>`).join(''),
  checks: (ink) => `<path d="M0 0h48v48H0zM48 48h48v48H48z" fill="${ink}"/>`,
  dots: (ink) =>
    [
      [24, 24],
      [72, 24],
      [48, 72],
      [0, 72],
      [96, 72],
    ]
      .map(([x, y]) => `<circle cx="${x}" cy="${y}" r="9" fill="${ink}"/>`)
      .join(''),
  waves: (ink) =>
    [16, 48, 80]
      .map((y) => `<path d="M-4 ${y}q14 -15 28 0t28 0t28 0t28 0" fill="none" stroke="${ink}" stroke-width="4"/>`)
      .join(''),
  clouds: (ink) =>
    [
      [8, 42],
      [56, 88],
    ]
      .map(([x, y]) => `<path d="M${x} ${y}a9 9 0 0 1 4 -17a14 14 0 0 1 24 -1a9 9 0 0 1 4 18z" fill="${ink}"/>`)
      .join(''),
  grass: (ink) =>
    [
      [6, 46],
      [40, 40],
      [72, 48],
      [22, 92],
      [58, 94],
      [86, 90],
    ]
      .map(
        ([x, y]) =>
          `<path d="M${x} ${y}q2 -18 -5 -26m5 26q1 -16 4 -30m-4 30q3 -12 12 -20" fill="none" stroke="${ink}" stroke-width="3"/>`,
      )
      .join(''),
  words: (ink) =>
    [
      [4, 30],
      [30, 64],
      [2, 92],
    ]
      .map(
        ([x, y]) =>
          `<text x="${x}" y="${y}" font-family="Georgia, serif" font-style="italic" font-size="22" fill="${ink}">up wind</text>`,
      )
      .join(''),
};

const hash = (text: string): string => {
  let h = 5381;
  for (const c of text) h = ((h * 33) ^ c.charCodeAt(0)) >>> 0;
  return h.toString(36);
};

/** How many times its own size a pattern is drawn. */
const SCALED: Readonly<Record<NonNullable<Look['scale']>, number>> = { small: 0.5, medium: 1, large: 2 };

/** Where the server keeps the picture of a face, turned counter-clockwise by quarters. */
export const pictureUrl = (file: string, turn = 0): string => `/api/pictures/${file}${turn ? `?turn=${turn}` : ''}`;

/** What of paper one tile of a look shows, in inches. */
function tileSize(look: Look): { readonly width: number; readonly height: number } {
  if (!look.picture) {
    const side = SCALED[look.scale ?? 'medium'];
    return { width: side, height: side };
  }
  const width = lengthOf(look.picture.across, 'in') / TICKS_PER_UNIT.in;
  return { width, height: (width * look.picture.height) / look.picture.width };
}

const nameOf = ({ pattern, ground, ink, scale, picture }: Look): string =>
  `${pattern}${ground}${ink}${scale ?? ''}${picture ? `${picture.file}${picture.across}` : ''}`;

/** The id under which a look, turned and scaled, stands in a drawing's definitions. */
export const lookId = (look: Look, turn: number, scale: number): string =>
  `look-${hash(`${nameOf(look)}${turn}|${scale.toFixed(3)}`)}`;

/** The SVG pattern of a look. `turn` is counter-clockwise; `scale` the drawing's units to the inch. */
export function formatLookPattern(look: Look, turn: number, scale: number): string {
  const id = lookId(look, turn, scale);
  const { width, height } = tileSize(look);
  const [w, h] = look.picture ? [width * scale, height * scale] : [96, 96];
  const transform = `rotate(${-turn})${look.picture ? '' : ` scale(${(scale / 96) * width})`}`;
  const print = look.picture
    ? `<image href="${pictureUrl(look.picture.file)}" width="${w}" height="${h}" preserveAspectRatio="none"/>`
    : TILES[look.pattern](look.ink);
  return `<pattern id="${id}" width="${w}" height="${h}" patternUnits="userSpaceOnUse" patternTransform="${transform}"><rect width="${w}" height="${h}" fill="${look.ground}"/>${print}</pattern>`;
}

/** One tile of a look by itself, for surfaces that repeat a picture, where a pattern of its own for each would be slow. */
export interface LookTile {
  /** SVG text, 96 units square; or the address of a picture. */
  readonly image: { readonly svg: string } | { readonly url: string };
  /** How large it is at so many units to the inch. */
  readonly width: number;
  readonly height: number;
}
export function drawLookTile(look: Look, turn: number, scale: number): LookTile {
  const { width, height } = tileSize(look);
  if (look.picture) {
    const [w, h] = turn % 180 ? [height, width] : [width, height];
    return { image: { url: pictureUrl(look.picture.file, turn) }, width: w * scale, height: h * scale };
  }
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="96" height="96"><g transform="rotate(${-turn} 48 48)"><rect width="96" height="96" fill="${look.ground}"/>${TILES[look.pattern](look.ink)}</g></svg>`;
  return { image: { svg }, width: width * scale, height: height * scale };
}
