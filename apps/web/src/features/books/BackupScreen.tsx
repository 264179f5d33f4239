import { useState } from 'react';
import { DropZone, FileTrigger, type FileDropItem } from 'react-aria-components';
import { styled } from 'styled-components';
import { formatCount } from '@temnex/words';
import type { BackupCounts } from '@temnex/contract';
import { useCopies, usePreviewBackup, useRestoreBackup } from '../../data/books.ts';
import { Plain, Quiet, Strong } from '../../design/buttons.tsx';
import { Loading, Notice, Trouble } from '../../design/states.tsx';
import { Tick } from '../../design/Tick.tsx';
import { BooksPanel, Rows } from './BooksStation.tsx';

const Out = styled.a`
  display: inline-flex;
  align-items: center;
  min-height: 2.75rem;
  padding: 0.3rem 1.1rem;
  background: var(--ink);
  color: #fff;
  font-weight: 600;
  text-decoration: none;
  &:hover {
    background: #333;
  }
`;
const Zone = styled(DropZone)`
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.6rem 1rem;
  margin: 0.6rem 0;
  padding: 0.9rem 1.1rem;
  border: 1.5px dashed var(--ink);
  &[data-drop-target] {
    background: var(--sheet);
  }
`;
const Compared = styled.table`
  margin: 0.8rem 0 1rem;
  border-collapse: collapse;
  font-variant-numeric: tabular-nums;
  & th,
  & td {
    padding: 0.25rem 1.4rem 0.25rem 0;
    border-bottom: 1px solid var(--rule);
    text-align: right;
  }
  & th:first-child {
    text-align: left;
    font-weight: 400;
  }
  & thead th {
    font-size: var(--s1);
    font-weight: 600;
  }
`;
const Part = styled.section`
  margin-top: 2rem;
  & > h2 {
    margin-bottom: 0.3rem;
  }
  & > p {
    max-width: 44rem;
  }
`;
const NAMES: readonly (readonly [keyof BackupCounts, string])[] = [
  ['pages', 'pages'],
  ['papers', 'papers'],
  ['items', 'items in the drawer'],
  ['orders', 'cutting orders'],
  ['cuttings', 'cuttings'],
  ['sessions', 'times at the trimmer'],
  ['photos', 'photos'],
  ['pictures', 'pictures'],
];
const sizeOf = (bytes: number): string =>
  bytes >= 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.max(1, Math.round(bytes / 1000))} kB`;

/** Everything out as one file, looked into before anything is put back, and the copies that are made by themselves. */
export function BackupScreen() {
  const copies = useCopies();
  const look = usePreviewBackup();
  const restore = useRestoreBackup();
  const [meant, setMeant] = useState(false);
  const open = (what: File | string) => {
    setMeant(false);
    restore.reset();
    look.mutate(what);
  };
  const drop = async (items: readonly unknown[]) => {
    const file = items.find((i): i is FileDropItem => (i as FileDropItem).kind === 'file');
    if (file) open(await file.getFile());
  };
  const preview = look.data;
  const something = preview && Object.values(preview.now).some((n) => n > 0);
  return (
    <BooksPanel>
      <h1>Backup</h1>
      {copies.isPending ? <Loading what="what is kept" /> : null}
      {copies.error && !copies.data ? (
        <Trouble title="It could not be fetched" error={copies.error} retry={() => void copies.refetch()} />
      ) : null}
      <Part>
        <h2>Take everything along</h2>
        <p>
          One file: the whole database, each page as a text of its own, and pictures and photos beside them. Any program
          that opens ZIP and SQLite files reads it. Keep it on another disk.
        </p>
        <p style={{ marginTop: '0.7rem' }}>
          <Out href="/api/backup/file" download>
            Save a backup
          </Out>
        </p>
      </Part>
      <Part aria-label="Put a backup back">
        <h2>Put a backup back</h2>
        <p>What it holds is shown first. What is here now is kept as a copy.</p>
        <Zone onDrop={({ items }) => void drop(items)}>
          <FileTrigger
            acceptedFileTypes={['application/zip', '.zip']}
            onSelect={(files) => (files?.[0] ? open(files[0]) : undefined)}
          >
            <Plain isDisabled={look.isPending}>{look.isPending ? 'Looking into it …' : 'Choose a backup'}</Plain>
          </FileTrigger>
          <span>or drop it here</span>
        </Zone>
        {look.error ? (
          <Notice kind="block">
            <span>{look.error.message}</span>
          </Notice>
        ) : null}
        {preview && !restore.data ? (
          <>
            <Compared>
              <thead>
                <tr>
                  <th>last changed {preview.made ?? 'on a day it does not say'}</th>
                  <th>in it</th>
                  <th>here now</th>
                </tr>
              </thead>
              <tbody>
                {NAMES.map(([key, name]) => (
                  <tr key={key}>
                    <th scope="row">{name}</th>
                    <td>{preview.holds[key]}</td>
                    <td>{preview.now[key]}</td>
                  </tr>
                ))}
              </tbody>
            </Compared>
            {something ? (
              <Tick checked={meant} onChange={() => setMeant(!meant)}>
                What is here now is to be replaced by it
              </Tick>
            ) : null}
            <p style={{ marginTop: '0.6rem' }}>
              <Strong
                onPress={() => restore.mutate(preview.ticket)}
                isDisabled={restore.isPending || (something && !meant) || false}
              >
                {restore.isPending ? 'Putting it back …' : 'Put it back'}
              </Strong>{' '}
              <Quiet onPress={() => look.reset()}>Leave everything as it is</Quiet>
            </p>
          </>
        ) : null}
        {restore.error ? (
          <Notice kind="block">
            <span>{restore.error.message}</span>
          </Notice>
        ) : null}
        {restore.data ? (
          <Notice kind="advice">
            <span role="status">
              It is back: {formatCount(restore.data.now.pages, 'page')}, {formatCount(restore.data.now.items, 'item')}{' '}
              in the drawer. What was here before is kept as {restore.data.before}.
            </span>
            <Plain onPress={() => open(restore.data.before)}>Look into that</Plain>
          </Notice>
        ) : null}
      </Part>
      <Part>
        <h2>Copies made by themselves</h2>
        <p>One a day in the data folder, the last ten kept, and one before each time something was put back.</p>
        {copies.data?.trouble ? (
          <Notice kind="block">
            <span>{copies.data.trouble}</span>
          </Notice>
        ) : null}
        {copies.data?.copies.length ? (
          <Rows>
            {copies.data.copies.map((c) => (
              <li key={c.name}>
                <b>
                  {c.day}
                  {c.name.includes('before-restoring') ? ', before something was put back' : ''}
                </b>
                <span>{sizeOf(c.bytes)}</span>
                <Quiet onPress={() => open(c.name)} aria-label={`Look into the copy ${c.name}`}>
                  Look into it
                </Quiet>
              </li>
            ))}
          </Rows>
        ) : copies.data ? (
          <p>None yet; the first is made soon after the start.</p>
        ) : null}
      </Part>
    </BooksPanel>
  );
}
