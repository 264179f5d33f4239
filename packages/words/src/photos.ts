import {
  orientationOf,
  computeSharpness,
  type Density,
  type FramedCrop,
  type Photo,
  type Pixels,
  type PhotoQuery,
} from '@temnex/core/photos';
import type { SketchMisfit } from '@temnex/core/sketches';
import { formatCount } from './lengths.ts';

const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December']; // prettier-ignore

/** A day as it is read: its number, and the month with its year. */
export function formatDayParts(day: string | null): { readonly day: string; readonly rest: string } {
  if (!day) return { day: '?', rest: 'no day said' };
  const [year, month, date] = day.split('-');
  return { day: String(Number(date)), rest: `${MONTHS[Number(month) - 1]} ${year}` };
}
export const formatDay = (day: string): string => {
  const said = formatDayParts(day);
  return `${said.day} ${said.rest}`;
};

/** What a photo is called: what is going on in it, else who, else its file. */
export const formatPhotoName = ({ what, people, name }: Pick<Photo, 'what' | 'people' | 'name'>): string =>
  what ?? (people.length ? people.join(', ') : name || 'a photo');

/** All that is said of a photo, for those who do not see it. */
export function describePhoto(photo: Photo): string {
  const { day, place, people, what, favourite } = photo;
  return [
    formatPhotoName(photo),
    what && people.length ? `with ${people.join(', ')}` : '',
    place ? `at ${place}` : '',
    day ? formatDay(day) : '',
    orientationOf(photo),
    favourite ? 'favourite' : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** What a line of a search was understood as. */
export function describePhotoQuery({ words, day, month, lies, onPage, favourite, printed }: PhotoQuery): string[] {
  const yes = (is: boolean | null, said: string, not: string) => (is === null ? '' : is ? said : not);
  const [m, d] = month?.split('-') ?? [];
  return [
    day ? (day.length === 10 ? formatDay(day) : day.length === 7 ? formatDayParts(`${day}-01`).rest : day) : '',
    m ? `${d ? `${Number(d)} ` : ''}${MONTHS[Number(m) - 1]}, any year` : '',
    lies ?? '',
    yes(onPage, 'on a page', 'not on a page yet'),
    yes(favourite, 'favourites', 'no favourites'),
    yes(printed, 'with a print', 'without a print'),
    ...words.map((word) => `“${word}”`),
  ].filter(Boolean);
}

/** What one sees of so many pixels to the inch. */
export const SHARPNESS_LABELS: Readonly<Record<Density | 'coarse', string>> = {
  fine: 'as sharp as a print gets',
  good: 'sharp in the hand',
  fair: 'sharp from an arm’s length',
  coarse: 'its pixels show',
};
/** How sharp a crop prints at a size in ticks: `412 to the inch, as sharp as a print gets`. */
export function describeSharpness(crop: Pixels, size: { readonly width: number; readonly height: number }): string {
  const { perInch, is } = computeSharpness(crop, size);
  return `${perInch} to the inch, ${SHARPNESS_LABELS[is]}`;
}

const EDGES = ['left', 'right', 'top', 'bottom'] as const;
/** What a crop loses: `loses 8 % on the left, 8 % on the right`; of what falls short, on which edges. */
export function describeCropLoss({ lost, stays }: Pick<FramedCrop, 'lost' | 'stays'>): string {
  const all = EDGES.flatMap((edge) => {
    const percent = Math.round(lost[edge] * 100);
    return percent ? [{ edge, percent }] : [];
  });
  const said = all.map(({ edge, percent }) => `${percent} % ${edge === 'left' || edge === 'right' ? `on the ${edge}` : `at the ${edge}`}`); // prettier-ignore
  return [said.length ? `loses ${said.join(', ')}` : 'loses nothing', ...(stays ? [] : ['not all that must stay'])].join('; '); // prettier-ignore
}

export const formatPixels = ({ width, height }: Pixels): string =>
  `${width.toLocaleString('en')} × ${height.toLocaleString('en')}, ${((width * height) / 1e6).toFixed(1)} million pixels`;

/** How far taking photos in has come. */
export function describeUploadProgress({
  of,
  done,
  again,
  refused,
}: {
  of: number;
  done: number;
  again: number;
  refused: number;
}): string {
  // prettier-ignore
  const taken = done - refused - again;
  return [
    done < of ? `${done} of ${of}` : `${formatCount(taken, 'photo')} taken in`,
    again ? `${again} ${again === 1 ? 'was' : 'were'} there already` : '',
    refused ? `${refused} refused` : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** What does not go together when photos are laid on a sketch. */
export function describeUnlaid(
  unlaid: SketchMisfit,
  photoNameOf: (id: string) => string,
  itemNameOf: (id: string) => string,
): string {
  switch (unlaid.is) {
    case 'other-way':
      return `${photoNameOf(unlaid.photo)} lies the other way than ${itemNameOf(unlaid.item)}: as it is cropped, ${Math.round(unlaid.lost * 100)} % of it is lost.`;
    case 'loses-what-must-stay':
      return `${photoNameOf(unlaid.photo)} is too wide, or too high, for ${itemNameOf(unlaid.item)}: not all that must stay is seen.`;
    case 'covers':
      return `${itemNameOf(unlaid.item)} and ${itemNameOf(unlaid.other)} lie over one another now: move one of them on the page.`;
    case 'no-place':
      return `There is no place for ${photoNameOf(unlaid.photo)}.`;
    case 'no-photo':
      return `${itemNameOf(unlaid.item)} has no photo yet.`;
  }
}
