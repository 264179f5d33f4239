import { formatExactLength, parseLength, ticks, type Ticks, type Unit } from '../length/index.ts';
import { rect, type Rect } from '../geometry/index.ts';
import { computeFramedCrop, fitCropOnPaper, type Crop, type Picture } from '../photos/index.ts';

/*
 * A photo in an opening of the page. The opening is where it is seen; `whole` is where all of the photo would lie, so that the one
 * drawn behind the other is what is seen:
 *
 *     +- - - - - - - - -+  whole
 *     |   +--------+    |
 *     |   | opening|    |
 *     +- -+--------+- - +
 */

export interface ShownPicture {
  readonly photo: string;
  readonly file: string;
  /** In ticks of the page, as a part lies. Where all of it is seen, the opening is as large as it comes out. */
  readonly opening: Rect;
  readonly whole: Rect;
  /** What is seen, in pixels of the photo. */
  readonly crop: Crop;
  readonly lost: Readonly<Record<'left' | 'right' | 'top' | 'bottom', number>>;
  /** Whether all that must stay is seen; and where it lies, in ticks of the page. */
  readonly stays: boolean;
  readonly stay: Rect | null;
  /** How far what is wanted somewhere lies from there, in ticks: 0 where it lies there. */
  readonly misses: { readonly across: Ticks; readonly upDown: Ticks };
}

/** Between how near its rim something of the photo can be wanted: at the rim itself the crop would be nothing. */
const RIM = 0.02;

/** How a photo is seen in an opening, what is wanted at a place of the page brought there as far as the photo reaches. */
export function framePicture(box: Rect, picture: Picture, unit: Unit): ShownPicture {
  const photo = { width: picture.width, height: picture.height };
  const ratio = box.width / box.height;
  const aims = wantedAt(box, picture, unit);
  const { crop, lost, stays } = computeFramedCrop(photo, towards(picture, ratio, aims), ratio, picture.stay);
  const fitted = fitCropOnPaper(crop, box);
  const opening = rect(
    Math.round(box.x + fitted.bare.width / 2),
    Math.round(box.y + fitted.bare.height / 2),
    Math.round(fitted.width),
    Math.round(fitted.height),
  );
  const per = fitted.width / crop.width;
  const top = opening.y + opening.height;
  /** Where a rectangle of the photo lies on the page. */
  const lies = ({ x, y, width, height }: Crop): Rect =>
    rect(
      Math.round(opening.x + (x - crop.x) * per),
      Math.round(top - (y + height - crop.y) * per),
      Math.round(width * per),
      Math.round(height * per),
    );
  const whole = lies({ x: 0, y: 0, ...photo });
  const miss = (axis: 'across' | 'upDown'): Ticks => {
    const aim = aims[axis];
    if (!aim) return ticks(0);
    const at = axis === 'across' ? whole.x + aim.share * whole.width : whole.y + (1 - aim.share) * whole.height;
    // what the eye cannot tell is there
    return ticks(Math.abs(at - aim.at) < NEAR ? 0 : Math.round(at - aim.at));
  };
  return {
    photo: picture.photo,
    file: picture.file,
    opening,
    whole,
    crop,
    lost,
    stays,
    stay: picture.stay && lies(picture.stay),
    misses: { across: miss('across'), upDown: miss('upDown') },
  };
}
/** A tenth of a millimetre, in ticks. */
const NEAR = 96;

interface Aim {
  /** Along the photo, from the left or from the top. */
  readonly share: number;
  /** On the page, in ticks. */
  readonly at: number;
  /** How far along the opening that is, from its left or from its top; not within it where it lies outside. */
  readonly along: number;
}
type Aims = Readonly<Partial<Record<'across' | 'upDown', Aim>>>;

function wantedAt(box: Rect, { wanted }: Picture, unit: Unit): Aims {
  const read = (axis: 'across' | 'upDown'): Aims => {
    const said = wanted?.[axis];
    const at = said && parseLength(said.at, unit, { allow: 'zero' });
    if (!said || !at?.ok) return {};
    const on = at.value.ticks;
    const along = axis === 'across' ? (on - box.x) / box.width : (box.y + box.height - on) / box.height;
    return { [axis]: { share: said.share, at: on, along } };
  };
  return { ...read('across'), ...read('upDown') };
}

/** The framing that brings what is wanted to its place: closer where the photo would not reach otherwise. */
function towards(picture: Picture, ratio: number, aims: Aims): Picture {
  const { width: W, height: H } = picture;
  const inside = ({ along, share }: Aim) => along > 0 && along < 1 && share > RIM && share < 1 - RIM;
  const [across, upDown] = [aims.across, aims.upDown].map((aim) => (aim && inside(aim) ? aim : null));
  if (picture.keep === 'whole' || (!across && !upDown)) return picture;
  const largest = Math.min(H, W / ratio);
  /** The largest crop along an axis that has the wanted share there, of a photo so long. */
  const most = ({ share, along }: Aim, long: number) =>
    Math.min((share * long) / along, ((1 - share) * long) / (1 - along));
  const height = Math.min(
    largest / picture.zoom,
    ...(upDown ? [most(upDown, H)] : []),
    ...(across ? [most(across, W) / ratio] : []),
  );
  const middle = (aim: Aim | null | undefined, long: number, crop: number, at: number) =>
    aim ? (aim.share * long - aim.along * crop + crop / 2) / long : at;
  return {
    ...picture,
    zoom: largest / height,
    x: middle(across, W, height * ratio, picture.x),
    y: middle(upDown, H, height, picture.y),
  };
}

/** Whether what an input says of a print (at `group`) is measured: then there is one of that size. */
export const hasMeasuredPrint = (input: unknown, [group]: readonly (string | number)[]): boolean =>
  (input as Readonly<Record<string | number, { known?: unknown } | undefined>> | undefined)?.[group ?? '']?.known ===
  'measured';

/** Where a point of a shown photo (shares from the left and the top) lies on the page, as it is typed. */
export function locateSpot(
  { whole }: Pick<ShownPicture, 'whole'>,
  spot: { readonly x: number; readonly y: number },
  unit: Unit,
): { readonly across: string; readonly upDown: string } {
  return {
    across: formatExactLength(ticks(Math.round(whole.x + spot.x * whole.width)), unit),
    upDown: formatExactLength(ticks(Math.round(whole.y + (1 - spot.y) * whole.height)), unit),
  };
}
