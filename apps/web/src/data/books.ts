import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import {
  backupCopiesSchema,
  deviceCodeSchema,
  devicesSchema,
  backupPreviewSchema,
  recordSchema,
  restoreResultSchema,
  type BackupPreview,
} from '@temnex/contract';
import { newId } from './newId.ts';
import { requestJson } from './client.ts';
import { KEYS } from './keys.ts';

/** What was cut, the latest first, a part at a time. */
export const useRecord = () =>
  useInfiniteQuery({
    queryKey: KEYS.record,
    queryFn: ({ pageParam }) => requestJson('GET', `/api/record?after=${pageParam}`, recordSchema),
    initialPageParam: 0,
    getNextPageParam: (last, all) => (last.more ? all.reduce((n, p) => n + p.entries.length, 0) : undefined),
    staleTime: 0,
  });

/** Other devices; looked at again while one may be coming in. */
export const useDevices = (watch: boolean) =>
  useQuery({
    queryKey: KEYS.devices,
    queryFn: () => requestJson('GET', '/api/devices', devicesSchema),
    staleTime: 0,
    refetchInterval: watch ? 1500 : false,
  });
export const useNewPairingCode = () =>
  useMutation({ mutationFn: () => requestJson('POST', '/api/devices/code', deviceCodeSchema) });
export const useRevokeDevice = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => requestJson('DELETE', `/api/devices/${id}`, null),
    onSettled: () => client.invalidateQueries({ queryKey: KEYS.devices }),
  });
};

export const useCopies = () =>
  useQuery({
    queryKey: KEYS.copies,
    queryFn: () => requestJson('GET', '/api/backup/copies', backupCopiesSchema),
    staleTime: 0,
  });
/** Looks into a backup that is sent, or into a copy that lies here. */
export const usePreviewBackup = () =>
  useMutation({
    mutationFn: (what: File | string): Promise<BackupPreview> =>
      typeof what === 'string'
        ? requestJson('POST', '/api/backup/look-at-copy', backupPreviewSchema, { name: what })
        : requestJson('POST', '/api/backup/look', backupPreviewSchema, what.slice(0, what.size, 'application/zip')),
  });
/** Puts it in place of what there is; nothing that was seen before stands any more. */
export const useRestoreBackup = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (ticket: string) =>
      requestJson('POST', '/api/backup/restore', restoreResultSchema, { id: newId(), ticket, replace: true }),
    onSuccess: () => client.resetQueries(),
  });
};
