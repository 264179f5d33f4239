import { useMemo } from 'react';
import type { FieldPath } from '@temnex/core/recipes';
import {
  addEntry,
  movePart,
  replaceInput,
  removePart,
  setItemField,
  takeOffers,
  type DerivedPage,
  type Page,
  type Part,
} from '@temnex/core/page';
import type { ConstructionEditor } from '../../widgets/construction/constructionEditor.ts';
import { newId } from '../../data/newId.ts';

/** An item of the page as a construction that is worked on; null where nothing is selected. */
export function useConstructionEditor(
  page: Page,
  derived: DerivedPage,
  item: string | null,
  change: (page: Page) => void,
): ConstructionEditor | null {
  return useMemo(() => {
    const here = item === null ? undefined : derived.items.get(item);
    if (!here) return null;
    const { id, recipe } = here.item;
    const { input } = here;
    const partOf = (list: FieldPath, entry: string): Part | undefined =>
      here.parts.find((p) => p.entry?.id === entry && p.entry.list.join() === list.join());
    // of a refused item not every layer is there: its list still is
    const standIn = (list: FieldPath, entry: string): Pick<Part, 'item' | 'entry' | 'key'> => ({
      item: id,
      key: entry,
      entry: { list, id: entry },
    });
    const part = (list: FieldPath, entry: string) => (partOf(list, entry) ?? standIn(list, entry)) as Part;
    return {
      recipe,
      input,
      table: here.table,
      solved: here.solved,
      laid: here.laid,
      set: (path, value) => change(setItemField(page, derived, id, path, value)),
      addTo: (list) => change(addEntry(page, derived, id, list, newId())),
      remove: (list, entry) => change(removePart(page, derived, part(list, entry))),
      move: (list, entry, by) => change(movePart(page, derived, part(list, entry), by)),
      take: (offers) => change(takeOffers(page, derived, id, offers)),
      put: (next) => change(replaceInput(page, derived, id, next)),
    };
  }, [page, derived, item, change]);
}
