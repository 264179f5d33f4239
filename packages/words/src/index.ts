export { formatList } from './list.ts';
export {
  buildAnswer,
  describePencilMarks,
  describeNotUnderstood,
  describeSheetCount,
  describeTooLong,
  type Answer,
} from './answer.ts';
export {
  SCREEN,
  TERMINAL,
  UNIT_LABELS,
  formatArea,
  formatCount,
  formatLength,
  formatLengthWithDifference,
  describeDifference,
  formatSize,
  type Voice,
} from './lengths.ts';
export { suggestConstructions, findMentionedConstructions } from './find.ts';
export { describeField, describeParsedInput, formatSum } from './fields.ts';
export {
  capitalize,
  describeFact,
  describeIssue,
  describeLengthProblem,
  describeOffer,
  describePageProblem,
  formatPath,
  describeRecipeProblem,
  describeLineProblem,
  describeSuggestion,
} from './problems.ts';
export {
  AIM_LABELS,
  CAUTION,
  describeBound,
  formatComparison,
  describeCopy,
  CUT_ORDER_LABELS,
  describeHandling,
  formatCutList,
  describeFinishStep,
  describeMissing,
  describeMovement,
  describeOddPaper,
  describePart,
  describeStep,
  formatTotals,
  describeWayOut,
  type StepDescription,
  describeOffcutChoice,
} from './plans.ts';
export { STOCK_KIND_LABELS, describeOddShape } from './kinds.ts';
export {
  formatPurchase,
  formatCost,
  describeCouldMake,
  describeDrawerStep,
  describeEnough,
  describeSearchProblem,
  describePace,
  describeRowProblem,
  describeSavings,
  describeStockQuery,
  describeWhyNot,
  describeAreaInSheets,
} from './looking.ts';
export { previewStockLine, type StockLinePreview } from './stockLine.ts';
export { describeLeftOut, describeSvgProblem } from './outlines.ts';
export { describePlaceAlong, describePlace } from './places.ts';
export { formatPaperLetter } from './letters.ts';
export {
  DIRECTION_LABELS,
  describeBuild,
  describeStockItem,
  describePaperReach,
  describeReach,
  describeSide,
  describeStock,
} from './drawer.ts';
export {
  DEFAULT_NAMES,
  describeFinish,
  describeFinishes,
  recipeText,
  type RecipeText,
  type FormatLength,
} from './recipes/index.ts';
export {
  NO_OP_MESSAGES,
  WRONG_CUT_LABELS,
  formatSpokenLength,
  describePress,
  describeTrimmerStep,
  type DescribeBagOf,
  type DescribePlaceOf,
  type TrimmerStepText,
} from './trimmer.ts';
export {
  SHARPNESS_LABELS,
  formatDay,
  formatDayParts,
  describeCropLoss,
  formatPhotoName,
  describePhoto,
  formatPixels,
  describeSharpness,
  describePhotoQuery,
  describeUploadProgress,
  describeUnlaid,
} from './photos.ts';
export { describeCatch, describeCoverage, describeCutAway } from './catches.ts';
