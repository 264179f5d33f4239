import { useEffect, useRef, useState } from 'react';
import { useParams } from 'react-router';
import { styled } from 'styled-components';
import { MARKS } from '@temnex/core/length';
import { computeFramedCrop, type Photo } from '@temnex/core/photos';
import { describeCropLoss, formatPhotoName, describeSharpness, formatSize } from '@temnex/words';
import { useChangePhotos } from '../../../data/photos.ts';
import { CropFrame } from '../../../widgets/photos/CropFrame.tsx';
import { CroppedPhoto } from '../../../widgets/photos/CroppedPhoto.tsx';
import { NARROW } from '../../../design/global.ts';
import { Plain, PlainLink, Quiet, QuietLink } from '../../../design/buttons.tsx';
import { Empty, Notice } from '../../../design/states.tsx';
import { LengthField } from '../../../design/LengthField.tsx';
import { Tick } from '../../../design/Tick.tsx';
import { useUndoKeys } from '../../../design/useUndoKeys.ts';
import { newId } from '../../../data/newId.ts';
import { SidePanel } from '../../../design/Split.ts';
import { usePhotosContext } from '../context.ts';
import { OnAPage } from './OnAPage.tsx';
import { isSameSize, ticksOfPrint, turnPrintSize } from '../sizes.ts';
import { useCrops } from './useCrops.ts';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 25rem;
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Table = styled.div`
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 0.7rem;
  padding: 0.9rem 1.5rem 1.2rem;
  background: var(--table);
  min-width: 0;
  overflow: clip;
  ${NARROW} {
    padding: 0.6rem 0.75rem;
  }
`;
const Top = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 0.2rem 1rem;
  width: 100%;
  & h1 {
    font-size: var(--s3);
  }
`;
const Says = styled.p`
  font-variant-numeric: tabular-nums;
  & > b {
    font: 600 var(--s3) / 1 var(--figures);
  }
`;
/** The prints that it may become side by side, all at one scale. */
const Prints = styled.ul`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.8rem 1rem;
  & button {
    display: block;
    padding: 0;
    border: 0;
    background: none;
    text-align: left;
    cursor: pointer;
  }
  & button > span:last-child {
    display: block;
    margin-top: 0.2rem;
    font: 600 var(--s2) / 1.1 var(--figures);
  }
  & button > span:last-child > small {
    display: block;
    font: 400 12px/1.2 var(--text);
    color: var(--quiet);
  }
  & button[aria-pressed='true'] > span:first-child {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
  & button[aria-pressed='true'] > span:last-child {
    text-decoration: underline;
    text-decoration-thickness: 2px;
    text-underline-offset: 3px;
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.4rem 0.9rem;
`;
const Ordered = styled.ul`
  border-top: 2px solid var(--ink);
  & > li {
    display: flex;
    align-items: center;
    gap: 0.4rem 0.8rem;
    padding: 0.35rem 0;
    border-bottom: 1px solid var(--rule);
  }
  & b {
    flex: 1;
    font: 600 var(--s2) / 1.2 var(--figures);
  }
`;
const PER_INCH = 13;
const MARK = MARKS['1/16'];

/** One photo on the table: which part of it is seen as which print, several prints side by side, and what becomes of it. */
export function CropScreen() {
  const { id } = useParams();
  const { photos, unit, shown } = usePhotosContext();
  const photo = photos.find((p) => p.id === id);
  if (!photo)
    return (
      <main>
        <Empty title="There is no such photo">
          <p>It may have been taken out; it can be brought back from the waiting photos.</p>
          <PlainLink to="/photos">To the photos</PlainLink>
        </Empty>
      </main>
    );
  return <OnTable key={photo.id} photo={photo} unit={unit} pages={shown.filter((s) => s.photo === photo.id).length} />;
}

function OnTable({ photo, unit, pages }: { photo: Photo; unit: 'in' | 'mm'; pages: number }) {
  const change = useChangePhotos();
  const say = (what: Parameters<typeof change.mutate>[0]['change']) =>
    change.mutate({ photos: [photo.id], change: what });
  const crops = useCrops(photo, unit);
  const { sizes, size, framingOf, put } = crops;
  useUndoKeys(crops.undo, crops.redo);
  const [staying, setStaying] = useState(false);
  // what must stay is drawn here first, and said once it is drawn
  const [stay, setStay] = useState(photo.stay);
  const ticks = ticksOfPrint(size, unit);
  const framing = framingOf(size);
  const seen = computeFramedCrop(photo, framing, ticks.width / ticks.height, stay);
  const table = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 700, height: 480 });
  useEffect(() => {
    const fit = () => {
      const width = (table.current?.clientWidth ?? 748) - 48;
      setRoom({ width: Math.max(220, width), height: Math.max(260, Math.min(window.innerHeight - 260, width)) });
    };
    fit();
    const watch = new ResizeObserver(fit);
    watch.observe(table.current!);
    return () => watch.disconnect();
  }, []);
  const voice = { mark: MARK, figures: 'typeset' } as const;
  const order = () => say({ orders: [...photo.orders, { id: newId(), ...size, unit, copies: 1, framing }] });
  const known = photo.orders.find((o) => isSameSize(o, size) && o.unit === unit);
  return (
    <Work>
      <Table ref={table}>
        <Top>
          <h1>{formatPhotoName(photo)}</h1>
          <QuietLink to="/photos">All photos</QuietLink>
        </Top>
        <CropFrame
          file={photo.file}
          photo={photo}
          ratio={ticks.width / ticks.height}
          framing={framing}
          stay={stay}
          onChange={put}
          staying={staying}
          onStay={setStay}
          room={room}
          label={`What is seen as ${size.width} by ${size.height}`}
        />
        <Says role="status">
          <b>{formatSize(ticks.width, ticks.height, voice)}</b> {describeCropLoss(seen)};{' '}
          {describeSharpness(seen.crop, ticks)}
        </Says>
        <Row>
          <Tick oneOf="keep" checked={framing.keep === 'fill'} onChange={() => put({ ...framing, keep: 'fill' })}>
            Fill it
          </Tick>
          <Tick oneOf="keep" checked={framing.keep === 'whole'} onChange={() => put({ ...framing, keep: 'whole' })}>
            All of the photo, short of the paper
          </Tick>
          <Quiet
            onPress={() => {
              if (staying) say({ stay: stay && rounded(stay, photo) });
              setStaying(!staying);
            }}
            aria-pressed={staying}
          >
            {staying ? 'That must stay' : 'Draw what must stay'}
          </Quiet>
          {stay && !staying ? (
            <Quiet
              onPress={() => {
                setStay(null);
                say({ stay: null });
              }}
            >
              Nothing must stay
            </Quiet>
          ) : null}
          <Quiet onPress={crops.undo} isDisabled={!crops.canUndo}>
            Undo
          </Quiet>
        </Row>
        {staying ? <p role="status">Drag over the photo round what no crop may lose.</p> : null}
      </Table>
      <SidePanel aria-label="What becomes of it">
        {change.error ? (
          <Notice kind="block">
            <span>{change.error.message}</span>
          </Notice>
        ) : null}
        <section aria-label="Prints it may become">
          <h2>As which print?</h2>
          <Prints style={{ marginTop: '0.7rem' }}>
            {sizes.map((one) => {
              const t = ticksOfPrint(one, unit);
              const inch = (n: number) => (n / 24384) * PER_INCH;
              const f = computeFramedCrop(photo, framingOf(one), t.width / t.height, stay);
              const said = formatSize(t.width, t.height, voice);
              const lost = Math.round((f.lost.left + f.lost.right + f.lost.top + f.lost.bottom) * 100);
              return (
                <li key={`${one.width} ${one.height}`}>
                  <button
                    type="button"
                    aria-pressed={isSameSize(one, size)}
                    aria-label={`${formatSize(t.width, t.height, { ...voice, figures: 'plain' })}: ${describeCropLoss(f)}`}
                    onClick={() => crops.choose(one)}
                  >
                    <CroppedPhoto
                      file={photo.file}
                      photo={photo}
                      framing={framingOf(one)}
                      stay={stay}
                      width={inch(t.width)}
                      height={inch(t.height)}
                    />
                    <span>
                      {said}
                      <small>
                        {lost ? `loses ${lost} %` : 'whole'}
                        {f.stays ? '' : ', too narrow'}
                      </small>
                    </span>
                  </button>
                </li>
              );
            })}
          </Prints>
          <Row style={{ marginTop: '0.7rem' }}>
            <LengthField
              label="another print, wide"
              shown="another, wide"
              value={size.width}
              unit={unit}
              width="4.5rem"
              onCommit={(width) => crops.choose({ ...size, width })}
            />
            <LengthField
              label="another print, high"
              shown="high"
              value={size.height}
              unit={unit}
              width="4.5rem"
              onCommit={(height) => crops.choose({ ...size, height })}
            />
            <Quiet onPress={() => crops.choose(turnPrintSize(size))}>Turn it</Quiet>
          </Row>
        </section>
        <section aria-label="Prints to order">
          <Row>
            <Plain onPress={order} isDisabled={change.isPending}>
              Order this print
            </Plain>
            {known ? (
              <Quiet onPress={() => say({ orders: photo.orders.map((o) => (o === known ? { ...o, framing } : o)) })}>
                Use this crop for the one ordered
              </Quiet>
            ) : null}
          </Row>
          {photo.orders.length ? (
            <Ordered style={{ marginTop: '0.7rem' }}>
              {photo.orders.map((o) => {
                const t = ticksOfPrint(o, o.unit);
                const named = formatSize(t.width, t.height, { ...voice, figures: 'plain' });
                const copies = (by: number) => say({ orders: photo.orders.map((one) => (one === o ? { ...one, copies: Math.min(200, Math.max(1, one.copies + by)) } : one)) }); // prettier-ignore
                return (
                  <li key={o.id}>
                    <CroppedPhoto
                      file={photo.file}
                      photo={photo}
                      framing={o.framing}
                      stay={stay}
                      width={(t.width / t.height) * 38}
                      height={38}
                    />
                    <b>
                      {o.copies} × {formatSize(t.width, t.height, voice)}
                    </b>
                    <Quiet aria-label={`One more of ${named}`} onPress={() => copies(1)}>
                      +
                    </Quiet>
                    <Quiet aria-label={`One less of ${named}`} isDisabled={o.copies < 2} onPress={() => copies(-1)}>
                      −
                    </Quiet>
                    <Quiet
                      aria-label={`Order no ${named}`}
                      onPress={() => say({ orders: photo.orders.filter((one) => one !== o) })}
                    >
                      None
                    </Quiet>
                  </li>
                );
              })}
            </Ordered>
          ) : null}
        </section>
        <OnAPage photo={photo} size={size} framing={framing} stay={stay} unit={unit} shown={pages} />
      </SidePanel>
    </Work>
  );
}

/** What must stay in whole pixels, wholly on its photo. */
function rounded(stay: NonNullable<Photo['stay']>, photo: Photo): Photo['stay'] {
  const [x, y] = [Math.max(0, Math.floor(stay.x)), Math.max(0, Math.floor(stay.y))];
  return {
    x,
    y,
    width: Math.max(1, Math.min(photo.width - x, Math.ceil(stay.width))),
    height: Math.max(1, Math.min(photo.height - y, Math.ceil(stay.height))),
  };
}
