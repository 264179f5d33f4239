import { styled } from 'styled-components';
import { fitCropOnPaper, type Crop, type Pixels } from '@temnex/core/photos';
import { photoUrl } from '../../data/photos.ts';

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

interface CropOfProps {
  file: string;
  photo: Pixels;
  /** What of it is seen, in its pixels. */
  crop: Crop;
  /** In pixels of the screen. */
  width: number;
  height: number;
  /** Counter-clockwise, as it lies on a sheet. */
  turn?: 0 | 90 | 180 | 270;
}

/** A crop of a photo on paper of a size: filled, or all of it with what falls short. */
export function CropOf({ file, photo, crop, width, height, turn = 0 }: CropOfProps) {
  const upright = turn % 180 === 0 ? { width, height } : { width: height, height: width };
  const fitted = fitCropOnPaper(crop, upright);
  const per = fitted.width / crop.width;
  return (
    <Paper style={{ width, height }} aria-hidden="true">
      <span
        style={{
          width: fitted.width,
          height: fitted.height,
          left: (width - fitted.width) / 2,
          top: (height - fitted.height) / 2,
          ...(turn ? { transform: `rotate(${-turn}deg)` } : {}),
        }}
      >
        <img
          src={photoUrl(file, 'small')}
          alt=""
          style={{
            left: -crop.x * per,
            top: -crop.y * per,
            width: photo.width * per,
            height: photo.height * per,
          }}
        />
      </span>
    </Paper>
  );
}
