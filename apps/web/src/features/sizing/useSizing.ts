import { useCallback, useMemo, useState } from 'react';
import { MARKS, lengthText, parseLength, withUnitNamed, type MarkName } from '@temnex/core/length';
import {
  FIRST_RECIPE,
  RECIPE_IDS,
  recipeOf,
  nameInputUnits,
  parseRecipeLine,
  setField,
  addEntryTo,
  moveEntryIn,
  applyOffers,
  removeEntryFrom,
  type LaidOut,
  type RecipeId,
  type LayoutContext,
} from '@temnex/core/recipes';
import { findMentionedConstructions } from '@temnex/words';
import type { ConstructionEditor } from '../../widgets/construction/constructionEditor.ts';
import { keepValue, readKeptValue } from '../../data/deviceStorage.ts';
import { changeHistory, redoHistory, startHistory, undoHistory, type History } from '../../data/history.ts';
import { newId } from '../../data/newId.ts';

/** What the first view holds: one construction by itself, in a room of its own. */
interface Sizing {
  readonly recipe: RecipeId;
  readonly input: unknown;
  readonly markName: MarkName;
  /** The page that it is for, as typed. */
  readonly room: { readonly width: string; readonly height: string };
  /** The other constructions as they were left. */
  readonly others?: Partial<Record<RecipeId, unknown>>;
}

/** Under this the browser keeps what was worked out last. */
export const SIZING_STORAGE_KEY = 'temnex-sizing-1';
const roomIn = (unit: 'in' | 'mm') => (unit === 'in' ? { width: '12', height: '12' } : { width: '305', height: '305' });

function tableOf({ markName, room }: Pick<Sizing, 'markName' | 'room'>): LayoutContext {
  const mark = MARKS[markName];
  const usual = roomIn(mark.unit);
  const read = (text: string, otherwise: string) => {
    const length = parseLength(text, mark.unit);
    const fallback = parseLength(otherwise, mark.unit);
    return length.ok ? length.value.ticks : fallback.ok ? fallback.value.ticks : MARKS['1/8'].step;
  };
  return {
    unit: mark.unit,
    mark,
    room: { width: read(room.width, usual.width), height: read(room.height, usual.height), seams: [] },
  };
}

function started(recipe: RecipeId, markName: MarkName = '1/16', room = roomIn(MARKS[markName].unit)): Sizing {
  return { recipe, input: recipeOf(recipe).start(tableOf({ markName, room }), newId), markName, room };
}

/** What was there when one left, if it is still what this version understands. */
function remembered(): Sizing {
  const kept = readKeptValue(SIZING_STORAGE_KEY) as Sizing | null;
  const length = lengthText();
  const isKnown = (id: string, input: unknown): boolean =>
    RECIPE_IDS.includes(id as RecipeId) && recipeOf(id as RecipeId).input.safeParse(input).success;
  if (
    kept &&
    kept.markName in MARKS &&
    length.safeParse(kept.room?.width).success &&
    length.safeParse(kept.room?.height).success &&
    isKnown(kept.recipe, kept.input)
  )
    return {
      ...kept,
      others: Object.fromEntries(Object.entries(kept.others ?? {}).filter(([id, input]) => isKnown(id, input))),
    };
  return started(FIRST_RECIPE);
}

/** The state of the first view, kept when one leaves it, with its own undo. */
export function useSizing() {
  const [history, setHistory] = useState(() => startHistory(remembered()));
  const { past, now } = history;
  const keep = (next: History<Sizing>) => {
    keepValue(SIZING_STORAGE_KEY, next.now);
    return next;
  };
  const change = useCallback(
    (make: (sizing: Sizing) => Sizing) => setHistory((h) => keep(changeHistory(h, make(h.now)))),
    [],
  );
  const undo = useCallback(() => setHistory((h) => keep(undoHistory(h))), []);
  const redo = useCallback(() => setHistory((h) => keep(redoHistory(h))), []);
  const table = useMemo(() => tableOf(now), [now]);
  const solved = useMemo(() => recipeOf(now.recipe).solve(now.input, table), [now, table]);
  // the last answer of the same recipe stays in view while a number is wrong
  const [last, setLast] = useState<{ recipe: RecipeId; laid: LaidOut } | null>(null);
  if (solved.status === 'solved' && solved.laid !== last?.laid) setLast({ recipe: now.recipe, laid: solved.laid });
  const laid =
    solved.status === 'solved' ? solved.laid : last?.recipe === now.recipe ? last.laid : (solved.instead ?? null);

  const onInput = (make: (input: unknown) => unknown) => change((s) => ({ ...s, input: make(s.input) }));
  const recipe = recipeOf(now.recipe);
  const made: ConstructionEditor = {
    recipe: now.recipe,
    input: now.input,
    table,
    solved,
    laid,
    set: (path, value) => onInput((input) => setField(recipe, input, path, value, table)),
    addTo: (list) => onInput((input) => addEntryTo(input, list, recipe.entry(input, list, table, newId()))),
    remove: (list, id) => onInput((input) => removeEntryFrom(input, list, id)),
    move: (list, id, by) => onInput((input) => moveEntryIn(input, list, id, by)),
    take: (offers) => onInput((input) => applyOffers(recipe, input, offers, table)),
    put: (input) => onInput(() => input),
  };
  const choose = useCallback(
    (id: RecipeId) =>
      change((s) => {
        if (s.recipe === id) return s;
        const others = { ...s.others, [s.recipe]: s.input };
        const left = s.others?.[id];
        return {
          ...(left === undefined ? started(id, s.markName, s.room) : { ...s, recipe: id, input: left }),
          others,
        };
      }),
    [change],
  );
  return {
    made,
    sizing: now,
    undo,
    redo,
    canUndo: past.length > 0,
    choose,
    replace: (id: RecipeId, input: unknown) => change((s) => ({ ...s, recipe: id, input })),
    setRoom: (axis: 'width' | 'height', text: string) => change((s) => ({ ...s, room: { ...s.room, [axis]: text } })),
    setMark: (markName: MarkName) =>
      change((s) => {
        const [from, to] = [MARKS[s.markName].unit, MARKS[markName].unit];
        if (from === to) return { ...s, markName };
        // bare numbers keep their meaning: they get the old unit's name
        const room = { width: withUnitNamed(s.room.width, from), height: withUnitNamed(s.room.height, from) };
        const others = Object.fromEntries(
          Object.entries(s.others ?? {}).map(([id, input]) => [id, nameInputUnits(id as RecipeId, input, from)]),
        );
        return { ...s, markName, room, others, input: nameInputUnits(s.recipe, s.input, from) };
      }),
    say: (line: string): boolean => {
      const heard = parseRecipeLine(line, table, newId);
      if (!heard?.said.ok) {
        const [meant] = findMentionedConstructions(line);
        if (meant) choose(meant);
        return meant !== undefined;
      }
      const { input } = heard.said;
      const { recipe: id, page } = heard;
      change((s) => ({ ...s, recipe: id, input, room: page ?? s.room }));
      return true;
    },
  };
}
