import { parseArgs } from 'node:util';
import { MARKS, MARK_NAMES, parseSize, type MarkName } from '@temnex/core/length';
import { fitsIn, type Size } from '@temnex/core/geometry';
import {
  recipeOf,
  splitCardReadings,
  omitFromLine,
  parseRecipeLine,
  type ParsedLine,
  type LayoutContext,
} from '@temnex/core/recipes';
import { planJobNested, readJob } from '@temnex/core/planner';
import { buildBlanksJob } from '@temnex/core/cutting';
import {
  buildAnswer,
  describeNotUnderstood,
  describeOffer,
  describeParsedInput,
  describeLineProblem,
  describeSheetCount,
  previewStockLine,
  describeTooLong,
  type Answer,
  type Voice,
} from '@temnex/words';
import { BAD_INPUT, DONE, REFUSED, type World } from './world.ts';

const OPTIONS = {
  unit: { type: 'string' },
  mark: { type: 'string' },
  room: { type: 'string' },
  paper: { type: 'string' },
  json: { type: 'boolean' },
} as const;

type Asked =
  { ok: true; line: string; table: LayoutContext; paper: Size | null; json: boolean } | { ok: false; why: string };

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
  const paper = values.paper === undefined ? null : parseSize(values.paper, unit);
  if (paper && !paper.ok) return { ok: false, why: `--paper: "${values.paper}" is not a size, such as 6 x 6` };
  const { width, height } = size.value;
  const room = { width: width.ticks, height: height.ticks, seams: [] };
  const sheet = paper?.ok ? { width: paper.value.width.ticks, height: paper.value.height.ticks } : null;
  return { ok: true, line, table: { unit, mark: MARKS[name], room }, paper: sheet, json: values.json ?? false };
}

/** Lines such as `five banners 1 3/8 x 4 1/2`: what was understood, and what it comes to. */
export function say(args: readonly string[], world: World): number {
  const what = asked(args);
  if (!what.ok) {
    world.err(what.why);
    return BAD_INPUT;
  }
  const { line, table, paper, json } = what;
  let n = 0;
  const newId = () => `layer ${(n += 1)}`;
  const heard = parseRecipeLine(line, table, newId);
  const answer = fromPaper(answerTo(heard, line, table, newId), heard, paper, world);
  if (json) world.out(`${JSON.stringify(answer, null, 1)}\n`);
  else tell(answer, world);
  if (answer.understood === null) return BAD_INPUT;
  return answer.problems.length ? REFUSED : DONE;
}

function answerTo(heard: ParsedLine | null, line: string, table: LayoutContext, newId: () => string): Answer {
  const voice: Voice = { mark: table.mark, figures: 'plain' };
  const said = heard?.said;
  if (heard && said?.ok) {
    const answer = buildAnswer(heard.recipe, said.input, heard.table);
    return { ...answer, understood: describeParsedInput(heard.recipe, said.input, heard) };
  }
  // paper for the drawer: what was understood is all there is to say, for here is no drawer
  const paper = previewStockLine(line, [], table.unit);
  if (paper)
    return paper.said.ok
      ? { ...describeNotUnderstood(''), understood: paper.says, problems: [] }
      : describeNotUnderstood(paper.says);
  const card = splitCardReadings(line);
  const shorter = card ? null : omitFromLine(line, table, newId);
  const instead = card ? [card.folded, card.flat] : shorter ? [shorter.line] : [];
  return {
    ...describeNotUnderstood(
      describeLineProblem(
        said && !said.ok ? said : { ok: false, problem: { code: 'phrase-unreadable', text: line } },
        voice,
      ),
    ),
    offers: instead.map((one) => `say: ${one}`),
  };
}

/** The same answer, with how many sheets of a paper it takes; or why it does not come from that, and what would. */
function fromPaper(answer: Answer, heard: ParsedLine | null, asked: Size | null, world: World): Answer {
  if (!heard?.said.ok || answer.problems.length) return answer;
  const { recipe: id, said, sheet, table } = heard;
  const read = sheet ? parseSize(`${sheet.width} x ${sheet.height}`, table.unit) : null;
  const paper = asked ?? (read?.ok ? { width: read.value.width.ticks, height: read.value.height.ticks } : null);
  const recipe = recipeOf(id);
  const solved = recipe.solve(said.input, table);
  if (!paper || solved.status !== 'solved' || !solved.laid.blanks.length) return answer;
  const voice: Voice = { mark: table.mark, figures: 'plain' };
  const { blanks } = solved.laid;
  const long = blanks.filter((blank) => !fitsIn(blank, paper));
  if (long.length)
    return {
      ...answer,
      problems: long.map((blank) => describeTooLong(id, blank, paper, voice)),
      offers: long.flatMap((blank) =>
        recipe.toComeFrom(said.input, table, blank.key, paper).map((offer) => describeOffer(id, offer, voice)),
      ),
    };
  const wanted = buildBlanksJob(blanks, paper, table);
  const job = readJob(wanted);
  if (!job.ok) return answer;
  return {
    ...answer,
    facts: [...answer.facts, describeSheetCount(planJobNested(wanted, job.job, { now: world.now }), paper, voice)],
  };
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
