import { useOutletContext } from 'react-router';
import { MARKS, type Mark } from '@temnex/core/length';
import type { Habits, Paper } from '@temnex/core/stock';
import type { DrawerRecord } from '@temnex/contract';

/** What every part of the drawer's station knows. */
export interface DrawerContext {
  readonly drawer: DrawerRecord;
  readonly papers: ReadonlyMap<string, Paper>;
  readonly habits: Habits;
  /** The mark in which its sizes are said. */
  readonly mark: Mark;
  /** What one just did, so that it can be undone. */
  readonly done: (step: string) => void;
}
export const useDrawerContext = (): DrawerContext => useOutletContext<DrawerContext>();

/** Sizes of paper are said to the sixteenth, or to the millimetre. */
export const drawerMarkOf = ({ unit }: Pick<Habits, 'unit'>): Mark => MARKS[unit === 'mm' ? '1 mm' : '1/16'];

/** The day it is, as people write it down here. */
export const formatToday = (): string => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
};
