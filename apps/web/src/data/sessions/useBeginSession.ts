import { useRef } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { z } from 'zod';
import { useNavigate } from 'react-router';
import { sessionRecordSchema, sessionSchema } from '@temnex/contract';
import { requestJson } from '../client.ts';
import { newId } from '../newId.ts';
import { KEYS } from '../keys.ts';

/** Begins a session with an order, or goes on with the one that is open for its pages, and goes there. */
export function useBeginSession() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const id = useRef(newId());
  const begin = useMutation({
    mutationFn: (plan: string) => requestJson('POST', '/api/sessions', sessionSchema, { id: id.current, plan }),
    onSuccess: (session) => {
      client.setQueryData(KEYS.session(session.session.id), session);
      void navigate(`/trimmer/${session.session.id}`);
    },
  });
  return begin;
}

/** Whether a session goes on for a page, or with it among others. */
export function useOpenSession(page: string): boolean {
  const sessions = useQuery({
    queryKey: KEYS.sessionsOf(page),
    queryFn: () => requestJson('GET', `/api/sessions?page=${page}`, z.array(sessionRecordSchema)),
    staleTime: 0,
  });
  return sessions.data?.some((s) => s.endedAt === null) ?? false;
}
