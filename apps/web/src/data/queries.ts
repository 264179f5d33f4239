import { useCallback } from 'react';
import { useIsMutating, useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { z } from 'zod';
import {
  challengeRecordSchema,
  cuttingRecordSchema,
  demoSchema,
  habitsRecordSchema,
  latestPlanSchema,
  movementSchema,
  pageRecordSchema,
  pageSummarySchema,
  paperRecordSchema,
  planRecordSchema,
  removedItemSchema,
  savedSearchSchema,
  unreadableRecordSchema,
  stepRecordSchema,
  stockRecordSchema,
  togetherSchema,
  wantingPageSchema,
  type ChangePaper,
  type DrawerRecord,
  type ChangeStock,
  type CutRequest,
  type DrawerStep,
  type HabitsRecord,
  type NewChallenge,
  type NewMovement,
  type NewStock,
  type RemovedItem,
  type SavedSearch,
  type ScrapPiece,
  type StepRecord,
  type StorePlan,
  type StoreTogether,
} from '@temnex/contract';
import { rulesSchema, stockItemSchema, type DrawerRules, type Habits } from '@temnex/core/stock';
import type { Page } from '@temnex/core/page';
import { ServerUnreachable, requestJson } from './client.ts';
import { DRAWER_KEY, fetchDrawer } from './drawer.ts';
import { PAGES_KEY, PAGE_KEY, usePageStore } from './pages/pageStore.ts';
import { PHOTOS_KEY } from './photos.ts';

/** The names under which answers are kept. */
const KEYS = {
  pages: PAGES_KEY,
  page: PAGE_KEY,
  drawer: DRAWER_KEY,
  steps: ['steps'] as const,
  challenges: ['challenges'] as const,
  rules: ['rules'] as const,
  wanting: ['wanting'] as const,
  together: (pages: readonly string[]) => ['together', ...pages] as const,
  searches: ['searches'] as const,
  setAside: ['set-aside'] as const,
  movements: (stock: string) => ['movements', stock] as const,
  habits: ['habits'] as const,
  plan: (page: string) => ['plan', page] as const,
  cuttings: (page: string) => ['cuttings', page] as const,
  demo: ['demo'] as const,
  removed: ['removed'] as const,
};

export const usePages = () =>
  useQuery({ queryKey: KEYS.pages, queryFn: () => requestJson('GET', '/api/pages', z.array(pageSummarySchema)) });
export const usePage = (id: string) => {
  const store = usePageStore();
  return useQuery({ queryKey: KEYS.page(id), queryFn: () => store.fetch(id), staleTime: 0 });
};
export const useDrawer = () => {
  const client = useQueryClient();
  // what has not changed is the same already: of ten thousand items nothing is compared again
  return useQuery({ queryKey: KEYS.drawer, queryFn: () => fetchDrawer(client), structuralSharing: false });
};
export const useMovements = (stock: string) =>
  useQuery({
    queryKey: KEYS.movements(stock),
    queryFn: () => requestJson('GET', `/api/stock/${stock}/movements`, z.array(movementSchema)),
    staleTime: 0,
  });
export const useHabits = () =>
  useQuery({ queryKey: KEYS.habits, queryFn: () => requestJson('GET', '/api/habits', habitsRecordSchema) });
export const usePlan = (page: string) =>
  useQuery({
    queryKey: KEYS.plan(page),
    queryFn: async () => (await requestJson('GET', `/api/pages/${page}/plan`, latestPlanSchema)).plan,
  });
export const useCuttings = (page: string) =>
  useQuery({
    queryKey: KEYS.cuttings(page),
    queryFn: () => requestJson('GET', `/api/pages/${page}/cuttings`, z.array(cuttingRecordSchema)),
  });
export const useDemo = () =>
  useQuery({ queryKey: KEYS.demo, queryFn: () => requestJson('GET', '/api/demo', demoSchema) });

/** How often something is tried again whose answer was lost: it carries its id, so it is done once all the same. */
const TRIES = 2;

/**
 * A change that makes these answers old. What is changed goes out with an id of its own, the same one however often it is sent.
 */
function useChange<In, Out>(
  change: (input: In, id: string) => Promise<Out>,
  stale: readonly (readonly string[])[],
  /** Shows it as it will be at once, so that the next change builds on it; gives back what shows it as it was, where it is refused. */
  ahead?: (client: QueryClient, input: In) => () => void,
  /** Keeps what was answered; then it is done, and what is old is fetched meanwhile. */
  answered?: (client: QueryClient, answer: Out) => void,
  /** Those of one name go out one after the other. */
  after?: string,
) {
  const client = useQueryClient();
  const mutation = useMutation({
    mutationFn: ({ input, id }: { input: In; id: string }) => change(input, id),
    onMutate: ({ input }) => ahead?.(client, input),
    onError: (_error, _input, asItWas) => asItWas?.(),
    ...(after === undefined ? {} : { scope: { id: after } }),
    retry: (failed, error) => failed < TRIES && error instanceof ServerUnreachable,
    retryDelay: 400,
    onSuccess: (answer) => answered?.(client, answer),
    onSettled: () => {
      const fetched = Promise.all(stale.map((queryKey) => client.invalidateQueries({ queryKey })));
      return answered ? undefined : fetched;
    },
  });
  return {
    error: mutation.error,
    isPending: mutation.isPending,
    mutate: (input: In, options?: { onSuccess?: (answer: Out) => void }) =>
      mutation.mutate({ input, id: crypto.randomUUID() }, options),
    mutateAsync: (input: In) => mutation.mutateAsync({ input, id: crypto.randomUUID() }),
  };
}

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
export const useRemoved = () =>
  useQuery({
    queryKey: KEYS.removed,
    queryFn: () => requestJson('GET', '/api/removed', z.array(removedItemSchema)),
    staleTime: 0,
  });
export const useRestoreRemoved = () =>
  useChange(
    ({ kind, id: what }: Pick<RemovedItem, 'kind' | 'id'>, id) =>
      requestJson('POST', `/api/${kind === 'stock' ? 'stock' : `${kind}s`}/${what}/restore`, null, { id }),
    [KEYS.removed, KEYS.pages, KEYS.drawer, ['movements'], PHOTOS_KEY],
  );
export const useRemoveStock = () =>
  useChange(
    (id: string) => requestJson('DELETE', `/api/stock/${id}`, null),
    [KEYS.drawer, KEYS.removed, ['movements']],
  );
export const useChangePaper = () =>
  useChange(
    ({ id, ...change }: ChangePaper & { id: string }) =>
      requestJson('PUT', `/api/papers/${id}`, paperRecordSchema, change),
    [KEYS.drawer],
    (client, { id, ...change }) => {
      const was = client.getQueryData<DrawerRecord>(KEYS.drawer);
      client.setQueryData<DrawerRecord>(
        KEYS.drawer,
        (drawer) => drawer && { ...drawer, papers: drawer.papers.map((p) => (p.id === id ? { ...p, ...change } : p)) },
      );
      // the server sends only what has changed, and of what it refused nothing has
      return () => client.setQueryData(KEYS.drawer, was);
    },
  );
export const useRemovePaper = () =>
  useChange((id: string) => requestJson('DELETE', `/api/papers/${id}`, null), [KEYS.drawer, KEYS.removed]);
export const useAddStock = () =>
  useChange(
    (item: Omit<NewStock, 'id'>, id) => requestJson('POST', '/api/stock', stockItemSchema, { id, ...item }),
    [KEYS.drawer],
  );
export const useChangeStock = () =>
  useChange(
    ({ id, change }: { id: string; change: ChangeStock }) =>
      requestJson('PATCH', `/api/stock/${id}`, stockRecordSchema, change),
    [KEYS.drawer],
  );
/** A step that was taken, or undone, stands in the list of them at once. */
const stepTaken = (client: QueryClient, step: StepRecord) =>
  client.setQueryData<StepRecord[]>(KEYS.steps, (steps) => steps && [step, ...steps.filter((s) => s.id !== step.id)]);
/** Many things done to the drawer as one. */
export const useDrawerStep = () =>
  useChange(
    (step: Omit<DrawerStep, 'id'>, id) => requestJson('POST', '/api/drawer/steps', stepRecordSchema, { id, ...step }),
    [KEYS.drawer, KEYS.steps, KEYS.removed, ['movements']],
    undefined,
    // it can be undone as soon as it is taken, whatever is still being fetched
    stepTaken,
  );
export const useSteps = () =>
  useQuery({ queryKey: KEYS.steps, queryFn: () => requestJson('GET', '/api/drawer/steps', z.array(stepRecordSchema)) });
export const useUndoStep = () =>
  useChange(
    (step: string, id) => requestJson('POST', `/api/drawer/steps/${step}/undo`, stepRecordSchema, { id }),
    [KEYS.drawer, KEYS.steps, KEYS.removed, ['movements']],
    undefined,
    stepTaken,
  );
export const useSearches = () =>
  useQuery({ queryKey: KEYS.searches, queryFn: () => requestJson('GET', '/api/searches', z.array(savedSearchSchema)) });
export const useKeepSearch = () =>
  useChange(
    (search: Omit<SavedSearch, 'id'>, id) => requestJson('POST', '/api/searches', savedSearchSchema, { id, ...search }),
    [KEYS.searches],
  );
export const useForgetSearch = () =>
  useChange((id: string) => requestJson('DELETE', `/api/searches/${id}`, null), [KEYS.searches, KEYS.setAside]);
/** What cannot be read, so that its list leaves it out. */
export const useUnreadableRecords = () =>
  useQuery({
    queryKey: KEYS.setAside,
    queryFn: () => requestJson('GET', '/api/drawer/set-aside', z.array(unreadableRecordSchema)),
  });
export const useDiscardStep = () =>
  useChange((id: string) => requestJson('DELETE', `/api/drawer/steps/${id}`, null), [KEYS.steps, KEYS.setAside]);
type Without<T> = T extends unknown ? Omit<T, 'id'> : never;
export type StockMovement = Without<NewMovement>;
export const useMoveStock = () =>
  useChange(
    ({ stock, movement }: { stock: string; movement: StockMovement }, id) =>
      requestJson('POST', `/api/stock/${stock}/movements`, stockRecordSchema, { id, ...movement }),
    [KEYS.drawer, ['movements']],
  );
/** Whether habits are on their way to the server: until they are there, nobody knows their version. */
export function useIsSavingHabits(): () => boolean {
  const client = useQueryClient();
  const isSaving = useIsMutating({ mutationKey: KEYS.habits }) > 0;
  // what is rendered is told a moment after they are sent
  return useCallback(() => isSaving || client.isMutating({ mutationKey: KEYS.habits }) > 0, [client, isSaving]);
}

/** Habits that overtook an order on its way to the server would have it refused. */
const HABITS_LAST = 'habits after orders';
/** Shown at once, so that a tick does not spring back while it is being stored; asked for again whatever came of it. */
export function useSaveHabits() {
  const client = useQueryClient();
  return useMutation({
    mutationKey: KEYS.habits,
    scope: { id: HABITS_LAST },
    mutationFn: (habits: Habits) => requestJson('PUT', '/api/habits', habitsRecordSchema, habits),
    onSuccess: (record) => client.setQueryData<HabitsRecord>(KEYS.habits, record),
    onMutate: (habits) => {
      client.setQueryData<HabitsRecord>(KEYS.habits, (was) => ({ version: was?.version ?? 0, habits }));
      return client.cancelQueries({ queryKey: KEYS.habits });
    },
    // what is asked for several pages says what they are cut for
    onSettled: () =>
      Promise.all([KEYS.habits, KEYS.together([])].map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
}
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
export const useChallenges = () =>
  useQuery({
    queryKey: KEYS.challenges,
    queryFn: () => requestJson('GET', '/api/challenges', z.array(challengeRecordSchema)),
    staleTime: 0,
  });
export const useBeginChallenge = () =>
  useChange(
    (challenge: Omit<NewChallenge, 'id'>, id) =>
      requestJson('POST', '/api/challenges', challengeRecordSchema, { id, ...challenge }),
    [KEYS.challenges],
  );
export const useGiveUpChallenge = () =>
  useChange((id: string) => requestJson('DELETE', `/api/challenges/${id}`, null), [KEYS.challenges, KEYS.setAside]);
export const useRules = () =>
  useQuery({ queryKey: KEYS.rules, queryFn: () => requestJson('GET', '/api/rules', rulesSchema) });
export const useSaveRules = () =>
  useChange(
    (rules: DrawerRules) => requestJson('PUT', '/api/rules', rulesSchema, rules),
    [KEYS.rules],
    (client, rules) => {
      const was = client.getQueryData<DrawerRules>(KEYS.rules);
      client.setQueryData(KEYS.rules, rules);
      return () => client.setQueryData(KEYS.rules, was);
    },
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
    [KEYS.together(pages), KEYS.drawer, KEYS.pages, ['cuttings'], ['movements']],
  );
export const useUndoTogether = (pages: readonly string[]) =>
  useChange(
    (cutting: string, id) => requestJson('POST', `/api/cuttings/${cutting}/undo`, cuttingRecordSchema, { id }),
    [KEYS.together(pages), KEYS.drawer, KEYS.pages, ['cuttings'], ['movements']],
  );
const afterCut = (page: string) => [KEYS.cuttings(page), KEYS.drawer, KEYS.pages, ['movements']];
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
export const useSetDemo = () =>
  useChange(
    (present: boolean, id) =>
      requestJson(present ? 'POST' : 'DELETE', '/api/demo', demoSchema, present ? { id } : undefined),
    [KEYS.demo, KEYS.pages, KEYS.drawer, ['page'], ['plan'], ['cuttings']],
  );
