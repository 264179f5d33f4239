export { shippedSketches, type ShippedSketch } from './shipped.ts';
export {
  findCoveredByTurning,
  collectSketchFacts,
  layPhotos,
  openingsOf,
  parseSketchQuery,
  isSketchMatching,
  sketchFromPage,
  turnOpening,
  type Orientation,
  type Opening,
  type SketchFacts,
  type SketchQuery,
  type SketchMisfit,
} from './sketch.ts';
