/** Every construction Temnex knows, in the order of the work. To add one: a folder beside these, a line here and one in allRecipes.ts. */
export const RECIPE_IDS = [
  'photo',
  'mat-stack',
  'base-panels',
  'hollow-mat',
  'half-base',
  'built-up',
  'block-band',
  'strips',
  'banner-strip',
  'border-strip',
  'strip-frame',
  'grid',
  'shapes',
  'half-circles',
  'pinwheel',
  'burst',
  'weave',
  'rays',
  'pocket',
  'folded-card',
  'envelope',
  'tag',
  'tabs',
  'journaling',
  'letter-row',
  'stitches',
] as const;

export type RecipeId = (typeof RECIPE_IDS)[number];

/** What one begins with who has said nothing yet. */
export const FIRST_RECIPE: RecipeId = 'mat-stack';
