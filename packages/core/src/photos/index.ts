export {
  cropTo,
  fittedOn,
  holds,
  largestOf,
  lostBy,
  wholeOf,
  within,
  type Crop,
  type Cropped,
  type Pixels,
} from './crop.ts';
export { DENSITIES, largestPrint, sharpness, type Density } from './printSize.ts';
