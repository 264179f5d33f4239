export {
  CUT,
  INK,
  KEEP,
  cutLine,
  fitName,
  nameIn,
  fitText,
  hatch,
  textWidth,
  type Drawing,
  type Fill,
  type Drawn,
  type Stroke,
} from './marks.ts';
export { lookDefinition, lookId, lookTile, pictureUrl } from './looks.ts';
export { FACES, definitionsOf, fillValue, marksText, photoHref, svgText } from './svg.ts';
export { BLACK_AND_WHITE, paperFill, sheetPicture, type FaceLook, type PictureStyle } from './sheetPicture.ts';
export { stepPicture } from './stepPicture.ts';
export { trimmerPicture, type TrimmerPicture } from './trimmerPicture.ts';
export { finishPicture } from './finishPicture.ts';
export { shapePath } from './shapes.ts';
export { printPages, type PrintOrder } from './printPages.ts';
export { PAPERS, type PrintPaper } from './printed.ts';
export { templatePages, templatesOf, trueSizeSvg, type Template } from './templates.ts';
export { pageOnPaper, type PageOnPaper } from './pageOnPaper.ts';
