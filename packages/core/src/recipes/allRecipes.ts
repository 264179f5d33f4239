import { bannerStrip } from './banner-strip/bannerStrip.ts';
import { basePanels } from './base-panels/basePanels.ts';
import { blockBand } from './block-band/blockBand.ts';
import { borderStrip } from './border-strip/borderStrip.ts';
import { builtUp } from './built-up/builtUp.ts';
import { burst } from './burst/burst.ts';
import { envelope } from './envelope/envelope.ts';
import { foldedCard } from './folded-card/foldedCard.ts';
import { grid } from './grid/grid.ts';
import { halfBase } from './half-base/halfBase.ts';
import { halfCircles } from './half-circles/halfCircles.ts';
import { hollowMat } from './hollow-mat/hollowMat.ts';
import { journaling } from './journaling/journaling.ts';
import { letterRow } from './letter-row/letterRow.ts';
import { matStack } from './mat-stack/matStack.ts';
import { photo } from './photo/photo.ts';
import { pinwheel } from './pinwheel/pinwheel.ts';
import { pocket } from './pocket/pocket.ts';
import { rays } from './rays/rays.ts';
import { stitches } from './stitches/stitches.ts';
import { stripFrame } from './strip-frame/stripFrame.ts';
import { shapes } from './shapes/shapes.ts';
import { strips } from './strips/strips.ts';
import { tabs } from './tabs/tabs.ts';
import { tag } from './tag/tag.ts';
import { weave } from './weave/weave.ts';
import type { RecipeId } from './ids.ts';

/** Every construction there is. */
export const RECIPES = {
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
} satisfies Readonly<Record<RecipeId, unknown>>;
