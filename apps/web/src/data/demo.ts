import { useQuery } from '@tanstack/react-query';
import { demoSchema } from '@temnex/contract';
import { requestJson } from './client.ts';
import { useChange } from './useChange.ts';
import { KEY_PREFIXES, KEYS } from './keys.ts';

export const useDemo = () =>
  useQuery({ queryKey: KEYS.demo, queryFn: () => requestJson('GET', '/api/demo', demoSchema) });
export const useSetDemo = () =>
  useChange(
    (present: boolean, id) =>
      requestJson(present ? 'POST' : 'DELETE', '/api/demo', demoSchema, present ? { id } : undefined),
    [KEYS.demo, KEYS.pages, KEYS.drawer, KEY_PREFIXES.pages, KEY_PREFIXES.plans, KEY_PREFIXES.cuttings],
  );
