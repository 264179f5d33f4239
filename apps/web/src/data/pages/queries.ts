import { useQuery } from '@tanstack/react-query';
import { pageRecordSchema, pageSummarySchema } from '@temnex/contract';
import type { Page } from '@temnex/core/page';
import { z } from 'zod';
import { requestJson } from '../client.ts';
import { KEYS } from '../keys.ts';
import { useChange } from '../useChange.ts';
import { usePageStore } from './pageStore.ts';

export const usePages = () =>
  useQuery({ queryKey: KEYS.pages, queryFn: () => requestJson('GET', '/api/pages', z.array(pageSummarySchema)) });
export const usePage = (id: string) => {
  const store = usePageStore();
  return useQuery({ queryKey: KEYS.page(id), queryFn: () => store.fetch(id), staleTime: 0 });
};
export const useCreatePage = () =>
  useChange(
    (document: Page, id) => requestJson('POST', '/api/pages', pageRecordSchema, { id, document }),
    [KEYS.pages],
    undefined,
    (client, page) => client.setQueryData(KEYS.page(page.id), page),
  );
export const useRemovePage = () =>
  useChange((id: string) => requestJson('DELETE', `/api/pages/${id}`, null), [KEYS.pages, KEYS.removed]);
/** A page whose text was mended by hand. */
export function useMendPage(id: string) {
  const store = usePageStore();
  return useChange((save: { version: number; document: unknown }) => store.mend(id, save.version, save.document), []);
}
