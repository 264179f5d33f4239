import { readFileSync, writeFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { MARKS, inches } from '@temnex/core/length';
import {
  RECIPE_IDS,
  recipeOf,
  parseRecipeLine,
  valueAt,
  type Field,
  type RecipeId,
  type LayoutContext,
} from '@temnex/core/recipes';
import { recipeText } from './index.ts';

/*
 * docs/formats.md says the input of every recipe by example. That part of it is made here, from what each starts with and from what
 * its lines say, and has to be what stands there; `TEMNEX_WRITE=1` in front of the test writes it anew.
 */

const FILE = new URL('../../../docs/formats.md', import.meta.url);
const [BEGIN, END] = ['<!-- inputs: made from the code -->', '<!-- /inputs -->'];
const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};

/** Its lines that can be said in inches, and what becomes of them. */
function examples(id: RecipeId): { line: string; input: unknown }[] {
  return recipeOf(id).phrases.flatMap((line) => {
    let n = 0;
    const said = line.includes('mm') ? null : parseRecipeLine(line, table, () => `l${(n += 1)}`)?.said;
    return said?.ok ? [{ line, input: said.input }] : [];
  });
}

/** What a field holds, and what becomes of it where it is left out. */
function kindOf(field: Field): string {
  if (field.kind === 'choice') return field.options.map((o) => `\`${o}\``).join(', ');
  const what =
    field.kind === 'text'
      ? `text as \`${field.example}\``
      : field.kind === 'count'
        ? `a number up to ${field.most}`
        : `a length${allowed(field.allow)}`;
  const left = { 'worked-out': 'or left out: worked out', 'by-rule': 'or left out', refused: 'needed' }[field.ifEmpty];
  return `${what}, ${left}`;
}
const allowed = (allow: 'zero' | 'negative' | undefined): string =>
  allow === 'zero' ? ', 0 too' : allow === 'negative' ? ', below 0 too' : '';

function section(id: RecipeId): string {
  const recipe = recipeOf(id);
  const all = examples(id);
  const { line, input } = all[0]!;
  let n = 0;
  const inputs = [recipe.start(table, () => `s${(n += 1)}`), ...all.map((one) => one.input)];
  // every field that one of them has, each once; of a list the first entry stands for all
  const fields = new Map<string, Field>();
  for (const one of inputs)
    for (const f of recipe.fields(one)) {
      const at = f.path
        .map((step) => (typeof step === 'number' ? '[]' : step))
        .join('.')
        .replaceAll('.[]', '[]');
      // what is only chosen on the screen stands nowhere
      const stands = f.kind !== 'choice' || valueAt(one, f.path) === f.value;
      const was = fields.get(at);
      if (stands && !was) fields.set(at, f);
      // of a choice all that it can be, whichever of the examples has it
      else if (was?.kind === 'choice' && f.kind === 'choice')
        fields.set(at, { ...was, options: [...new Set([...was.options, ...f.options])] });
    }
  return [
    `### \`${id}\`: ${recipeText(id).title}`,
    '',
    `\`${line}\` is`,
    '',
    '```json',
    JSON.stringify(input),
    '```',
    '',
    ...[...fields].map(([at, f]) => `- \`${at}\`: ${kindOf(f)}`),
  ].join('\n');
}

test('docs/formats.md says the input of every recipe, as it is', () => {
  const made = `${BEGIN}\n\n${RECIPE_IDS.map(section).join('\n\n')}\n\n${END}`;
  const text = readFileSync(FILE, 'utf8');
  const [from, to] = [text.indexOf(BEGIN), text.indexOf(END) + END.length];
  expect(from).toBeGreaterThan(0);
  if (process.env.TEMNEX_WRITE) writeFileSync(FILE, text.slice(0, from) + made + text.slice(to));
  else expect(text.slice(from, to)).toBe(made);
});
