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
export {
  AS_IT_IS,
  MOST_ZOOM,
  cropSchema,
  framed,
  framingOf,
  framingSchema,
  wholePixels,
  type Framed,
  type Framing,
} from './framing.ts';
export {
  NOTHING_SAID,
  photoFactsSchema,
  photoSchema,
  pictureSchema,
  printWishSchema,
  type Photo,
  type PhotoFacts,
  type Picture,
  type PrintWish,
} from './photo.ts';
export { findPhotos, liesOf, sayFindPhotos, type SoughtPhoto } from './find.ts';
export { printsOf, type AskedFor, type PrintToMake } from './prints.ts';
