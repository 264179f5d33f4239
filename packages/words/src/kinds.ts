/** What the drawer holds, by its kind. */
export const STOCK_KIND_LABELS = {
  sheet: 'sheet',
  pad: 'pad sheet',
  scrap: 'scrap',
  strip: 'strip',
  branding: 'branding strip',
  piece: 'finished piece',
} as const;

/** What is said after the kind of an odd scrap, by the number of its corners. */
export const describeOddShape = (corners: number): string =>
  corners === 6 ? ' with a corner gone' : ` with ${corners} corners`;
