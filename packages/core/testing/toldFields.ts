import type { Field } from '../src/recipes/index.ts';

/** The fields of a construction, a line each, in their order. */
export const toldFields = (fields: readonly Field[]): string[] =>
  fields.map((f) => {
    const at = `${f.path.join('.')} of ${f.group.join('.')}: ${f.value ?? 'open'}`;
    if (f.kind === 'choice') return `${at}, one of ${f.options.join(' ')}`;
    if (f.kind === 'text') return `${at}, written as ${f.example}, emptied ${f.ifEmpty}`;
    if (f.kind === 'count') return `${at}, a number up to ${f.most}, emptied ${f.ifEmpty}`;
    return `${at}, a length${f.allow ? ` with ${f.allow}` : ''}, emptied ${f.ifEmpty}${f.knownAt ? `, known at ${f.knownAt.join('.')}` : ''}`;
  });
