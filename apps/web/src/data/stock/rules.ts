import { useQuery } from '@tanstack/react-query';
import { challengeRecordSchema, savedSearchSchema, type NewChallenge, type SavedSearch } from '@temnex/contract';
import { rulesSchema, type DrawerRules } from '@temnex/core/stock';
import { z } from 'zod';
import { requestJson } from '../client.ts';
import { KEYS } from '../keys.ts';
import { useChange } from '../useChange.ts';

export const useSearches = () =>
  useQuery({ queryKey: KEYS.searches, queryFn: () => requestJson('GET', '/api/searches', z.array(savedSearchSchema)) });
export const useKeepSearch = () =>
  useChange(
    (search: Omit<SavedSearch, 'id'>, id) => requestJson('POST', '/api/searches', savedSearchSchema, { id, ...search }),
    [KEYS.searches],
  );
export const useForgetSearch = () =>
  useChange((id: string) => requestJson('DELETE', `/api/searches/${id}`, null), [KEYS.searches, KEYS.setAside]);
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
