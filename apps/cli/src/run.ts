import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { z } from 'zod';
import { roundExact } from '@temnex/core/length';
import { fieldKey } from '@temnex/core/recipes';
import { type DerivedPage, type Part, derivePage, migratePage, pageSchema } from '@temnex/core/page';
import {
  issueFromZod,
  jobSchema,
  planAimsNested,
  planJobNested,
  planSchema,
  isNestedDeeperThan,
  readJob,
  withBlocks,
  type JobDocument,
  type JobIssue,
  type Plan,
} from '@temnex/core/planner';
import { formatSheetLetter } from '@temnex/core/cutting';
import {
  DEFAULT_NAMES,
  describeFact,
  formatLength,
  describeFinishes,
  formatLengthWithDifference,
  describeIssue,
  describeMissing,
  describePageProblem,
  recipeText,
  describeSuggestion,
  formatSum,
  TERMINAL,
  type Voice,
} from '@temnex/words';
import { say } from './say.ts';
import { BAD_INPUT, DONE, SHORT, type World } from './world.ts';

const USAGE = `usage: temnex plan JOB.json [--svg DIR] [--aims] [--earlier PLAN.json]
                                           plan the cutting of a job; for all three aims; keeping what an
                                           earlier plan says of sheets that are still whole
       temnex size PAGE.json               sizes of every part of a page, with their sums
       temnex say "LINE" [--unit mm] [--mark 1/32] [--room "12 x 12"]
                  [--paper "6 x 6"] [--json]
                                           sizes, pieces and marks of what is said in one line
       temnex schema page|job|plan         the JSON Schema of a format`;

export async function run(args: readonly string[], world: World): Promise<number> {
  const [command, file, ...rest] = args;
  if (command === 'schema') return schema(file, world);
  if (command === 'say') return say(args.slice(1), world);
  const options = command === 'plan' ? readOptions(rest) : rest.length ? null : NO_OPTIONS;
  if ((command !== 'plan' && command !== 'size') || !options || !file) {
    world.err(USAGE);
    return BAD_INPUT;
  }
  const document = await readDocument(file, world);
  if (document === undefined) return BAD_INPUT;
  return command === 'plan' ? plan(document, options, world) : size(document, world);
}

interface PlanOptions {
  readonly svg?: string | undefined;
  readonly aims?: boolean | undefined;
  readonly earlier?: string | undefined;
}
const NO_OPTIONS: PlanOptions = {};

/** Null where an option is not known, or lacks what belongs to it. */
function readOptions(args: readonly string[]): PlanOptions | null {
  try {
    const options = { svg: { type: 'string' }, aims: { type: 'boolean' }, earlier: { type: 'string' } } as const;
    return parseArgs({ args: [...args], options, strict: true, allowPositionals: false }).values;
  } catch {
    return null;
  }
}

/** Objects and lists in each other: a tree of cuts has two of them for every cut. */
const DEEPEST = 400;

async function readDocument(file: string, world: World): Promise<unknown> {
  try {
    // some programs begin a text with a mark of its byte order
    const document: unknown = JSON.parse(
      (await readFile(file === '-' ? '/dev/stdin' : file, 'utf8')).replace(/^\uFEFF/, ''),
    );
    if (!isNestedDeeperThan(document, DEEPEST)) return document;
    world.err(`${file}: is nested more than ${DEEPEST} levels deep`);
    return undefined;
  } catch (error) {
    world.err(`${file}: ${error instanceof SyntaxError ? `is not JSON: ${error.message}` : 'cannot be read'}`);
    return undefined;
  }
}

function refuse(issues: readonly JobIssue[], world: World): number {
  const more = issues.length > 1 ? ` (and ${issues.length - 1} more)` : '';
  world.err(`${describeIssue(issues[0]!, TERMINAL)}${more}`);
  return BAD_INPUT;
}

async function plan(document: unknown, { svg, aims, earlier: file }: PlanOptions, world: World): Promise<number> {
  const read = readJob(document);
  if (!read.ok) return refuse(read.issues, world);
  let earlier: Plan | null = null;
  if (file !== undefined) {
    const was = await readDocument(file, world);
    if (was === undefined) return BAD_INPUT;
    const parsed = planSchema.safeParse(was);
    if (!parsed.success) return refuse(parsed.error.issues.map(issueFromZod), world);
    earlier = parsed.data;
  }
  const watch = { now: world.now, earlier };
  const asked = document as JobDocument;
  const answers = aims ? planAimsNested(asked, read.job, watch) : [planJobNested(asked, read.job, watch)];
  const answer = answers[0]!;
  // what is cut in blocks is called and drawn so
  const inBlocks = readJob(withBlocks(asked, answer.blocks));
  const job = inBlocks.ok ? inBlocks.job : read.job;
  world.out(`${JSON.stringify(aims ? answers : answer, null, 1)}\n`);
  const names = new Map(job.pieces.map((p) => [p.id, p.name]));
  if (svg) {
    const { BLACK_AND_WHITE, drawSheet, formatSvg } = await import('@temnex/drawing');
    try {
      await mkdir(svg, { recursive: true });
    } catch {
      world.err(`${svg}: is no folder, and none can be made there`);
      return BAD_INPUT;
    }
    const style = { scale: 48, voice: TERMINAL, face: BLACK_AND_WHITE, pieceName: (id: string) => names.get(id) ?? id };
    try {
      for (let i = 0; i < answer.sheets.length; i++)
        await writeFile(join(svg, `sheet-${formatSheetLetter(i)}.svg`), formatSvg(drawSheet(answer, i, job, style)));
    } catch {
      world.err(`${svg}: its pictures cannot be written`);
      return BAD_INPUT;
    }
  }
  if (answer.status === 'complete') return DONE;
  world.err(answer.missing.map((m) => describeMissing(m, job, TERMINAL).why).join('; '));
  return SHORT;
}

/** Every part; of those that are parts of one piece folded over, the piece once. */
function shownParts({ parts }: DerivedPage): Part[] {
  const said = new Set(parts.filter((p) => !p.along).map((p) => p.piece));
  return parts.filter((part) => {
    if (!part.along) return true;
    const again = part.piece !== null && said.has(part.piece);
    said.add(part.piece);
    return !again;
  });
}

function size(document: unknown, world: World): number {
  const parsed = pageSchema.safeParse(migratePage(document));
  if (!parsed.success) return refuse(parsed.error.issues.map(issueFromZod), world);
  const page = derivePage(parsed.data, DEFAULT_NAMES);
  const voice: Voice = { mark: page.mark, figures: 'plain' };
  for (const part of shownParts(page)) {
    const { solved } = page.items.get(part.item)!;
    const sumOf = (axis: 'width' | 'height') => {
      const sum = part.sized && solved.status === 'solved' ? solved.sums.get(fieldKey(part.sized[axis])) : undefined;
      const value = sum && solved.status === 'solved' ? solved.values.get(fieldKey(part.sized![axis])) : undefined;
      return sum && value ? [formatSum(sum, roundExact(value, 'nearest'), voice)] : [];
    };
    const sums = [...sumOf('width'), ...sumOf('height')];
    // of what is turned, how it is cut says more than how far it reaches
    const cut = part.turned === undefined ? undefined : page.pieces.find((p) => p.id === part.piece);
    const { width, height } = cut ?? part;
    const lies = cut ? `, turned by ${Math.round(10 * part.turned!) / 10}°` : '';
    world.out(
      `${part.name}: ${formatLengthWithDifference(width, voice)} x ${formatLengthWithDifference(height, voice)}${lies}${sums.length ? `   [${sums.join(';  ')}]` : ''}\n`,
    );
  }
  // what was worked out beside the sizes: the reveals
  for (const { item, solved } of page.items.values()) {
    if (solved.status !== 'solved') continue;
    const words = recipeText(item.recipe);
    for (const fact of solved.laid.facts) {
      const says = describeFact(item.recipe, fact, voice);
      if (says) world.out(`${item.name}${fact.of ? `, ${words.group(fact.of)}` : ''}: ${says}\n`);
    }
  }
  for (const piece of page.pieces)
    for (const finish of describeFinishes(piece.finish, (length) => formatLength(length, voice)))
      world.out(`${piece.name}: ${finish}\n`);
  const nameOf = (id: string) => page.items.get(id)?.item.name ?? id;
  for (const { suggestion, item } of page.suggestions)
    world.err(`${nameOf(item)}: ${describeSuggestion(page.items.get(item)!.item.recipe, suggestion, voice)}`);
  const refused = [...new Set(page.problems.flatMap((p) => (p.item === null ? [] : [nameOf(p.item)])))];
  if (refused.length) world.err(`not all is here: ${refused.join(', ')} cannot be made as it is`);
  for (const problem of page.problems) {
    const recipe = problem.item === null ? null : (page.items.get(problem.item)?.item.recipe ?? null);
    const where = problem.item === null ? 'page' : nameOf(problem.item);
    world.err(`${where}: ${describePageProblem(problem, recipe, voice, nameOf)}`);
  }
  return page.problems.length ? BAD_INPUT : DONE;
}

function schema(name: string | undefined, world: World): number {
  const schemas = { page: pageSchema, job: jobSchema, plan: planSchema } as const;
  if (name !== 'page' && name !== 'job' && name !== 'plan') {
    world.err('schema: which one? page, job or plan');
    return BAD_INPUT;
  }
  world.out(`${JSON.stringify(z.toJSONSchema(schemas[name], { io: 'input', unrepresentable: 'any' }), null, 1)}\n`);
  return DONE;
}
