import { useMemo, useState } from 'react';
import {
  MARKS,
  exactText,
  matStack,
  sayMats,
  type LengthText,
  type MarkName,
  type MatLayer,
  type MatStackInput,
  type NestedAnswer,
  type Reveal,
  type Solved,
  type Unit,
} from '@temnex/core';

/** Which numbers are the unknown ones. */
export type Unknown = 'mats' | 'print' | 'reveals';

const START: MatStackInput = {
  print: { width: '4', height: '6', known: 'measured' },
  mats: [{ reveal: ['1/8'] }, { reveal: ['1/16'] }, { reveal: ['3/8'] }],
};

/** The sizing of one stack of mats: what is given, what follows, and how to change either. */
export function useMatSizing() {
  const [unit, setUnit] = useState<Unit>('in');
  const [markName, setMark] = useState<MarkName>('1/16');
  const [input, setInput] = useState<MatStackInput>(START);
  const mark = MARKS[markName];
  const solved = useMemo<Solved<NestedAnswer>>(() => matStack.solve(input, { unit, mark }), [input, unit, mark]);
  // the last answer stays in view while a number is wrong
  const [last, setLast] = useState<Extract<typeof solved, { status: 'solved' }> | null>(null);
  if (solved.status === 'solved' && solved !== last) setLast(solved);
  const answer = solved.status === 'solved' ? solved : last;
  const unknown: Unknown =
    input.print.width === undefined
      ? 'print'
      : input.mats.length > 0 && input.mats.every((m) => !m.reveal)
        ? 'reveals'
        : 'mats';
  const levels = answer?.answer.levels ?? [];
  const text = (index: number, axis: 'width' | 'height'): string =>
    levels[index] ? exactText(levels[index]![axis], unit) : '';
  const sizeTexts = (index: number) => ({ width: text(index, 'width'), height: text(index, 'height') });
  const setMats = (change: (mats: MatLayer[]) => MatLayer[]) => setInput((i) => ({ ...i, mats: change(i.mats) }));
  const setMat = (index: number, mat: MatLayer) => setMats((mats) => mats.map((m, i) => (i === index ? mat : m)));
  const last1 = input.mats.length - 1;

  return {
    unit,
    mark,
    markName,
    input,
    solved,
    answer,
    unknown,
    setMark: (name: MarkName) => {
      const next = MARKS[name].unit;
      if (next !== unit) setInput(inUnit(input, unit, next));
      setUnit(next);
      setMark(name);
    },
    setPrint: (axis: 'width' | 'height', value: LengthText) =>
      setInput((i) => ({
        ...i,
        print: { ...i.print, ...(i.print.width === undefined ? sizeTexts(0) : {}), [axis]: value },
        mats: unknown === 'print' ? i.mats.map(revealOnly) : i.mats,
      })),
    setSize: (index: number, axis: 'width' | 'height', value: LengthText) =>
      setMat(index, {
        ...sizeTexts(index + 1),
        [axis]: value,
        ...(unknown === 'print' && index === last1 && input.mats[index]!.reveal
          ? { reveal: input.mats[index]!.reveal }
          : {}),
      }),
    setReveal: (index: number, reveal: Reveal) =>
      setMat(index, { ...(unknown === 'print' && index === last1 ? sizeTexts(index + 1) : {}), reveal }),
    addMat: () =>
      setMats((mats) => [
        ...mats,
        unknown === 'reveals'
          ? { ...grown(text(mats.length, 'width'), text(mats.length, 'height'), unit) }
          : { reveal: [unit === 'in' ? '1/8' : '3'] },
      ]),
    removeMat: (index: number) => setMats((mats) => mats.filter((_, i) => i !== index)),
    setUnknown: (next: Unknown) =>
      setInput((i) =>
        recast(
          i,
          next,
          levels.map((_, n) => sizeTexts(n)),
          answer?.answer,
          unit,
        ),
      ),
    say: (line: string): boolean => {
      const said = sayMats(line, unit);
      if (said.ok) setInput(said.input);
      return said.ok;
    },
    replace: setInput,
  };
}
export type MatSizing = ReturnType<typeof useMatSizing>;

const revealOnly = (mat: MatLayer): MatLayer => (mat.reveal ? { reveal: mat.reveal } : mat);

function grown(width: string, height: string, unit: Unit): MatLayer {
  const add = unit === 'in' ? 0.25 : 6;
  const number = (t: string) =>
    t
      .split(' ')
      .reduce((sum, p) => sum + (p.includes('/') ? Number(p.split('/')[0]) / Number(p.split('/')[1]) : Number(p)), 0);
  return { width: String(number(width) + add), height: String(number(height) + add) };
}

/** Turns given values into computed ones and back, keeping the sizes as they are. */
function recast(
  input: MatStackInput,
  next: Unknown,
  sizes: readonly { width: string; height: string }[],
  answer: NestedAnswer | undefined,
  unit: Unit,
): MatStackInput {
  const reveals = (i: number): Reveal => {
    const r = answer?.gaps[i];
    if (!r) return [unit === 'in' ? '1/8' : '3'];
    const t = (n: (typeof r)['left']) => exactText(n, unit);
    return r.left === r.right && r.top === r.bottom
      ? r.left === r.top
        ? [t(r.left)]
        : [t(r.left), t(r.top)]
      : [t(r.left), t(r.right), t(r.top), t(r.bottom)];
  };
  const withReveal = (mat: MatLayer, i: number): MatLayer => ({ reveal: mat.reveal ?? reveals(i) });
  const print = { ...(sizes[0] ?? { width: '4', height: '6' }), known: 'measured' as const };
  if (next === 'mats') return { print, mats: input.mats.map(withReveal) };
  if (next === 'reveals') return { print, mats: input.mats.map((_, i) => sizes[i + 1] ?? { width: '5', height: '7' }) };
  const mats = input.mats.length ? input.mats.map(withReveal) : [{ reveal: reveals(0) }];
  const outer = sizes[mats.length] ?? { width: '5', height: '7' };
  return { print: { known: 'assumed' }, mats: mats.map((m, i) => (i === mats.length - 1 ? { ...m, ...outer } : m)) };
}

/** Bare numbers keep their meaning when the unit changes: they get the old unit's name. */
function inUnit(input: MatStackInput, from: Unit, _to: Unit): MatStackInput {
  const named = (t: LengthText): LengthText => (/[a-z"″]/i.test(String(t)) ? t : `${t} ${from}`);
  const layer = (m: MatLayer): MatLayer => ({
    ...(m.reveal ? { reveal: m.reveal.map(named) as Reveal } : {}),
    ...(m.width !== undefined ? { width: named(m.width) } : {}),
    ...(m.height !== undefined ? { height: named(m.height) } : {}),
  });
  const { width, height, known } = input.print;
  return {
    print: {
      known,
      ...(width !== undefined ? { width: named(width) } : {}),
      ...(height !== undefined ? { height: named(height) } : {}),
    },
    mats: input.mats.map(layer),
  };
}
