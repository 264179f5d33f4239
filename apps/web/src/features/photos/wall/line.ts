import type { Photo } from '@temnex/core/photos';

/* Photos hung on lines, a day after the other: each as high as the others, bottoms free, the line sagging a little between its ends. */

export interface HungPhoto {
  readonly photo: Photo;
  /** Its place in the order in which everything was found. */
  readonly at: number;
  /** In pixels, from the left end of the line and from its ends down. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
}
export interface HangingRow {
  readonly day: string | null;
  /** The first line of its day. */
  readonly first: boolean;
  readonly hung: readonly HungPhoto[];
  /** How many photos its day has. */
  readonly ofDay: number;
}

export const PHOTO_GAP_PX = 16;
/** How far the middle of a line hangs below its ends, in pixels. */
export const LINE_SAG_PX = 12;

/** The latest day first, what has no day last; within a day as they were given. */
export const sortByDay = (photos: readonly Photo[]): readonly Photo[] =>
  [...photos].sort((a, b) => (a.day === b.day ? 0 : a.day === null ? 1 : b.day === null ? -1 : a.day < b.day ? 1 : -1));

/** How far a line hangs at a place between its ends, in pixels. */
export const computeSag = (x: number, width: number): number =>
  LINE_SAG_PX * (1 - (2 * Math.min(1, x / width) - 1) ** 2);

/** Hangs photos, sorted by day, on lines `width` pixels long, each `high`. */
export function layOutPhotoLines(photos: readonly Photo[], width: number, high: number): HangingRow[] {
  const lines: HangingRow[] = [];
  const days = new Map<string | null, number>();
  for (const { day } of photos) days.set(day, (days.get(day) ?? 0) + 1);
  let hung: HungPhoto[] = [];
  let x = 0;
  let day: string | null = null;
  const end = () => {
    if (hung.length)
      lines.push({ day, first: lines.at(-1)?.day !== day || !lines.length, hung, ofDay: days.get(day)! });
    [hung, x] = [[], 0];
  };
  for (const [at, photo] of photos.entries()) {
    const wide = Math.min(width, Math.max(40, Math.round((high * photo.width) / photo.height)));
    if (hung.length && (photo.day !== day || x + wide > width)) end();
    day = photo.day;
    hung.push({ photo, at, x, y: Math.round(computeSag(x + wide / 2, width)), width: wide });
    x += wide + PHOTO_GAP_PX;
  }
  end();
  return lines;
}

/** The photo one line further up or down that hangs nearest under or over another; the same where there is none. */
export function findPhotoInNextRow(lines: readonly HangingRow[], at: number, by: 1 | -1): number {
  const here = lines.findIndex((line) => at <= line.hung.at(-1)!.at);
  const from = lines[here]?.hung.find((one) => one.at === at);
  const there = lines[here + by];
  if (!from || !there) return at;
  const off = (one: HungPhoto) => Math.abs(one.x + one.width / 2 - from.x - from.width / 2);
  return there.hung.reduce((a, b) => (off(b) < off(a) ? b : a)).at;
}
