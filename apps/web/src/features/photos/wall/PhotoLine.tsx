import { useDeferredValue, useMemo, useState } from 'react';
import { DropZone, FileTrigger, Input, Label } from 'react-aria-components';
import { useNavigate, useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import { findPhotos, parsePhotoQuery } from '@temnex/core/photos';
import { PICTURE_TYPES } from '@temnex/contract';
import { formatCount, describePhotoQuery, describeUploadProgress } from '@temnex/words';
import { useRestorePhotos, useChangePhotos, useRemovePhotos } from '../../../data/photos.ts';
import { NARROW } from '../../../design/global.ts';
import { Plain, Quiet, Strong } from '../../../design/buttons.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { Empty, Notice } from '../../../design/states.tsx';
import { RemovedList } from '../../../widgets/RemovedList.tsx';
import { useUndoKeys } from '../../../design/useUndoKeys.ts';
import { SearchLine, SidePanel, Split, ToSidePanel } from '../../../design/Split.ts';
import { usePicking } from '../../../design/usePicking.ts';
import { usePhotosContext } from '../context.ts';
import { sortByDay } from './line.ts';
import { PhotoPanel } from './PhotoPanel.tsx';
import { PhotoWall } from './PhotoWall.tsx';

const Look = styled(DropZone)`
  display: flex;
  flex-direction: column;
  min-width: 0;
  height: calc(100dvh - 3.9rem);
  &[data-drop-target] {
    outline: 6px solid var(--ink);
    outline-offset: -6px;
  }
  ${NARROW} {
    height: calc(100dvh - 3.3rem);
  }
`;
const Head = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: end;
  gap: 0.3rem 1.5rem;
  padding: 0.9rem 1.5rem 0.6rem;
  border-bottom: 2px solid var(--ink);
  & > p {
    font-size: var(--s1);
    & > b {
      font: 600 var(--s4) / 1 var(--figures);
    }
  }
  & > div:last-child {
    justify-self: end;
  }
  ${NARROW} {
    padding: 0.6rem 0.75rem 0.4rem;
    & > p > b {
      font-size: var(--s3);
    }
  }
`;
const Bar = styled.progress`
  width: 100%;
  height: 0.6rem;
  accent-color: var(--ink);
`;
const Refusals = styled.ul`
  max-height: 9rem;
  overflow-y: auto;
  & b {
    overflow-wrap: anywhere;
  }
`;
const SIZES = { small: 96, middle: 150, large: 240 } as const;
type Size = keyof typeof SIZES;

/** Photos that wait, and those that are on a page: hung day by day, found in one line, taken in by the dozen. */
export function PhotoLine() {
  const { photos, unreadable, shown, unit, takeIn } = usePhotosContext();
  const navigate = useNavigate();
  const [address, setAddress] = useSearchParams();
  const line = address.get('find') ?? '';
  const say = (text: string) => setAddress(text ? { find: text } : {}, { replace: true });
  const [size, setSize] = useState<Size>('middle');
  const change = useChangePhotos();
  const remove = useRemovePhotos();
  const bringBack = useRestorePhotos();
  const [gone, setGone] = useState<readonly string[]>([]);
  const sought = useDeferredValue(line);
  const onPages = useMemo(() => new Set(shown.map((s) => s.photo)), [shown]);
  const heard = useMemo(() => parsePhotoQuery(sought), [sought]);
  const found = useMemo(() => sortByDay(findPhotos(photos, heard, onPages)), [photos, heard, onPages]);
  const ids = useMemo(() => found.map((p) => p.id), [found]);
  const picking = usePicking(ids);
  const picked = useMemo(() => found.filter((p) => picking.picked.has(p.id)), [found, picking.picked]);
  const out = () => {
    const which = picked.map((p) => p.id);
    remove.mutate(which, { onSuccess: () => setGone(which) });
    picking.clear();
  };
  const back = () => bringBack.mutate(gone, { onSuccess: () => setGone([]) });
  useUndoKeys(() => (gone.length ? back() : undefined), noop);
  const open = (id: string) => void navigate(`/photos/of/${id}`);
  const onKey = (key: string): boolean => {
    if (!picked.length) return false;
    if (key === 'Delete') out();
    else if (key === 'o') open(picked[0]!.id);
    else if (key === 'f')
      change.mutate({ photos: picked.map((p) => p.id), change: { favourite: picked.some((p) => !p.favourite) } });
    else return false;
    return true;
  };
  const { state } = takeIn;
  const waiting = useMemo(() => photos.filter((p) => !onPages.has(p.id)).length, [photos, onPages]);
  const trouble = change.error ?? remove.error ?? bringBack.error;
  return (
    <Split>
      <h1 className="out-of-sight">Photos</h1>
      <Look
        aria-label="Photos can be dropped here"
        getDropOperation={() => 'copy'}
        onDrop={(e) =>
          void Promise.all(e.items.flatMap((item) => (item.kind === 'file' ? [item.getFile()] : []))).then(takeIn.take)
        }
      >
        <Head>
          <SearchLine value={line} onChange={say} onKeyDown={(e) => (e.key === 'Escape' ? say('') : undefined)}>
            <Label>Which photos?</Label>
            <Input
              autoComplete="off"
              spellCheck={false}
              data-say-line
              placeholder="such as june 2026 Longstrand, or not on a page, or upright with Runa"
            />
          </SearchLine>
          <FileTrigger
            allowsMultiple
            acceptedFileTypes={[...PICTURE_TYPES]}
            onSelect={(files) => takeIn.take([...(files ?? [])])}
          >
            <Strong>Take photos in</Strong>
          </FileTrigger>
          <p role="status">
            <b>{found.length.toLocaleString()}</b>{' '}
            {found.length === photos.length
              ? formatCount(found.length, 'photo').replace(/^\d+ /, '')
              : `of ${photos.length.toLocaleString()} photos`}
            {', '}
            {sought ? describePhotoQuery(heard).join(' · ') : `${waiting.toLocaleString()} not on a page yet`}
          </p>
          <Choice
            label="how large"
            hideLabel
            value={size}
            options={(Object.keys(SIZES) as Size[]).map((id) => ({ id, name: id }))}
            onChange={setSize}
          />
        </Head>
        {unreadable.map(({ id, name }) => (
          <Notice key={id} kind="block">
            <span>
              How large {name || 'a photo'} is cannot be read, so it is not shown. Add its file again, or take it out.
            </span>
            <Quiet onPress={() => remove.mutate([id])}>Take it out</Quiet>
          </Notice>
        ))}
        {!photos.length ? (
          <Empty title="No photos yet">
            <p>Drop pictures here, or take them in from a folder: JPEG, PNG or WebP, as many as you like at once.</p>
            <p>They stay on this computer, without the place and the device that their files may tell.</p>
          </Empty>
        ) : !found.length ? (
          <Empty title="None like that">
            <p>No photo is all of this: {describePhotoQuery(heard).join(' · ')}.</p>
            <Quiet onPress={() => say('')}>Look at all</Quiet>
          </Empty>
        ) : (
          <PhotoWall
            photos={found}
            onPages={onPages}
            high={SIZES[size]}
            picking={picking}
            onKey={onKey}
            open={(photo) => open(photo.id)}
          />
        )}
      </Look>
      {picked.length ? (
        <ToSidePanel>
          <span aria-hidden="true">{formatCount(picked.length, 'photo')} picked</span>
          <a href="#slip">What is said of {picked.length === 1 ? 'it' : 'them'}</a>
        </ToSidePanel>
      ) : null}
      <SidePanel id="slip" aria-label="What is said of it">
        {state ? (
          <section aria-label="Taking photos in">
            <p role="status">{describeUploadProgress({ ...state, refused: state.refused.length })}</p>
            {state.done < state.of ? <Bar value={state.done} max={state.of} aria-label="how far" /> : null}
            {state.refused.length ? (
              <Refusals>
                {state.refused.map(({ name, why }, i) => (
                  <li key={i}>
                    <b>{name}</b>: {why}
                  </li>
                ))}
              </Refusals>
            ) : null}
            {state.done === state.of ? <Quiet onPress={takeIn.seen}>I have seen it</Quiet> : null}
          </section>
        ) : null}
        {gone.length ? (
          <Notice kind="advice">
            <span>{formatCount(gone.length, 'photo')} taken out.</span>
            <Plain onPress={back} isDisabled={bringBack.isPending}>
              Bring {gone.length === 1 ? 'it' : 'them'} back
            </Plain>
          </Notice>
        ) : null}
        {trouble ? (
          <Notice kind="block">
            <span>{trouble.message}</span>
          </Notice>
        ) : null}
        {picked.length ? (
          <PhotoPanel
            key={picked.map((p) => p.id).join()}
            photos={picked}
            all={photos}
            shown={shown}
            unit={unit}
            change={(what) => change.mutate({ photos: picked.map((p) => p.id), change: what })}
            takeOut={out}
          />
        ) : (
          <p>
            Press a photo to pick it, more with Ctrl or Shift. A folded corner is on a page. Delete takes out, F makes a
            favourite, O or a double press opens it.
          </p>
        )}
        <RemovedList kinds={['photo']} />
      </SidePanel>
    </Split>
  );
}
const noop = () => {};
