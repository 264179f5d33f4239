export {
  fieldKey,
  isUnder,
  knownAs,
  isSamePath,
  valueAt,
  addEntryTo,
  moveEntryIn,
  withValue,
  removeEntryFrom,
  type ChoiceInput,
  type CountInput,
  type TextInput,
  type Field,
  type FieldList,
  type FieldPath,
  type IfEmpty,
  type KnownAs,
  type LengthInput,
} from './fields.ts';
export type {
  Dim,
  Fact,
  LaidOut,
  Layer,
  Offer,
  ReadOutline,
  Recipe,
  RecipeProblem,
  Room,
  LineReading,
  Slot,
  RecipeSolution,
  Suggestion,
  LayoutContext,
} from './recipe.ts';
export type { Blank } from './blanks.ts';
export { recipeOf, type AnyRecipe, type InputOf } from './registry.ts';
export { FIRST_RECIPE, RECIPE_IDS, type RecipeId } from './ids.ts';
export type { Sum } from './sums.ts';
export { applyOffers, setField } from './typing.ts';
export { nameInputUnits } from './inputUnits.ts';
export { splitCardReadings } from '../line/index.ts';
export { omitFromLine, parseRecipeLine, type ParsedLine, type ParsedPageSize } from './recipeLine.ts';
