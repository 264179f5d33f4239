export {
  fieldKey,
  isUnder,
  knownAs,
  samePath,
  valueAt,
  withEntry,
  withEntryMoved,
  withValue,
  withoutEntry,
  type ChoiceInput,
  type CountInput,
  type TextInput,
  type Field,
  type FieldList,
  type FieldPath,
  type IfEmpty,
  type Known,
  type LengthInput,
} from './fields.ts';
export type {
  Dim,
  Fact,
  Laid,
  Layer,
  Offer,
  OutlineRead,
  Recipe,
  RecipeProblem,
  Room,
  Said,
  Slot,
  Solved,
  Suggestion,
  Table,
} from './recipe.ts';
export type { Blank } from './blanks.ts';
export { recipeOf, type AnyRecipe, type InputOf } from './registry.ts';
export { FIRST_RECIPE, RECIPE_IDS, type RecipeId } from './ids.ts';
export type { Sum } from './sums.ts';
export { withOffers, setField } from './typing.ts';
export { inputNamed } from './named.ts';
export { cardEitherWay } from '../line/index.ts';
export { lineLeavingOut, sayRecipe, type SaidLine, type SaidSize } from './say.ts';
