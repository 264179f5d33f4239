import { useEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { exactText, matName, type Reveal } from '@temnex/core';
import { fieldWords } from '@temnex/words';
import { NARROW } from '../../theme/global.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { SumNote } from '../../ui/SumNote.tsx';
import type { MatSizing } from './useMatSizing.ts';

const Table = styled.div`
  position: sticky;
  top: 0;
  height: calc(100vh - 10.8rem);
  min-height: 27rem;
  max-height: 46rem;
  background: var(--table);
  /* between a resize and its measuring, the old drawing must not stick out */
  overflow: clip;
  ${NARROW} {
    position: relative;
    height: 15rem;
    min-height: 0;
  }
`;
const At = styled.div`
  position: absolute;
  display: flex;
  align-items: center;
  gap: 0.35rem;
  ${NARROW} {
    display: none;
  }
`;
const Dimension = styled(At)`
  transform: translate(-50%, -50%);
  padding: 0 0.3rem;
  background: var(--table);
`;
const Leader = styled(At)`
  transform: translateY(-50%);
  font-size: var(--s1);
`;

/** Greys that say "a layer": darker outward, no colour, since no paper is chosen yet. */
const GREYS = ['#fafafa', '#ededed', '#dedede', '#f4f4f4'];

/**
 * The drawing is the form: the print with its mats to scale, and the numbers typed where they are measured. The slip
 * beside it holds the same values as a list.
 */
export function MatDrawing({ sizing }: { sizing: MatSizing }) {
  const { answer, input, unit, mark, unknown } = sizing;
  const table = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 720, height: 520 });
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setRoom({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    watch.observe(table.current!);
    return () => watch.disconnect();
  }, []);
  if (!answer) return <Table ref={table} />;

  const { levels, gaps } = answer.answer;
  const outer = levels.at(-1)!;
  const wide = room.width > 560;
  const [left, right, top, bottom] = wide ? [150, 180, 62, 24] : [20, 20, 20, 20];
  const scale = Math.min((room.width - left - right) / outer.width, (room.height - top - bottom) / outer.height);
  const W = outer.width * scale;
  const H = outer.height * scale;
  const x0 = left + (room.width - left - right - W) / 2;
  const y0 = top + (room.height - top - bottom - H) / 2;
  let [x, y] = [x0, y0];
  const boxes = [...levels.keys()].reverse().map((i) => {
    const gap = gaps[i];
    if (gap) [x, y] = [x + gap.left * scale, y + gap.top * scale];
    return { i, x, y, w: levels[i]!.width * scale, h: levels[i]!.height * scale };
  });
  const print = boxes.at(-1)!;
  const last = input.mats.length - 1;
  const sumOf = (name: string, axis: 'width' | 'height') => answer.sums[`${name}.${axis}`];
  const outerName = matName(last);

  return (
    <Table ref={table}>
      <svg
        width={room.width}
        height={room.height}
        style={{ position: 'absolute', inset: 0 }}
        role="img"
        aria-label="The print with its mats, to scale"
      >
        {boxes.map((b) => (
          <rect
            key={b.i}
            x={b.x}
            y={b.y}
            width={Math.max(0, b.w)}
            height={Math.max(0, b.h)}
            fill={b.i === 0 ? '#b4b4b4' : GREYS[b.i % GREYS.length]}
            stroke="#161616"
            strokeWidth={b.i === 0 ? 1.5 : 0.8}
          />
        ))}
        {wide && last >= 0 ? (
          <g stroke="#161616" strokeWidth="1">
            <path
              d={`M${x0} ${y0 - 38}V${y0 - 6}M${x0 + W} ${y0 - 38}V${y0 - 6}M${x0} ${y0 - 26}H${x0 + W}`}
              fill="none"
            />
            <path
              d={`M${x0 - 82} ${y0}H${x0 - 6}M${x0 - 82} ${y0 + H}H${x0 - 6}M${x0 - 70} ${y0}V${y0 + H}`}
              fill="none"
            />
            {gaps.map((gap, i) => {
              const box = boxes.find((b) => b.i === i + 1)!;
              const from = box.x + box.w - (gap.right * scale) / 2;
              const at = leaderY(i, gaps.length, y0, H);
              return (
                <g key={i}>
                  <circle cx={from} cy={at} r="2.5" fill="#161616" stroke="none" />
                  <path d={`M${from} ${at}H${x0 + W + 22}`} />
                </g>
              );
            })}
          </g>
        ) : null}
      </svg>
      <At style={{ left: print.x + print.w / 2, top: print.y + print.h / 2, transform: 'translate(-50%,-50%)' }}>
        <LengthField
          label="Print width"
          hideLabel
          value={input.print.width ?? exactText(levels[0]!.width, unit)}
          unit={unit}
          computed={unknown === 'print'}
          onCommit={(t) => sizing.setPrint('width', t)}
          width="4.6rem"
        />
        <span aria-hidden="true">×</span>
        <LengthField
          label="Print height"
          hideLabel
          value={input.print.height ?? exactText(levels[0]!.height, unit)}
          unit={unit}
          computed={unknown === 'print'}
          onCommit={(t) => sizing.setPrint('height', t)}
          width="4.6rem"
        />
      </At>
      {wide && last >= 0
        ? (['width', 'height'] as const).map((axis) => {
            const sum = sumOf(outerName, axis);
            const name = fieldWords(`${outerName}.${axis}`);
            const style = axis === 'width' ? { left: x0 + W / 2, top: y0 - 26 } : { left: x0 - 70, top: y0 + H / 2 };
            return (
              <Dimension key={axis} style={style}>
                {sum ? <SumNote name={name} sum={sum} total={outer[axis]} mark={mark} /> : null}
                <LengthField
                  label={name}
                  hideLabel
                  value={input.mats[last]![axis] ?? exactText(outer[axis], unit)}
                  unit={unit}
                  computed={Boolean(sum)}
                  onCommit={(t) => sizing.setSize(last, axis, t)}
                  width="4.9rem"
                />
              </Dimension>
            );
          })
        : null}
      {wide
        ? gaps.map((gap, i) => (
            <Leader key={i} style={{ left: x0 + W + 26, top: leaderY(i, gaps.length, y0, H) }}>
              <LengthField
                label={`Reveal of mat ${i + 1}`}
                hideLabel
                value={input.mats[i]?.reveal?.[0] ?? exactText(gap.left, unit)}
                unit={unit}
                computed={!input.mats[i]?.reveal}
                onCommit={(t) => sizing.setReveal(i, evenOr(input.mats[i]?.reveal, t))}
                width="4.2rem"
              />
              <span>mat {i + 1}</span>
            </Leader>
          ))
        : null}
    </Table>
  );
}

/** Leaders leave the mats one below the other, outermost last. */
const leaderY = (i: number, n: number, y0: number, H: number): number =>
  y0 + H / 2 + (i - (n - 1) / 2) * Math.min(58, H / Math.max(1, n));

/** An even reveal stays even; of several values the sides change. */
function evenOr(reveal: Reveal | undefined, text: string): Reveal {
  if (!reveal || reveal.length === 1) return [text];
  return reveal.length === 2 ? [text, reveal[1]] : [text, text, text, reveal[3]];
}
