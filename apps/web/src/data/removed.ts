import { useQuery } from '@tanstack/react-query';
import { removedItemSchema, type RemovedItem } from '@temnex/contract';
import { z } from 'zod';
import { requestJson } from './client.ts';
import { useChange } from './useChange.ts';
import { KEY_PREFIXES, KEYS } from './keys.ts';

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
    [KEYS.removed, KEYS.pages, KEYS.drawer, KEY_PREFIXES.movements, KEYS.photos],
  );
