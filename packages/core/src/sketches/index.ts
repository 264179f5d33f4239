export { shippedSketches, type ShippedSketch } from './shipped.ts';
export {
  coveredByTurning,
  factsOfSketch,
  layPhotos,
  openingsOf,
  saySketch,
  sketchMatches,
  sketchOf,
  turnOpening,
  type Lies,
  type Opening,
  type SketchFacts,
  type SoughtSketch,
  type Unlaid,
} from './sketch.ts';
