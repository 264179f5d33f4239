import { lengthOf, type LengthText, type Unit } from '@temnex/core/length';
import type { Photo } from '@temnex/core/photos';

/** A print that a photo may become, as it is typed. */
export interface PrintSize {
  readonly width: string;
  readonly height: string;
}

const USUAL: Readonly<Record<Unit, readonly PrintSize[]>> = {
  in: [
    { width: '4', height: '6' },
    { width: '5', height: '7' },
    { width: '8', height: '10' },
    { width: '3', height: '4' },
    { width: '4', height: '4' },
    { width: '2', height: '3' },
  ],
  mm: [
    { width: '100', height: '150' },
    { width: '130', height: '180' },
    { width: '200', height: '250' },
    { width: '90', height: '120' },
    { width: '100', height: '100' },
    { width: '50', height: '75' },
  ],
};

/** A size as it is kept. */
interface Kept {
  readonly width: LengthText;
  readonly height: LengthText;
}
export const isSameSize = (a: Kept, b: Kept): boolean => a.width === b.width && a.height === b.height;
export const turnPrintSize = ({ width, height }: PrintSize): PrintSize => ({ width: height, height: width });

/** The usual prints, lying as the photo does. */
export const listUsualPrints = (unit: Unit, photo: Pick<Photo, 'width' | 'height'>): readonly PrintSize[] =>
  USUAL[unit].map((size) => (photo.width > photo.height ? turnPrintSize(size) : size));

/** A size in ticks. */
export const ticksOfPrint = ({ width, height }: Kept, unit: Unit) => ({
  width: lengthOf(width, unit),
  height: lengthOf(height, unit),
});
