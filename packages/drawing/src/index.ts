export {
  CUT,
  INK,
  KEEP,
  drawCutLine,
  fitName,
  fitNameIn,
  fitText,
  drawHatching,
  estimateTextWidth,
  type Drawing,
  type Fill,
  type DrawingMark,
  type Stroke,
} from './marks.ts';
export { formatLookPattern, lookId, drawLookTile, pictureUrl } from './looks.ts';
export { FACES, formatDefinitions, formatFill, formatMarks, photoHref, formatSvg } from './svg.ts';
export { BLACK_AND_WHITE, paperFill, drawSheet, type FaceLook, type PictureStyle } from './sheetPicture.ts';
export { drawStep } from './stepPicture.ts';
export { drawTrimmerStep, type TrimmerDrawing } from './trimmerPicture.ts';
export { drawFinish } from './finishPicture.ts';
export { formatShapePath } from './shapes.ts';
export { drawOrderPages, type PrintOrder } from './printPages.ts';
export { PAPERS, type PrintPaper } from './printed.ts';
export { drawTemplatePages, collectTemplates, formatTrueSizeSvg, type Template } from './templates.ts';
export { drawPageOnPaper, type PagePrintOptions } from './pageOnPaper.ts';
