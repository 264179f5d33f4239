import { computeFramedCrop, type Crop, type Framing, type Pixels } from '@temnex/core/photos';
import { CropOf } from './CropOf.tsx';

interface CroppedProps {
  file: string;
  photo: Pixels;
  framing: Framing;
  stay: Crop | null;
  /** In pixels of the screen. */
  width: number;
  height: number;
}

/** A photo as it is framed, on paper of a size. */
export const CroppedPhoto = ({ framing, stay, ...of }: CroppedProps) => (
  <CropOf {...of} crop={computeFramedCrop(of.photo, framing, of.width / of.height, stay).crop} />
);
