import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { styled } from 'styled-components';
import type { Point, Rect } from '@temnex/core/geometry';
import type { Layer } from '@temnex/core/recipes';
import { formatPaperLetter, recipeText } from '@temnex/words';
import { layerHandOf, type ConstructionEditor } from './constructionEditor.ts';

const Area = styled.div`
  position: absolute;
  inset: 0;
  pointer-events: none;
`;
const Place = styled.button`
  position: absolute;
  display: grid;
  place-items: center;
  padding: 0;
  border: 0;
  background: transparent;
  font: 600 0.95rem/1 var(--figures);
  color: var(--ink);
  cursor: pointer;
  pointer-events: auto;
  touch-action: none;
  &:hover {
    outline: 2px solid var(--ink);
    outline-offset: -3px;
  }
  &:focus-visible {
    outline: 3px solid var(--ink);
    outline-offset: -4px;
  }
  & > span {
    padding: 0.05rem 0.3rem;
    background: rgb(250 250 250 / 0.85);
  }
`;
/** What would become one. */
const Span = styled.div`
  position: absolute;
  border: 3px dashed var(--ink);
  background: rgb(250 250 250 / 0.55);
`;

interface HandLayerProps {
  made: ConstructionEditor;
  /** Where a point of the item, in its own ticks, lies in the picture. */
  at: (point: Point) => { x: number; y: number };
}

/** From one layer to another, by their keys. */
interface Drag {
  readonly from: string;
  readonly to: string;
}

/**
 * Layers that are pressed and dragged over on the drawing: pressed, one becomes the next of what it can be; dragged, those between become
 * one. By keys: arrows go from one to the next, with Shift they take in what lies between, Enter does it, Delete takes one apart.
 */
export function HandLayer({ made, at }: HandLayerProps) {
  const { laid, recipe } = made;
  const hand = layerHandOf(made);
  const area = useRef<HTMLDivElement>(null);
  const [here, setHere] = useState<string | null>(null);
  const [drag, setDrag] = useState<Drag | null>(null);
  if (!laid || !hand) return null;
  const words = recipeText(recipe);
  const first = laid.layers.find((l) => l.key === here)?.key ?? laid.layers[0]?.key;
  const many = new Map<string, number>();
  for (const { role } of laid.blanks) many.set(role, (many.get(role) ?? 0) + 1);
  const letterOf = (layer: Layer): string | null => {
    const blank = laid.blanks.find((b) => b.key === layer.blank);
    const paper = blank?.paperFrom === undefined ? blank : laid.blanks.find((b) => b.key === blank.paperFrom);
    return paper && !paper.key.startsWith(layer.key) && (many.get(paper.role) ?? 0) > 1
      ? formatPaperLetter(paper.n)
      : null;
  };
  const placed = ({ x, y, width, height }: Rect) => {
    const [low, high] = [at({ x, y } as Point), at({ x: x + width, y: y + height } as Point)];
    return { left: low.x, top: high.y, width: high.x - low.x, height: low.y - high.y };
  };
  const boxOf = (key: string): Rect | undefined => laid.layers.find((l) => l.key === key)?.box;
  const finish = ({ from, to }: Drag) => {
    const next = from === to ? hand.press(from) : hand.span(from, to);
    setDrag(null);
    if (next !== null) made.put(next);
  };
  const focus = (key: string) => {
    setHere(key);
    area.current?.querySelector<HTMLElement>(`[data-key="${CSS.escape(key)}"]`)?.focus();
  };
  const under = (e: PointerEvent): string | undefined =>
    document
      .elementsFromPoint(e.clientX, e.clientY)
      .map((el) => (el instanceof HTMLElement && area.current?.contains(el) ? el.dataset.key : undefined))
      .find((key) => key !== undefined);
  const onKeyDown = (e: KeyboardEvent, layer: Layer) => {
    const from = drag?.from ?? layer.key;
    if (e.key in STEPS) {
      e.preventDefault();
      const next = beside(laid.layers, drag?.to ?? layer.key, STEPS[e.key]!);
      if (!next) return;
      if (e.shiftKey) setDrag({ from, to: next });
      else {
        setDrag(null);
        focus(next);
      }
    } else if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      finish(drag ?? { from: layer.key, to: layer.key });
    } else if (e.key === 'Escape') setDrag(null);
    else if (e.key === 'Delete' || e.key === 'Backspace') {
      const next = hand.apart(layer.key);
      if (next !== null) made.put(next);
    }
  };
  const [a, b] = drag ? [boxOf(drag.from), boxOf(drag.to)] : [];
  return (
    <Area
      ref={area}
      role="group"
      aria-label={words.byHand}
      onPointerMove={(e) => {
        const to = drag && e.buttons ? under(e) : undefined;
        if (drag && to !== undefined && to !== drag.to) setDrag({ ...drag, to });
      }}
      onPointerUp={() => drag && finish(drag)}
      onPointerCancel={() => setDrag(null)}
    >
      {laid.layers.map((layer) => {
        const letter = letterOf(layer);
        const name = words.part(layer.role, layer.n, words.item(1));
        return (
          <Place
            key={layer.key}
            type="button"
            data-key={layer.key}
            aria-label={letter ? `${name}, paper ${letter}` : name}
            tabIndex={layer.key === first ? 0 : -1}
            style={placed(layer.box)}
            onFocus={() => setHere(layer.key)}
            onPointerDown={(e) => {
              if (e.button !== 0) return;
              e.currentTarget.releasePointerCapture(e.pointerId);
              setDrag({ from: layer.key, to: layer.key });
            }}
            onKeyDown={(e) => onKeyDown(e, layer)}
          >
            {letter ? <span aria-hidden="true">{letter}</span> : null}
          </Place>
        );
      })}
      {a && b && drag && drag.from !== drag.to ? <Span style={placed(bothOf(a, b))} /> : null}
    </Area>
  );
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The nearest layer in a direction, the straightest first. */
function beside(layers: readonly Layer[], key: string, [dx, dy]: readonly [number, number]): string | undefined {
  const middle = ({ box }: Layer) => [box.x + box.width / 2, box.y + box.height / 2] as const;
  const start = layers.find((l) => l.key === key);
  if (!start) return undefined;
  const [x, y] = middle(start);
  return layers
    .flatMap((layer) => {
      const [px, py] = middle(layer);
      const along = (px - x) * dx + (py - y) * dy;
      const aside = Math.abs((px - x) * dy) + Math.abs((py - y) * dx);
      return along > 0 ? [{ key: layer.key, far: along + 2 * aside }] : [];
    })
    .sort((a, b) => a.far - b.far)[0]?.key;
}

function bothOf(a: Rect, b: Rect): Rect {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  const [right, top] = [Math.max(a.x + a.width, b.x + b.width), Math.max(a.y + a.height, b.y + b.height)];
  return { x, y, width: right - x, height: top - y } as Rect;
}
