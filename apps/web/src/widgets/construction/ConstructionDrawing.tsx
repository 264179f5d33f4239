import { Suspense, lazy, useLayoutEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { boundsOf } from '@temnex/core/geometry';
import type { Layer } from '@temnex/core/recipes';
import { NARROW } from '../../design/global.ts';
import { DimLayer } from './DimLayer.tsx';
import { LayersPicture, pickGrey } from './LayersPicture.tsx';
import { layerHandOf, type ConstructionEditor } from './constructionEditor.ts';

// only some constructions are worked on by hand: it is fetched when one is
const HandLayer = lazy(() => import('./HandLayer.tsx').then((m) => ({ default: m.HandLayer })));

const Table = styled.div`
  position: sticky;
  top: 0;
  height: calc(100vh - 15.6rem);
  min-height: 25rem;
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
const SLAB = 9;
const STEP = 12;

/** Layers of one blank lie on one level, and so do those that are there already, as letters are. */
const levelName = ({ blank, role }: Layer): string => blank ?? `there ${role}`;

/** From where to where a layer is paper, seen from the side: not where it is hollow. */
function stretchesOf({ box, shape }: Layer): [from: number, to: number][] {
  const holes = (shape?.holes ?? []).map((outline) => boundsOf({ outline, holes: [] })).sort((a, b) => a.x - b.x);
  const ends = holes.flatMap((hole) => [hole.x, hole.x + hole.width]);
  const edges = [box.x, ...ends, box.x + box.width];
  return edges.flatMap((edge, i): [number, number][] => (i % 2 ? [] : [[edge, edges[i + 1]!]]));
}

/**
 * The drawing is the form: what a recipe makes, to scale, with the numbers typed where they are measured, and below it the same
 * layers from the side.
 */
export function ConstructionDrawing({ made, label }: { made: ConstructionEditor; label: string }) {
  const table = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 848, height: 566 });
  useLayoutEffect(() => {
    const own = table.current!;
    const fit = () => setRoom({ width: own.clientWidth, height: own.clientHeight });
    // measured before it is first painted
    if (own.clientWidth) fit();
    const watch = new ResizeObserver(fit);
    watch.observe(own);
    return () => watch.disconnect();
  }, []);
  const { laid } = made;
  if (!laid || !laid.size.width || !laid.size.height) return <Table ref={table} />;

  const wide = room.width > 560;
  // seen from the side, layers that lie side by side share a level
  const levels = Math.min(laid.layers.length, new Set(laid.layers.map(levelName)).size);
  const side = levels * STEP + 12;
  const [left, right, top, bottom] = wide ? [130, 232, 52, 70 + side] : [20, 20, 14, 14 + side];
  const scale = Math.min(
    (room.width - left - right) / laid.size.width,
    (room.height - top - bottom) / laid.size.height,
  );
  const [width, height] = [laid.size.width * scale, laid.size.height * scale];
  const x = left + (room.width - left - right - width) / 2;
  const y = top + (room.height - top - bottom - height) / 2;
  const floor = room.height - 8;
  const levelOf = new Map<string, number>();
  for (const layer of laid.layers) {
    const name = levelName(layer);
    if (!levelOf.has(name)) levelOf.set(name, levelOf.size);
  }
  return (
    <Table ref={table}>
      <svg
        width={room.width}
        height={room.height}
        style={{ position: 'absolute', inset: 0 }}
        role="img"
        aria-label={`${label}, to scale and from the side`}
      >
        <LayersPicture laid={laid} scale={scale} x={x} y={y + height} />
        {laid.layers.flatMap((layer) =>
          stretchesOf(layer).map(([from, to]) => (
            <rect
              key={`${layer.key} ${from}`}
              x={x + from * scale}
              y={floor - (levelOf.get(levelName(layer))! + 1) * STEP}
              width={Math.max(1, (to - from) * scale)}
              height={SLAB}
              fill={pickGrey(layer, laid)}
              stroke="#161616"
              strokeWidth="0.8"
            />
          )),
        )}
      </svg>
      {layerHandOf(made) ? (
        <Suspense fallback={null}>
          <HandLayer made={made} at={(p) => ({ x: x + p.x * scale, y: y + height - p.y * scale })} />
        </Suspense>
      ) : null}
      <DimLayer
        made={made}
        at={(p) => ({ x: x + p.x * scale, y: y + height - p.y * scale })}
        box={{ x, y, width, height }}
        right={room.width - x - width}
      />
    </Table>
  );
}
