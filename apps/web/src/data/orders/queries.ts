import { useQuery } from '@tanstack/react-query';
import {
  cuttingRecordSchema,
  latestPlanSchema,
  planRecordSchema,
  togetherSchema,
  wantingPageSchema,
  type CutRequest,
  type ScrapPiece,
  type StorePlan,
  type StoreTogether,
} from '@temnex/contract';
import { z } from 'zod';
import { requestJson } from '../client.ts';
import { HABITS_LAST } from '../habits.ts';
import { useChange } from '../useChange.ts';
import { KEY_PREFIXES, KEYS } from '../keys.ts';

export const usePlan = (page: string) =>
  useQuery({
    queryKey: KEYS.plan(page),
    queryFn: async () => (await requestJson('GET', `/api/pages/${page}/plan`, latestPlanSchema)).plan,
  });
/** Where it is refused because something has changed, what has changed is fetched anew. */
export const useStorePlan = (page: string) =>
  useChange(
    (plan: Omit<StorePlan, 'id'>, id) =>
      requestJson('POST', `/api/pages/${page}/plans`, planRecordSchema, { id, ...plan }),
    [KEYS.plan(page), KEYS.pages, KEYS.drawer, KEYS.habits, KEYS.cuttings(page)],
    undefined,
    undefined,
    HABITS_LAST,
  );
export const useCuttings = (page: string) =>
  useQuery({
    queryKey: KEYS.cuttings(page),
    queryFn: () => requestJson('GET', `/api/pages/${page}/cuttings`, z.array(cuttingRecordSchema)),
  });
const afterCut = (page: string) => [KEYS.cuttings(page), KEYS.drawer, KEYS.pages, KEY_PREFIXES.movements];
export const useCut = (page: string) =>
  useChange(
    ({ plan, soFar }: { plan: string; soFar: Omit<CutRequest, 'id'> }, id) =>
      requestJson('POST', `/api/plans/${plan}/cut`, cuttingRecordSchema, { id, ...soFar }),
    afterCut(page),
  );
export const useUndoCut = (page: string) =>
  useChange(
    (cutting: string, id) => requestJson('POST', `/api/cuttings/${cutting}/undo`, cuttingRecordSchema, { id }),
    afterCut(page),
  );
export const useScrapPiece = (page: string) =>
  useChange(
    ({ cutting, at }: { cutting: string } & Pick<ScrapPiece, 'at'>, id) =>
      requestJson('POST', `/api/cuttings/${cutting}/scraps`, cuttingRecordSchema, { id, at }),
    afterCut(page),
  );
export const useWanting = () =>
  useQuery({
    queryKey: KEYS.wanting,
    queryFn: () => requestJson('GET', '/api/wanting', z.array(wantingPageSchema)),
    staleTime: 0,
  });
export const useTogether = (pages: readonly string[]) =>
  useQuery({
    queryKey: KEYS.together(pages),
    queryFn: () => requestJson('GET', `/api/together?pages=${pages.join()}`, togetherSchema),
    enabled: pages.length > 1,
    staleTime: 0,
  });
export const useStoreTogether = (pages: readonly string[]) =>
  useChange(
    (plan: Omit<StoreTogether, 'id' | 'pages'>, id) =>
      requestJson('POST', '/api/together', planRecordSchema, { id, pages, ...plan }),
    [KEYS.together(pages)],
    undefined,
    undefined,
    HABITS_LAST,
  );
export const useCutTogether = (pages: readonly string[]) =>
  useChange(
    ({ plan, soFar }: { plan: string; soFar: Omit<CutRequest, 'id'> }, id) =>
      requestJson('POST', `/api/plans/${plan}/cut`, cuttingRecordSchema, { id, ...soFar }),
    [KEYS.together(pages), KEYS.drawer, KEYS.pages, KEY_PREFIXES.cuttings, KEY_PREFIXES.movements],
  );
export const useUndoTogether = (pages: readonly string[]) =>
  useChange(
    (cutting: string, id) => requestJson('POST', `/api/cuttings/${cutting}/undo`, cuttingRecordSchema, { id }),
    [KEYS.together(pages), KEYS.drawer, KEYS.pages, KEY_PREFIXES.cuttings, KEY_PREFIXES.movements],
  );
