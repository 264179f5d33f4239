import {
  splitCardReadings,
  omitFromLine,
  recipeOf,
  parseRecipeLine,
  type RecipeId,
  type LayoutContext,
} from '@temnex/core/recipes';
import {
  findMentionedConstructions,
  formatList,
  describeRecipeProblem,
  recipeText,
  describeParsedInput,
  describeLineProblem,
  previewStockLine,
  type Voice,
} from '@temnex/words';
import { newId } from '../../data/newId.ts';
import type { LinePreview } from '../../design/LineInput.tsx';
import { MentionedConstructions } from './MentionedConstructions.tsx';
import { ParsedLinePicture } from './ParsedLinePicture.tsx';

/** What the line of the first view makes of a text: a construction, drawn; paper for the drawer; what it may be about; or what it does not understand. */
export function parseFirstLine(text: string, table: LayoutContext, choose: (id: RecipeId) => void): LinePreview | null {
  if (!text.trim()) return null;
  const voice: Voice = { mark: table.mark, figures: 'typeset' };
  const heard = parseRecipeLine(text, table, newId);
  if (heard?.said.ok) {
    const { input } = heard.said;
    const solved = recipeOf(heard.recipe).solve(input, heard.table);
    const but = solved.status === 'refused' ? solved.problems : [];
    const why = but.map((problem) => describeRecipeProblem(heard.recipe, problem, voice));
    return {
      ok: true,
      says: [describeParsedInput(heard.recipe, input, heard) + (why.length ? '.' : ''), ...why].join(' '),
      seen: solved.status === 'solved' ? <ParsedLinePicture laid={solved.laid} voice={voice} /> : null,
    };
  }
  const paper = previewStockLine(text, [], table.unit);
  if (paper) {
    const { said, says } = paper;
    if (!said.ok) return { ok: false, says };
    return said.paperWords
      ? { ok: true, says: `${says}: goes into the drawer.` }
      : { ok: false, says: `${says}: which paper?` };
  }
  // without a number it is only said what one wants to make
  const meant = findMentionedConstructions(text);
  if (meant.length) {
    const { title, asks } = recipeText(meant[0]!);
    const seen = <MentionedConstructions ids={meant} table={table} choose={choose} />;
    return { ok: true, says: `${title}: ${asks}. Enter begins with it.`, seen };
  }
  const problem = heard?.said.ok === false ? heard.said.problem : ({ code: 'phrase-unreadable', text } as const);
  return { ok: false, says: describeLineProblem({ ok: false, problem }, voice), instead: insteadOf(text, table) };
}

/** Lines that would be understood in its place, each behind a button of its own. */
function insteadOf(text: string, table: LayoutContext): NonNullable<LinePreview['instead']> {
  const card = splitCardReadings(text);
  if (card)
    return [
      { line: card.folded, says: 'Folded' },
      { line: card.flat, says: 'Cut flat' },
    ];
  const shorter = omitFromLine(text, table, newId);
  const words = shorter?.without.map((word) => `"${word}"`) ?? [];
  return shorter ? [{ line: shorter.line, says: `Leave out ${formatList(words, 'and')}` }] : [];
}
