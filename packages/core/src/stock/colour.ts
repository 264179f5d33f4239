import {
  differenceCiede2000,
  modeLab65,
  modeLch65,
  modeLrgb,
  modeOklab,
  modeOklch,
  modeRgb,
  modeXyz65,
  useMode as withMode,
} from 'culori/fn';
import type { PaperFace } from './drawer.ts';

/*
 * Colours of papers as an eye tells them apart. Differences are CIEDE2000 (CIE 142, 2001): 1 is just seen, 10 is another shade, 50 another
 * colour. The order of a drawer goes by lightness, chroma and hue in Oklch (B. Ottosson, 2020). Both are floats and decide nothing that is cut.
 */
withMode(modeRgb);
withMode(modeLrgb);
withMode(modeXyz65);
withMode(modeLab65);
withMode(modeLch65);
withMode(modeOklab);
const toOklch = withMode(modeOklch);
const between = differenceCiede2000();

/** How unlike two colours (`#rrggbb`) look: 0 where they are the same. */
export const colourDifference = (a: string, b: string): number => between(a, b);

/** Colours as they are called, for looking for them. */
export const COLOURS_BY_NAME: Readonly<Record<string, string>> = {
  white: '#fafafa',
  cream: '#f4ecd8',
  ivory: '#f6f0e0',
  beige: '#dccba6',
  sand: '#dcc99a',
  kraft: '#b98f5f',
  tan: '#c8a878',
  brown: '#74502f',
  black: '#161616',
  grey: '#8a8a8a',
  gray: '#8a8a8a',
  silver: '#c2c4c6',
  red: '#c4302b',
  maroon: '#6e1f2a',
  coral: '#ee7f65',
  orange: '#e2782c',
  rust: '#a8502a',
  gold: '#cfa53a',
  yellow: '#f2d13d',
  olive: '#7c7d37',
  lime: '#a9cf45',
  green: '#3f8f4c',
  mint: '#a8dcc0',
  teal: '#2f8a8c',
  turquoise: '#3fbcb8',
  aqua: '#7fd3d8',
  blue: '#3a70b8',
  navy: '#20315c',
  indigo: '#3f3f86',
  purple: '#6f4a92',
  violet: '#8a5bb5',
  lilac: '#c0a8d8',
  lavender: '#b9b2dd',
  pink: '#ea9ab6',
  rose: '#d8627f',
};

/** The main colours of a face. */
export const coloursOf = ({ colours, look }: Pick<PaperFace, 'colours' | 'look'>): readonly string[] =>
  colours ?? (look.pattern === 'plain' ? [look.ground] : [look.ground, look.ink]);

/** How unlike a colour the nearest of a face's main colours is. */
export const faceDifference = (face: Pick<PaperFace, 'colours' | 'look'>, colour: string): number =>
  Math.min(...coloursOf(face).map((own) => colourDifference(own, colour)));

/** Where the hues begin, in degrees of Oklch, in the order in which paper is stored. */
const HUES = [10, 42, 78, 118, 170, 220, 285, 325] as const;

/**
 * Where a colour stands in a drawer that is sorted by colour: the rainbow from red to pink, each hue from light to dark, then browns and
 * krafts, then from white over grey to black.
 */
export function colourRank(colour: string): number {
  const { l = 0, c = 0, h = 0 } = toOklch(colour) ?? {};
  if (c < 0.035) return 200 + (1 - l);
  const brown = h >= 20 && h < 100 && ((l < 0.62 && c < 0.13) || (l < 0.82 && c < 0.085));
  if (brown) return 100 + (1 - l);
  const turned = (h - HUES[0] + 360) % 360;
  const band = HUES.findLastIndex((from) => turned >= from - HUES[0]);
  return band * 10 + (1 - l) * 5;
}
