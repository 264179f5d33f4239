import { parseLength, type LengthText, type ReadOptions, type Unit } from '../length/index.ts';
import type { FieldPath, KnownAs } from './fields.ts';
import type { RecipeProblem } from './recipe.ts';
import type { Given } from './sums.ts';

/** Reads what an input gives, length by length; what does not read becomes a problem that names its field. */
export function readGivenLengths(unit: Unit) {
  const givens: Given[] = [];
  const problems: RecipeProblem[] = [];
  const give = (
    path: FieldPath,
    text: LengthText | undefined,
    known: KnownAs = 'assumed',
    allow?: ReadOptions['allow'],
  ): void => {
    if (text === undefined) return;
    const read = parseLength(text, unit, allow ? { allow } : {});
    if (read.ok) givens.push({ path, value: read.value.ticks, known });
    else problems.push({ code: 'field', path, problem: read.problem });
  };
  return { givens, problems, give };
}
