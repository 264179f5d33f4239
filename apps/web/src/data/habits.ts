import { useIsMutating, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { habitsRecordSchema, type HabitsRecord } from '@temnex/contract';
import type { Habits } from '@temnex/core/stock';
import { useCallback } from 'react';
import { requestJson } from './client.ts';
import { KEY_PREFIXES, KEYS } from './keys.ts';

export const useHabits = () =>
  useQuery({ queryKey: KEYS.habits, queryFn: () => requestJson('GET', '/api/habits', habitsRecordSchema) });
/** Whether habits are on their way to the server: until they are there, nobody knows their version. */
export function useIsSavingHabits(): () => boolean {
  const client = useQueryClient();
  const isSaving = useIsMutating({ mutationKey: KEYS.habits }) > 0;
  // what is rendered is told a moment after they are sent
  return useCallback(() => isSaving || client.isMutating({ mutationKey: KEYS.habits }) > 0, [client, isSaving]);
}
/** Habits that overtook an order on its way to the server would have it refused. */
export const HABITS_LAST = 'habits after orders';
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
      Promise.all([KEYS.habits, KEY_PREFIXES.together].map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
}
