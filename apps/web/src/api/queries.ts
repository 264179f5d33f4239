import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type {
  ChangeStock,
  Cut,
  CuttingRecord,
  DrawerRecord,
  NewPaper,
  NewStock,
  PageRecord,
  PageSummary,
  PlanRecord,
  StorePlan,
} from '@temnex/contract';
import type { Habits, Page, Paper, StockItem } from '@temnex/core';
import { ask } from './client.ts';

/** The names under which answers are kept. */
const KEYS = {
  pages: ['pages'] as const,
  page: (id: string) => ['page', id] as const,
  drawer: ['drawer'] as const,
  habits: ['habits'] as const,
  plan: (page: string) => ['plan', page] as const,
  cuttings: (page: string) => ['cuttings', page] as const,
  demo: ['demo'] as const,
};

export const usePages = () =>
  useQuery({ queryKey: KEYS.pages, queryFn: () => ask<PageSummary[]>('GET', '/api/pages') });
export const usePage = (id: string) =>
  useQuery({ queryKey: KEYS.page(id), queryFn: () => ask<PageRecord>('GET', `/api/pages/${id}`), staleTime: 0 });
export const useDrawer = () =>
  useQuery({ queryKey: KEYS.drawer, queryFn: () => ask<DrawerRecord>('GET', '/api/drawer') });
export const useHabits = () => useQuery({ queryKey: KEYS.habits, queryFn: () => ask<Habits>('GET', '/api/habits') });
export const usePlan = (page: string) =>
  useQuery({
    queryKey: KEYS.plan(page),
    queryFn: async () => (await ask<{ plan: PlanRecord | null }>('GET', `/api/pages/${page}/plan`)).plan,
  });
export const useCuttings = (page: string) =>
  useQuery({
    queryKey: KEYS.cuttings(page),
    queryFn: () => ask<CuttingRecord[]>('GET', `/api/pages/${page}/cuttings`),
  });
export const useDemo = () =>
  useQuery({ queryKey: KEYS.demo, queryFn: () => ask<{ present: boolean }>('GET', '/api/demo') });

/** A change that makes these answers old. */
function useChange<In, Out>(change: (input: In) => Promise<Out>, stale: readonly (readonly string[])[]) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => Promise.all(stale.map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
}

export const useCreatePage = () =>
  useChange((document: Page) => ask<PageRecord>('POST', '/api/pages', { document }), [KEYS.pages]);
export const useRemovePage = () => useChange((id: string) => ask<void>('DELETE', `/api/pages/${id}`), [KEYS.pages]);
export const useAddPaper = () =>
  useChange((paper: NewPaper) => ask<Paper>('POST', '/api/papers', paper), [KEYS.drawer]);
export const useAddStock = () =>
  useChange((item: NewStock) => ask<StockItem>('POST', '/api/stock', item), [KEYS.drawer]);
export const useChangeStock = () =>
  useChange(
    ({ id, change }: { id: string; change: ChangeStock }) => ask<StockItem>('PATCH', `/api/stock/${id}`, change),
    [KEYS.drawer],
  );
export const useRemoveStock = () => useChange((id: string) => ask<void>('DELETE', `/api/stock/${id}`), [KEYS.drawer]);
/** Shown at once, so that a tick does not spring back while it is being stored; asked for again whatever came of it. */
export function useSaveHabits() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (habits: Habits) => ask<Habits>('PUT', '/api/habits', habits),
    onMutate: (habits) => {
      client.setQueryData(KEYS.habits, habits);
      return client.cancelQueries({ queryKey: KEYS.habits });
    },
    onSettled: () => client.invalidateQueries({ queryKey: KEYS.habits }),
  });
}
export const useStorePlan = (page: string) =>
  useChange(
    (plan: StorePlan) => ask<PlanRecord>('POST', `/api/pages/${page}/plans`, plan),
    [KEYS.plan(page), KEYS.pages],
  );
export const useCut = (page: string) =>
  useChange(
    ({ plan, soFar }: { plan: string; soFar: Cut }) => ask<CuttingRecord>('POST', `/api/plans/${plan}/cut`, soFar),
    [KEYS.cuttings(page), KEYS.drawer, KEYS.pages],
  );
export const useUndoCut = (page: string) =>
  useChange(
    (cutting: string) => ask<CuttingRecord>('POST', `/api/cuttings/${cutting}/undo`),
    [KEYS.cuttings(page), KEYS.drawer, KEYS.pages],
  );
export const useSetDemo = () =>
  useChange(
    (present: boolean) => ask<{ present: boolean }>(present ? 'POST' : 'DELETE', '/api/demo'),
    [KEYS.demo, KEYS.pages, KEYS.drawer, ['page'], ['plan'], ['cuttings']],
  );
