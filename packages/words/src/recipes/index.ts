import type { RecipeId } from '@temnex/core/recipes';
import type { ItemNames } from '@temnex/core/page';
import { formatSheetLetter } from '@temnex/core/cutting';
import { bannerStrip } from './bannerStrip.ts';
import { basePanels } from './basePanels.ts';
import { blockBand } from './blockBand.ts';
import { borderStrip } from './borderStrip.ts';
import { builtUp } from './builtUp.ts';
import { burst } from './burst.ts';
import { envelope } from './envelope.ts';
import { foldedCard } from './foldedCard.ts';
import { grid } from './grid.ts';
import { halfBase } from './halfBase.ts';
import { halfCircles } from './halfCircles.ts';
import { hollowMat } from './hollowMat.ts';
import { journaling } from './journaling.ts';
import { letterRow } from './letterRow.ts';
import { matStack } from './matStack.ts';
import { photo } from './photo.ts';
import { pinwheel } from './pinwheel.ts';
import { pocket } from './pocket.ts';
import { rays } from './rays.ts';
import { shapes } from './shapes.ts';
import { stitches } from './stitches.ts';
import { stripFrame } from './stripFrame.ts';
import { strips } from './strips.ts';
import { tabs } from './tabs.ts';
import { tag } from './tag.ts';
import { weave } from './weave.ts';
import type { RecipeText } from './words.ts';

/** The words of every recipe: complete, because its type asks for each. */
const WORDS: Readonly<Record<RecipeId, RecipeText>> = {
  photo,
  'mat-stack': matStack,
  'base-panels': basePanels,
  'hollow-mat': hollowMat,
  'half-base': halfBase,
  'built-up': builtUp,
  'block-band': blockBand,
  strips,
  'banner-strip': bannerStrip,
  'border-strip': borderStrip,
  'strip-frame': stripFrame,
  grid,
  shapes,
  'half-circles': halfCircles,
  pinwheel,
  burst,
  weave,
  rays,
  pocket,
  'folded-card': foldedCard,
  envelope,
  tag,
  tabs,
  journaling,
  'letter-row': letterRow,
  stitches,
};
export const recipeText = (recipe: RecipeId): RecipeText => WORDS[recipe];

/** What layers and pieces are called that nobody has named. */
export const DEFAULT_NAMES: ItemNames = {
  part: (recipe, role, n, item) => WORDS[recipe].part(role, n, item),
  piece: (recipe, role, n, item) => WORDS[recipe].piece(role, n, item),
  patch: (piece, n, of) => `${piece}, part${of > 1 ? ` ${formatSheetLetter(n - 1).toLowerCase()}` : ''}`,
};

export { describeFinish, describeFinishes, type RecipeText, type FormatLength } from './words.ts';
