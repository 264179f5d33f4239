import { useEffect, useState } from 'react';
import { Button, FileTrigger, Input, Label } from 'react-aria-components';
import { styled } from 'styled-components';
import { parseLength } from '@temnex/core/length';
import { formatCount, formatLength, formatSize } from '@temnex/words';
import { useDrawerStep } from '../../../data/stock/queries.ts';
import { listPlacesIn } from '../../../widgets/stock/places.ts';
import { NARROW } from '../../../design/global.ts';
import { Quiet, Strong } from '../../../design/buttons.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { LengthField } from '../../../design/LengthField.tsx';
import { newId } from '../../../data/newId.ts';
import { Notice } from '../../../design/states.tsx';
import { useDrawerContext } from '../context.ts';
import { TypedField } from '../../../design/Split.ts';
import { TracingTable, type TracedPicture } from './TracingTable.tsx';
import { setEdgeLength, lengthBetween, listDrawnEdges, buildTracedScrap, type Spot } from './tracing.ts';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 22rem;
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Slip = styled.aside`
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 0.8rem;
  padding: 1rem 1.5rem 2rem;
  border-left: 2px solid var(--ink);
  & ol {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    gap: 0.4rem 0.9rem;
    width: 100%;
    --field: 6.5rem;
  }
  & b {
    font: 600 var(--s4) / 1 var(--figures);
  }
  ${NARROW} {
    padding: 0.9rem 0.75rem;
    border-left: 0;
    border-top: 2px solid var(--ink);
  }
`;

const WHY = {
  few: 'Three corners at least, in order round it.',
  crosses: 'Its edges cross: the corners are not in order round it.',
  nothing: 'These corners lie on one line.',
  many: 'Sixty corners at most.',
} as const;
/** A picture lies so wide, in inches, until something in it is measured. */
const PICTURE_WIDE = 10;

/** An odd scrap traced by pressing its corners, its lengths shown and typed; over a picture of it, once one length in that is known. */
export function TraceScreen() {
  const { drawer, papers, habits, mark, done } = useDrawerContext();
  const step = useDrawerStep();
  const [corners, setCorners] = useState<readonly Spot[]>([]);
  const [picture, setPicture] = useState<TracedPicture | null>(null);
  /** What is measured in the picture: the points pressed so far; null: corners are traced. */
  const [measured, setMeasured] = useState<readonly Spot[] | null>(null);
  const [paper, setPaper] = useState(() => drawer.papers[0]?.id ?? '');
  const [place, setPlace] = useState('');
  const [told, setTold] = useState<string | null>(null);
  const voice = { mark, figures: 'typeset' } as const;
  const traced = buildTracedScrap(corners, habits.unit);
  useEffect(() => () => void (picture && URL.revokeObjectURL(picture.url)), [picture]);

  const readPicture = async (file: File | undefined) => {
    if (!file) return;
    const url = URL.createObjectURL(file);
    try {
      const image = new Image();
      image.src = url;
      await image.decode();
      const { naturalWidth: width, naturalHeight: height } = image;
      setPicture({ url, width, height, scale: PICTURE_WIDE / width });
      setMeasured([]);
      setTold(null);
    } catch {
      URL.revokeObjectURL(url);
      setTold(`${file.name} is no picture that can be shown.`);
    }
  };
  const isSo = (text: string) => {
    const [a, b] = measured ?? [];
    const read = parseLength(text, habits.unit);
    if (!a || !b || !read.ok || !picture) return;
    setPicture({ ...picture, scale: (picture.scale * read.value.ticks) / lengthBetween(a, b) });
    setMeasured(null);
  };
  const putIn = () => {
    if (!traced.ok) return;
    const { outline, width, height } = traced;
    step.mutate(
      {
        says: 'put-in',
        put: [
          {
            id: newId(),
            paper,
            unit: habits.unit,
            width,
            height,
            quantity: 1,
            kind: 'scrap',
            outline,
            ...(place.trim() ? { place: place.trim() } : {}),
          },
        ],
      },
      {
        onSuccess: ({ id }) => {
          done(id);
          setTold(
            `In: a scrap of ${papers.get(paper)?.name ?? 'this paper'} with ${formatCount(outline.length, 'corner')}.`,
          );
          setCorners([]);
        },
      },
    );
  };
  const edges = listDrawnEdges(corners);
  return (
    <Work>
      <h1 className="out-of-sight">Trace an odd scrap</h1>
      <TracingTable
        corners={corners}
        change={(next) => {
          setTold(null);
          setCorners(next);
        }}
        measured={measured}
        measure={(next) => {
          setTold(null);
          setMeasured(next);
        }}
        picture={picture}
        ground={papers.get(paper)?.sides[0]?.look.ground ?? '#f7f7f7'}
        mark={mark}
      />
      <Slip aria-label="What is traced">
        {measured ? (
          <>
            <h2>One length that you know</h2>
            <p>
              Press its two ends in the picture, then say how long it is: an edge of the scrap, or a ruler beside it.
            </p>
            {measured.length === 2 ? (
              <LengthField label="it is this long" value="" unit={habits.unit} onCommit={isSo} />
            ) : (
              <p role="status">{measured.length ? 'One end is set.' : 'No end is set yet.'}</p>
            )}
            <Quiet onPress={() => setMeasured(null)}>Trace without it</Quiet>
          </>
        ) : (
          <>
            <h2>{traced.ok ? formatSize(...boundsOf(corners), voice) : 'Trace an odd scrap'}</h2>
            <p role="status">
              {traced.ok
                ? formatCount(corners.length, 'corner')
                : corners.length
                  ? WHY[traced.why]
                  : 'Press its corners on the table, in order round it; drag one to move it.'}
            </p>
            {edges.length ? (
              <ol aria-label="Lengths of its edges">
                {edges.map(({ from, to, i }) => (
                  <li key={i}>
                    <LengthField
                      label={`edge ${i + 1}`}
                      value={formatLength(Math.round(lengthBetween(from, to)), { mark, figures: 'plain' })}
                      unit={habits.unit}
                      onCommit={(text) => {
                        const read = parseLength(text, habits.unit);
                        if (!read.ok) return;
                        const end = (i + 1) % corners.length;
                        setCorners(
                          corners.map((c, at) => (at === end ? setEdgeLength(from, to, read.value.ticks, mark) : c)),
                        );
                      }}
                    />
                  </li>
                ))}
              </ol>
            ) : null}
            {corners.length ? (
              <span>
                <Quiet onPress={() => setCorners(corners.slice(0, -1))}>Take the last corner off</Quiet>
                <Quiet onPress={() => setCorners([])}>Begin again</Quiet>
              </span>
            ) : null}
            <FileTrigger
              acceptedFileTypes={['image/*']}
              onSelect={(files) => void readPicture(files?.[0] ?? undefined)}
            >
              <Button style={{ all: 'unset', cursor: 'pointer', textDecoration: 'underline', fontWeight: 600 }}>
                Trace over a picture of it
              </Button>
            </FileTrigger>
            {picture ? (
              <span>
                <Quiet onPress={() => setMeasured([])}>Measure in the picture again</Quiet>
                <Quiet onPress={() => setPicture(null)}>Take the picture away</Quiet>
              </span>
            ) : null}
            {drawer.papers.length ? (
              <Choice
                label="of which paper"
                value={paper}
                options={drawer.papers.map((p) => ({ id: p.id, name: p.name }))}
                onChange={setPaper}
              />
            ) : (
              <p>There is no paper yet: put a sheet of it in first, in one line.</p>
            )}
            <TypedField value={place} onChange={setPlace}>
              <Label>kept in; empty: where its paper is</Label>
              <Input list="places-traced" autoComplete="off" maxLength={80} />
            </TypedField>
            <datalist id="places-traced">
              {listPlacesIn(drawer).map((name) => (
                <option key={name} value={name} />
              ))}
            </datalist>
            <Strong onPress={putIn} isDisabled={!traced.ok || !paper || step.isPending}>
              Put it in
            </Strong>
          </>
        )}
        {told ? <p role="status">{told}</p> : null}
        {step.error ? (
          <Notice kind="block">
            <span>{step.error.message}</span>
          </Notice>
        ) : null}
      </Slip>
    </Work>
  );
}

const boundsOf = (corners: readonly Spot[]): [number, number] => {
  const over = (axis: 'x' | 'y') => Math.max(...corners.map((c) => c[axis])) - Math.min(...corners.map((c) => c[axis]));
  return [over('x'), over('y')];
};
