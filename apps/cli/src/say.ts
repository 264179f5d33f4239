import { parseArgs } from 'node:util';
import { MARKS, MARK_NAMES, parseSize, sayRecipe, type MarkName, type SaidLine, type Table } from '@temnex/core';
import { answerOf, notUnderstood, saidWords, type Answer, type Voice } from '@temnex/words';
import { BAD_INPUT, DONE, REFUSED, type World } from './world.ts';

const OPTIONS = {
  unit: { type: 'string' },
  mark: { type: 'string' },
  room: { type: 'string' },
  json: { type: 'boolean' },
} as const;

type Asked = { ok: true; line: string; table: Table; json: boolean } | { ok: false; why: string };

/** What was asked: the line, the unit and mark, and the page that it is for. */
function asked(args: readonly string[]): Asked {
  let read;
  try {
    read = parseArgs({ args: [...args], options: OPTIONS, strict: true, allowPositionals: true });
  } catch (error) {
    return { ok: false, why: (error as Error).message };
  }
  const { values, positionals } = read;
  const line = positionals.join(' ');
  if (!line.trim()) return { ok: false, why: 'say: say what, in quotes' };
  const { unit = 'in' } = values;
  if (unit !== 'in' && unit !== 'mm') return { ok: false, why: `--unit: "${unit}" is neither in nor mm` };
  const usual: MarkName = unit === 'in' ? '1/16' : '1 mm';
  const name = MARK_NAMES.find((m) => m === (values.mark ?? usual) || m === `${values.mark} ${unit}`);
  if (!name) return { ok: false, why: `--mark: "${values.mark}" is none of ${MARK_NAMES.join(', ')}` };
  if (MARKS[name].unit !== unit) return { ok: false, why: `--mark: ${name} is no mark in ${unit}` };
  const size = parseSize(values.room ?? (unit === 'in' ? '12 x 12' : '305 x 305'), unit);
  if (!size.ok) return { ok: false, why: `--room: "${values.room}" is not a size, such as 12 x 12` };
  const { width, height } = size.value;
  const room = { width: width.ticks, height: height.ticks, seams: [] };
  return { ok: true, line, table: { unit, mark: MARKS[name], room }, json: values.json ?? false };
}

/** Lines such as `five banners 1 3/8 x 4 1/2`: what was understood, and what it comes to. */
export function say(args: readonly string[], world: World): number {
  const what = asked(args);
  if (!what.ok) {
    world.err(what.why);
    return BAD_INPUT;
  }
  const { line, table, json } = what;
  let n = 0;
  const heard = sayRecipe(line, table, () => `layer ${(n += 1)}`);
  const answer = answerTo(heard, line, table);
  if (json) world.out(`${JSON.stringify(answer, null, 1)}\n`);
  else tell(answer, world);
  if (answer.understood === null) return BAD_INPUT;
  return answer.problems.length ? REFUSED : DONE;
}

function answerTo(heard: SaidLine | null, line: string, table: Table): Answer {
  const voice: Voice = { mark: table.mark, figures: 'plain' };
  const said = heard?.said;
  if (heard && said?.ok) return answerOf(heard.recipe, said.input, table);
  return notUnderstood(
    saidWords(said && !said.ok ? said : { ok: false, problem: { code: 'phrase-unreadable', text: line } }, voice),
  );
}

function tell({ understood, values, pieces, marks, facts, problems, offers }: Answer, world: World): void {
  if (understood !== null) world.out(`${understood}\n`);
  for (const { name, text, given, sum } of values)
    if (!given) world.out(`${name}: ${text}${sum ? `   [${sum}]` : ''}\n`);
  for (const { name, width, height, quantity, finish } of pieces)
    world.out(`cut ${quantity} × ${name}: ${width} x ${height}${finish.map((f) => `; ${f}`).join('')}\n`);
  for (const { name, at } of marks) world.out(`${name}: ${at}\n`);
  for (const fact of facts) world.out(`${fact}\n`);
  for (const problem of problems) world.err(problem);
  for (const offer of offers) world.err(problems.length ? `you could ${offer}` : offer);
}
