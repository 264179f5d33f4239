export { RECIPES, RECIPE_IDS, type RecipeId } from './registry.ts';
export type { Offer, Recipe, RecipeProblem, Solved, Suggestion, Table } from './recipe.ts';
export { solveSums, type Equation, type Given, type Known, type Sum, type SumsSolution } from './sums.ts';
export {
  restSchema,
  revealSchema,
  type NestedAnswer,
  type NestedLevel,
  type Rest,
  type Reveal,
  type Reveals,
} from './nested.ts';
export {
  fitMatToPaper,
  matLayerSchema,
  matName,
  matStack,
  matStackSchema,
  type MatLayer,
  type MatStackInput,
  type PaperFit,
} from './mat-stack/matStack.ts';
export { sayMats, type SaidMats } from './say.ts';
export {
  basePanels,
  basePanelsSchema,
  panelName,
  panelSchema,
  type BasePanelsInput,
  type Panel,
} from './base-panels/basePanels.ts';
export { photo, photoSchema, type Crop, type PhotoAnswer, type PhotoInput } from './photo/photo.ts';
