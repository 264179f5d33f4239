import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { Button, FileTrigger, Input, Label } from 'react-aria-components';
import { styled } from 'styled-components';
import { TICKS_PER_UNIT, parseLength } from '@temnex/core/length';
import { formatCount, formatLength, formatSize } from '@temnex/words';
import { useDrawerStep } from '../../../data/stock/queries.ts';
import { listPlacesIn } from '../../../shared/stock/places.ts';
import { NARROW } from '../../../design/global.ts';
import { Quiet, Strong } from '../../../design/buttons.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { LengthField } from '../../../design/LengthField.tsx';
import { newId } from '../../../data/newId.ts';
import { Notice } from '../../../design/states.tsx';
import { useDrawerContext } from '../context.ts';
import { TypedField } from '../../../design/Split.ts';
import { setEdgeLength, lengthBetween, snapToMark, buildTracedScrap, type Spot } from './tracing.ts';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 22rem;
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Ground = styled.svg`
  width: 100%;
  height: calc(100dvh - 62px);
  min-height: 20rem;
  background: var(--table);
  touch-action: none;
  cursor: crosshair;
  ${NARROW} {
    height: 60dvh;
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

/** So much of the table is seen: 16 in across, 11 up. */
const VIEW = { width: 16, height: 11 } as const;
const IN = TICKS_PER_UNIT.in;
const WHY = {
  few: 'Three corners at least, in order round it.',
  crosses: 'Its edges cross: the corners are not in order round it.',
  nothing: 'These corners lie on one line.',
  many: 'Sixty corners at most.',
} as const;
/** A picture lies so wide, in inches, until something in it is measured. */
const PICTURE_WIDE = 10;

interface Picture {
  readonly url: string;
  readonly width: number;
  readonly height: number;
  /** Inches to its pixel. */
  readonly scale: number;
}

/** An odd scrap traced by pressing its corners, its lengths shown and typed; over a picture of it, once one length in that is known. */
export function TraceScreen() {
  const { drawer, papers, habits, mark, done } = useDrawerContext();
  const step = useDrawerStep();
  const [corners, setCorners] = useState<readonly Spot[]>([]);
  const [cross, setCross] = useState<Spot>({ x: IN, y: IN });
  const [dragged, setDragged] = useState<number | null>(null);
  const [picture, setPicture] = useState<Picture | null>(null);
  /** What is measured in the picture: the points pressed so far; null: corners are traced. */
  const [measured, setMeasured] = useState<readonly Spot[] | null>(null);
  const [paper, setPaper] = useState(() => drawer.papers[0]?.id ?? '');
  const [place, setPlace] = useState('');
  const [told, setTold] = useState<string | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const voice = { mark, figures: 'typeset' } as const;
  const traced = buildTracedScrap(corners, habits.unit);
  useEffect(() => () => void (picture && URL.revokeObjectURL(picture.url)), [picture]);

  const spotAt = (e: PointerEvent): Spot => {
    const matrix = svg.current!.getScreenCTM()!.inverse();
    const { x, y } = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix);
    return { x: x * IN, y: (VIEW.height - y) * IN };
  };
  const put = (at: Spot) => {
    setTold(null);
    if (measured) return setMeasured(measured.length >= 2 ? [at] : [...measured, at]);
    const spot = snapToMark(at, mark);
    if (!corners.some((c) => c.x === spot.x && c.y === spot.y)) setCorners([...corners, spot]);
  };
  const near = (at: Spot): number => corners.findIndex((c) => lengthBetween(c, at) < IN * 0.22);
  const press = (e: PointerEvent<SVGSVGElement>) => {
    const at = spotAt(e);
    const on = measured ? -1 : near(at);
    if (on >= 0) {
      e.currentTarget.setPointerCapture(e.pointerId);
      setDragged(on);
    } else put(at);
  };
  const drag = (e: PointerEvent) => {
    if (dragged === null) return;
    const spot = snapToMark(spotAt(e), mark);
    setCorners(corners.map((c, i) => (i === dragged ? spot : c)));
  };
  const key = (e: KeyboardEvent) => {
    const by = mark.step * (e.shiftKey ? 8 : 1);
    const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[e.key];
    if (move) setCross(snapToMark({ x: cross.x + move[0]!, y: cross.y + move[1]! }, mark));
    else if (e.key === 'Enter' || e.key === ' ') put(cross);
    else if (e.key === 'Backspace' || e.key === 'Delete') setCorners(corners.slice(0, -1));
    else return;
    e.preventDefault();
  };
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
  const xy = (p: Spot) => `${p.x / IN},${VIEW.height - p.y / IN}`;
  const edges =
    corners.length > 1 ? corners.map((c, i) => ({ from: c, to: corners[(i + 1) % corners.length]!, i })) : [];
  const closing = corners.length > 2 ? edges : edges.slice(0, 1);
  return (
    <Work>
      <h1 className="out-of-sight">Trace an odd scrap</h1>
      <Ground
        ref={svg}
        viewBox={`0 0 ${VIEW.width} ${VIEW.height}`}
        preserveAspectRatio="xMidYMid meet"
        role="application"
        aria-label={`The table: arrows move the cross, Enter sets a corner there, Backspace takes the last one off. ${formatCount(corners.length, 'corner')} set; the cross is ${formatLength(cross.x, voice)} from the left, ${formatLength(cross.y, voice)} from the bottom.`}
        tabIndex={0}
        onPointerDown={press}
        onPointerMove={drag}
        onPointerUp={() => setDragged(null)}
        onKeyDown={key}
      >
        <defs>
          <pattern id="inches" width="1" height="1" patternUnits="userSpaceOnUse">
            <path d="M0 1V0H1" fill="none" stroke="#9a9a9a" strokeWidth="0.015" />
          </pattern>
        </defs>
        {picture ? (
          <image
            href={picture.url}
            x="0"
            y={VIEW.height - picture.height * picture.scale}
            width={picture.width * picture.scale}
            height={picture.height * picture.scale}
            preserveAspectRatio="none"
          />
        ) : null}
        <rect width={VIEW.width} height={VIEW.height} fill="url(#inches)" />
        {corners.length > 2 ? (
          <polygon
            points={corners.map(xy).join(' ')}
            fill={papers.get(paper)?.sides[0]?.look.ground ?? '#f7f7f7'}
            fillOpacity={picture ? 0.35 : 1}
            stroke="#161616"
            strokeWidth="0.03"
          />
        ) : corners.length === 2 ? (
          <polyline points={corners.map(xy).join(' ')} fill="none" stroke="#161616" strokeWidth="0.03" />
        ) : null}
        {closing.map(({ from, to, i }) => {
          const [x, y] = [(from.x + to.x) / 2 / IN, VIEW.height - (from.y + to.y) / 2 / IN];
          return (
            <text
              key={i}
              x={x}
              y={y + 0.1}
              fontSize="0.34"
              fontWeight="600"
              fontFamily="var(--figures)"
              textAnchor="middle"
              fill="#b32a0b"
              stroke="#fafafa"
              strokeWidth="0.09"
              paintOrder="stroke"
            >
              {formatLength(lengthBetween(from, to), voice)}
            </text>
          );
        })}
        {corners.map((c, i) => (
          <circle key={i} cx={c.x / IN} cy={VIEW.height - c.y / IN} r="0.11" fill={i ? '#161616' : '#b32a0b'} />
        ))}
        {measured?.map((c, i) => (
          <circle
            key={`m${i}`}
            cx={c.x / IN}
            cy={VIEW.height - c.y / IN}
            r="0.1"
            fill="none"
            stroke="#b32a0b"
            strokeWidth="0.05"
          />
        ))}
        {measured?.length === 2 ? (
          <polyline
            points={measured.map(xy).join(' ')}
            stroke="#b32a0b"
            strokeWidth="0.05"
            strokeDasharray="0.15 0.1"
          />
        ) : null}
        <path
          d={`M${cross.x / IN - 0.2} ${VIEW.height - cross.y / IN}h0.4M${cross.x / IN} ${VIEW.height - cross.y / IN - 0.2}v0.4`}
          stroke="#161616"
          strokeWidth="0.025"
        />
      </Ground>
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
            {closing.length ? (
              <ol aria-label="Lengths of its edges">
                {closing.map(({ from, to, i }) => (
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
