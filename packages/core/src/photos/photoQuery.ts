import { parseDay } from '../stock/index.ts';
import type { Photo } from './photo.ts';

/*
 * Looking for photos in one line, `longstrand june wren not on a page`: a day, a month or a year, what a photo is like, and words
 * that must stand in what is said of it.
 */

export interface PhotoQuery {
  /** Each must stand in what is said of it: place, people, what, or its name. */
  readonly words: readonly string[];
  /** What its day begins with (`2026`, `2026-06`, `2026-06-14`), and a month of any year (`06`). */
  readonly day: string | null;
  readonly month: string | null;
  /** Of which shape: higher than wide, wider than high, or neither. */
  readonly lies: 'upright' | 'level' | 'square' | null;
  readonly onPage: boolean | null;
  readonly favourite: boolean | null;
  readonly printed: boolean | null;
}

const MONTHS = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december']; // prettier-ignore
const two = (n: number | string): string => String(n).padStart(2, '0');
const monthOf = (name: string): string => two(MONTHS.findIndex((m) => m.startsWith(name.toLowerCase())) + 1);
const MONTH = `(${MONTHS.map((m) => (m === 'may' ? m : `${m.slice(0, 3)}(?:${m.slice(3)})?`)).join('|')})`;

/** Reads one line of a search; what it does not know as anything else is a word. */
export function parsePhotoQuery(said: string): PhotoQuery {
  let rest = ` ${said.toLowerCase()} `;
  const take = (pattern: string): readonly string[] | null => {
    const match = new RegExp(`(?<=\\s)(?:${pattern})(?=\\s|,)`, 'u').exec(rest);
    if (!match) return null;
    rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`;
    return match.slice(1).map((g) => g ?? '');
  };
  const flag = (no: string, yes: string): boolean | null => (take(no) ? false : take(yes) ? true : null);
  const onPage = flag('not (?:yet )?on (?:a|any) page(?: yet)?|waiting', 'on (?:a|any) page');
  const printed = flag('no print|not printed|without a print', 'printed|with a print');
  const favourite = flag('no favou?rites?', 'favou?rites?');
  const lies = take('upright') ? 'upright' : take('level|landscape') ? 'level' : take('square') ? 'square' : null;
  let day: string | null = null;
  let month: string | null = null;
  const written = take('(\\d{1,4}[-/.]\\d{1,2}[-/.]\\d{1,4})');
  const known = written && parseDay(written[0]!);
  // what is no day, or may be two, is looked for as it stands
  if (written && !known) rest += ` ${written[0]} `;
  const iso = known ? [known] : take('(\\d{4}(?:-\\d{2})?)');
  if (iso) day = iso[0]!;
  const dated = take(`(\\d{1,2}) ${MONTH}`) ?? take(`()${MONTH}`);
  if (dated) {
    const [d, name] = dated as [string, string];
    month = `${monthOf(name)}${d ? `-${two(d)}` : ''}`;
  }
  const words = rest.split(/[\s,]+/).filter((word) => word && !ASIDE.has(word));
  return { words, day, month, lies, onPage, favourite, printed };
}
const ASIDE = new Set(['a', 'an', 'the', 'of', 'in', 'at', 'with', 'and', 'photo', 'photos', 'picture', 'pictures', 'from', 'on', 'all']); // prettier-ignore

/** Whether a photo lies upright or level; within a fiftieth it is square. */
export const orientationOf = ({ width, height }: Pick<Photo, 'width' | 'height'>): 'upright' | 'level' | 'square' =>
  width > height * 1.02 ? 'level' : height > width * 1.02 ? 'upright' : 'square';

/** The photos that are meant, in the order in which they were given; `onPages`: those that pages show. */
export function findPhotos(
  photos: readonly Photo[],
  sought: PhotoQuery,
  onPages: ReadonlySet<string>,
): readonly Photo[] {
  const { words, day, month, lies, onPage, favourite, printed } = sought;
  return photos.filter((p) => {
    if (day !== null && !p.day?.startsWith(day)) return false;
    if (month !== null && !p.day?.slice(5).startsWith(month)) return false;
    if (lies !== null && orientationOf(p) !== lies) return false;
    if (onPage !== null && onPages.has(p.id) !== onPage) return false;
    if (favourite !== null && p.favourite !== favourite) return false;
    if (printed !== null && (p.print !== null) !== printed) return false;
    if (!words.length) return true;
    const text = [p.place, p.what, p.name, ...p.people].join(' ').toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
