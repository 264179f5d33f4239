import type { Plan } from '../planner/index.ts';

/*
 * Letters pencilled on paper: a sheet as it is taken is A, parts of it that are cut again are A1, A2 and so on as they come to hand.
 * Once pencilled, a letter stays for the session at the trimmer: what a new order takes up again keeps it (`sheets[].letter` of
 * the plan), and new letters go on from the last.
 */

/** A letter by its place: A, B, … Z, AA. */
export const formatSheetLetter = (index: number): string =>
  (index < 26 ? '' : formatSheetLetter(Math.floor(index / 26) - 1)) + String.fromCharCode(65 + (index % 26));

/** What is pencilled on a sheet of a plan. */
export const letterOfSheet = (plan: Plan, sheet: number): string =>
  plan.sheets[sheet]?.letter ?? formatSheetLetter(sheet);

/** `J` and 3 of `J3`; of `J`, 0. */
function readLetter(letter: string): { readonly family: string; readonly number: number } {
  const [, family = letter, number = '0'] = /^([A-Z]+)(\d*)$/.exec(letter) ?? [];
  return { family, number: Number(number) };
}

/** The place of a letter: A is 0, Z is 25, AA is 26. */
const placeOf = (family: string): number =>
  [...family].reduce((place, letter) => place * 26 + letter.charCodeAt(0) - 64, 0) - 1;

const named = new WeakMap<Plan, ReadonlyMap<string, string>>();

/** Short names of the parts that are cut again, shared by story, print and pictures; by index of the sheet and path. */
export function namePartsOfPlan(plan: Plan): (sheet: number, path: string) => string | null {
  const known = namesByPart(plan);
  return (sheet, path) => known.get(`${sheet} ${path}`) ?? null;
}

function namesByPart(plan: Plan): ReadonlyMap<string, string> {
  const known = named.get(plan);
  if (known) return known;
  const names = new Map<string, string>();
  /** By the letter of a sheet: the number of the last part that was named after it. */
  const last = new Map<string, number>();
  plan.sheets.forEach((sheet, index) => {
    const letter = letterOfSheet(plan, index);
    names.set(`${index} r`, letter);
    const { family, number } = readLetter(letter);
    last.set(family, Math.max(last.get(family) ?? 0, number, sheet.named ?? 0));
  });
  const cutAgain = new Set<string>();
  for (const step of plan.steps)
    if (step.do !== 'trim') for (const sheet of step.sheets) cutAgain.add(`${sheet} ${step.part}`);
  for (const step of plan.steps)
    for (const sheet of step.sheets) {
      const freed =
        step.do === 'cut'
          ? [step.off, step.rest]
          : step.do === 'open'
            ? [step.off, `${step.part}.opened`]
            : step.do === 'stop' && step.line === 4
              ? [0, 1, 2, 3, 4].map((n) => `${step.part}.${n}`)
              : [];
      for (const path of freed) {
        const key = `${sheet} ${path}`;
        if (path === null || !cutAgain.has(key) || names.has(key)) continue;
        const { family } = readLetter(letterOfSheet(plan, sheet));
        const number = last.get(family)! + 1;
        last.set(family, number);
        names.set(key, `${family}${number}`);
      }
    }
  named.set(plan, names);
  return names;
}

/** What a session at the trimmer has pencilled by the time that it needs a new order. */
export interface PencilledLetters {
  /** Its orders so far, the last one being left for the new one. */
  readonly orders: readonly Plan[];
  /** Sheets of the last order that no cut has touched, by index. */
  readonly untouched: readonly number[];
  /** By item of the drawer: the name of the part that it is. */
  readonly parts: Readonly<Record<string, string>>;
}

/**
 * A new order with the letters of the session: parts that bear a name keep it, sheets not touched yet keep their letter, and the
 * others go on from the last letter given.
 */
export function applyPencilledLetters(plan: Plan, { orders, untouched, parts }: PencilledLetters): Plan {
  const earlier = orders.at(-1);
  const used = orders.flatMap((order) => [...namesByPart(order).values()]);
  let next = Math.max(-1, ...used.map((name) => placeOf(readLetter(name).family))) + 1;
  // Nobody has pencilled the parts of a sheet that was not begun.
  const unbegun = new Set(untouched.map((sheet) => (earlier ? letterOfSheet(earlier, sheet) : '')));
  const lastOf = (family: string) =>
    unbegun.has(family)
      ? 0
      : Math.max(0, ...used.map(readLetter).flatMap((one) => (one.family === family ? [one.number] : [])));
  const waiting = [...untouched];
  /** The letter of a sheet that was not touched yet: the one that was to be cut just so, else one of the same paper. */
  const letterBefore = (sheet: Plan['sheets'][number]): string | null => {
    const alike = waiting.filter((index) => earlier?.sheets[index]?.stock === sheet.stock);
    const same = alike.find((index) => JSON.stringify(earlier!.sheets[index]!.tree) === JSON.stringify(sheet.tree));
    const found = same ?? alike[0];
    if (found === undefined) return null;
    waiting.splice(waiting.indexOf(found), 1);
    return letterOfSheet(earlier!, found);
  };
  const given = new Set<string>();
  const letterFor = (sheet: Plan['sheets'][number]): string => {
    const part = parts[sheet.stock];
    const letter =
      (part !== undefined && !given.has(part) ? part : null) ?? letterBefore(sheet) ?? formatSheetLetter(next++);
    given.add(letter);
    return letter;
  };
  // Those that are to be cut just as before choose first, so that no other sheet of the paper takes their letter.
  const kept = plan.sheets.map((sheet) =>
    untouched.some(
      (index) =>
        earlier?.sheets[index]?.stock === sheet.stock &&
        JSON.stringify(earlier.sheets[index].tree) === JSON.stringify(sheet.tree),
    ),
  );
  const letters: string[] = [];
  for (const first of [true, false])
    plan.sheets.forEach((sheet, index) => {
      if (kept[index] === first) letters[index] = letterFor(sheet);
    });
  return {
    ...plan,
    sheets: plan.sheets.map((sheet, index) => {
      const letter = letters[index]!;
      const number = lastOf(readLetter(letter).family);
      return { ...sheet, letter, ...(number ? { named: number } : {}) };
    }),
  };
}
