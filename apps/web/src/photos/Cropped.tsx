import { styled } from 'styled-components';
import { fittedOn, framed, type Crop, type Framing, type Pixels } from '@temnex/core';
import { photoUrl } from '../api/photos.ts';

const Paper = styled.span`
  display: block;
  position: relative;
  overflow: hidden;
  background: #fff;
  outline: 1px solid var(--ink);
  & > span {
    position: absolute;
    overflow: hidden;
  }
  & img {
    position: absolute;
    max-width: none;
  }
`;

interface CroppedProps {
  file: string;
  photo: Pixels;
  framing: Framing;
  stay: Crop | null;
  /** In pixels of the screen. */
  width: number;
  height: number;
  side?: 'small' | 'large';
}

/** A photo as it is seen in an opening: filled, or all of it with what falls short. */
export function Cropped({ file, photo, framing, stay, width, height, side = 'small' }: CroppedProps) {
  const { crop } = framed(photo, framing, width / height, stay);
  const fitted = fittedOn(crop, { width, height });
  const per = fitted.width / crop.width;
  return (
    <Paper style={{ width, height }} aria-hidden="true">
      <span
        style={{
          ...{ left: fitted.bare.width / 2, top: fitted.bare.height / 2 },
          ...{ width: fitted.width, height: fitted.height },
        }}
      >
        <img
          src={photoUrl(file, side)}
          alt=""
          style={{
            ...{ left: -crop.x * per, top: -crop.y * per },
            ...{ width: photo.width * per, height: photo.height * per },
          }}
        />
      </span>
    </Paper>
  );
}
