import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import {
  movementSchema,
  paperRecordSchema,
  unreadableRecordSchema,
  stepRecordSchema,
  stockRecordSchema,
  type ChangePaper,
  type DrawerRecord,
  type ChangeStock,
  type DrawerStep,
  type NewMovement,
  type NewStock,
  type StepRecord,
} from '@temnex/contract';
import { stockItemSchema } from '@temnex/core/stock';
import { z } from 'zod';
import { requestJson } from '../client.ts';
import { fetchDrawer } from '../drawer.ts';
import { useChange } from '../useChange.ts';
import { KEY_PREFIXES, KEYS } from '../keys.ts';

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
export const useRemoveStock = () =>
  useChange(
    (id: string) => requestJson('DELETE', `/api/stock/${id}`, null),
    [KEYS.drawer, KEYS.removed, KEY_PREFIXES.movements],
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
    [KEYS.drawer, KEYS.steps, KEYS.removed, KEY_PREFIXES.movements],
    undefined,
    // it can be undone as soon as it is taken, whatever is still being fetched
    stepTaken,
  );
export const useSteps = () =>
  useQuery({ queryKey: KEYS.steps, queryFn: () => requestJson('GET', '/api/drawer/steps', z.array(stepRecordSchema)) });
export const useUndoStep = () =>
  useChange(
    (step: string, id) => requestJson('POST', `/api/drawer/steps/${step}/undo`, stepRecordSchema, { id }),
    [KEYS.drawer, KEYS.steps, KEYS.removed, KEY_PREFIXES.movements],
    undefined,
    stepTaken,
  );
type Without<T> = T extends unknown ? Omit<T, 'id'> : never;
export type StockMovement = Without<NewMovement>;
export const useMoveStock = () =>
  useChange(
    ({ stock, movement }: { stock: string; movement: StockMovement }, id) =>
      requestJson('POST', `/api/stock/${stock}/movements`, stockRecordSchema, { id, ...movement }),
    [KEYS.drawer, KEY_PREFIXES.movements],
  );
/** What cannot be read, so that its list leaves it out. */
export const useUnreadableRecords = () =>
  useQuery({
    queryKey: KEYS.setAside,
    queryFn: () => requestJson('GET', '/api/drawer/set-aside', z.array(unreadableRecordSchema)),
  });
export const useDiscardStep = () =>
  useChange((id: string) => requestJson('DELETE', `/api/drawer/steps/${id}`, null), [KEYS.steps, KEYS.setAside]);
