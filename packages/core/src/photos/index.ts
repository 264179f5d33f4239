export {
  cropTo,
  fitCropOnPaper,
  isCropInside,
  largestCropSize,
  computeCropLoss,
  wholeCropOf,
  moveCropInside,
  type Crop,
  type Cropped,
  type Pixels,
} from './crop.ts';
export { DENSITIES, computeLargestPrint, computeSharpness, type Density } from './printSize.ts';
export {
  DEFAULT_FRAMING,
  MAX_ZOOM,
  cropSchema,
  computeFramedCrop,
  framingOf,
  framingSchema,
  roundCropToPixels,
  type FramedCrop,
  type Framing,
} from './framing.ts';
export {
  EMPTY_PHOTO_FACTS,
  photoFactsSchema,
  photoSchema,
  pictureSchema,
  printWishSchema,
  type Photo,
  type PhotoFacts,
  type Picture,
  type PrintWish,
} from './photo.ts';
export { findPhotos, orientationOf, parsePhotoQuery, type PhotoQuery } from './photoQuery.ts';
export { collectPrints, type PrintOnPage, type PrintToMake } from './prints.ts';
