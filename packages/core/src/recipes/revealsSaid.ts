import type { LengthText } from '../length/index.ts';
import { countAt, type ParsedValues, type Place } from '../line/index.ts';
import { MAX_LAYERS, type NestedLayer } from './nested.ts';
import type { RecipeSolution } from './recipe.ts';
import type { Reveal } from './reveals.ts';

/*
 * Layers as they are said in a line, one after the other: `1/8 1/4`, `3/16, 11/16 at the bottom`, `1/4 left and right, 1/8 top
 * and bottom`, `11 1/4 square, 9 1/2 square`. Each plain reveal and each size begins a layer; what is said of an edge belongs to
 * the layer before.
 */

const EDGES = ['left', 'right', 'top', 'bottom', 'sides'] as const;
type Said = Partial<Record<(typeof EDGES)[number] | 'all', LengthText>>;

/** The places of layers that show a reveal. */
export const LAYER_PLACES = {
  reveal: {
    kind: 'length',
    words: ['reveal', 'showing', 'show', 'border', 'rim', 'edge'],
    many: true,
    alone: true,
    most: MAX_LAYERS,
  },
  bottom: {
    kind: 'length',
    words: ['underneath', 'bottom', 'footer', 'foot', 'below', 'beneath'],
    many: true,
    alone: true,
  },
  top: { kind: 'length', words: ['top', 'above'], many: true, alone: true },
  left: { kind: 'length', words: ['left'], many: true, alone: true },
  right: { kind: 'length', words: ['right'], many: true, alone: true },
  sides: { kind: 'length', words: ['side', 'other', 'rest', 'sides', 'on-some-sides'], many: true, alone: true },
} as const satisfies Record<string, Place>;

/** So many alike, where they are counted and only one is described. */
export const repeatCountedLayers = (of: readonly string[]) =>
  ({ kind: 'count', words: [], most: MAX_LAYERS, of }) as const;
export const LAYER_FLAGS = { double: ['double', 'twice'], triple: ['triple', 'thrice'] } as const;

function revealOf({ all, left, right, top, bottom, sides }: Said): Reveal {
  const rest = all ?? sides;
  const known = (entries: Readonly<Record<string, LengthText | undefined>>) =>
    Object.fromEntries(Object.entries(entries).filter(([, text]) => text !== undefined));
  if (left !== undefined || right !== undefined || top !== undefined)
    return {
      style: 'four',
      ...known({ left: left ?? rest, right: right ?? rest, top: top ?? rest, bottom: bottom ?? rest }),
    };
  if (bottom !== undefined) return { style: 'footer', ...known({ sides: rest, bottom }) };
  return { style: 'even', ...known({ all: rest }) };
}

/** The layers of a line, in their order. Sizes said at `sized` are layers of that size. */
export function readLayers(heard: ParsedValues, sized: string, newId: () => string): NestedLayer[] {
  const { values, flags } = heard;
  const layers: { said: Said; size: { width: string; height: string } | null }[] = [];
  let edges: Said | null = null;
  const begin = (said: Said, size: { width: string; height: string } | null = null) => {
    layers.push({ said, size });
    edges = said;
  };
  for (const { place, texts } of values) {
    const [text] = texts;
    if (place === sized) {
      const last = layers.at(-1);
      // `1/4 showing on 4 1/2 x 5 7/8` is one layer: its reveal and its size
      if (last && !last.size && layers.length === 1) last.size = { width: text!, height: texts[1]! };
      else begin({}, { width: text!, height: texts[1]! });
    } else if (place === 'reveal') {
      const last = layers.at(-1);
      if (last?.size && last.said.all === undefined && layers.length === 1) last.said.all = text!;
      else if (edges && (edges as Said).all === undefined && !last?.size) (edges as Said).all = text!;
      else begin({ all: text! });
    } else if (EDGES.some((edge) => edge === place)) {
      const said = edges as Said | null;
      // the sides are said instead of a reveal all round, not beside one
      const taken = place === 'sides' ? (said?.all ?? said?.sides) : said?.[place as keyof Said];
      if (!said || taken !== undefined) begin({});
      edges![place as keyof Said] = text!;
    }
  }
  // `1/4 left and right`: said of one, meant of both
  for (const [one, other] of [
    ['left', 'right'],
    ['top', 'bottom'],
  ] as const)
    for (const { said } of layers.slice(-1))
      for (const [a, b] of [
        [one, other],
        [other, one],
      ] as const)
        // `1/4 sides and top, 3/4 bottom`: the top goes with the sides
        if (said[a] !== undefined && said[b] === undefined && flags.has(b))
          said[b] = b === 'top' && said.sides !== undefined ? said.sides : said[a];
  // `two mats of 1/8`, `a double mat`: so many alike; a size is the last one's
  const alike = countAt(heard, 'layers') ?? (flags.has('double') ? 2 : flags.has('triple') ? 3 : 1);
  const [only] = layers;
  if (layers.length === 1 && only!.said.all !== undefined)
    layers.unshift(...Array.from({ length: alike - 1 }, () => ({ said: only!.said, size: null })));
  return layers.map(({ said, size }) => ({ id: newId(), reveal: revealOf(said), ...size }));
}

/**
 * The same layers, those that are said by their size alone with a reveal of their own across and up where one all round cannot be:
 * where what `solve` makes of them disagrees.
 */
export function loosenWhereNeeded(
  layers: readonly NestedLayer[],
  solve: (layers: readonly NestedLayer[]) => RecipeSolution,
): readonly NestedLayer[] {
  const even = solve(layers);
  if (even.status === 'solved' || !even.problems.some((p) => p.code === 'disagree')) return layers;
  return layers.map((layer) =>
    layer.width !== undefined && layer.reveal.style === 'even' && layer.reveal.all === undefined
      ? { ...layer, reveal: { style: 'two' } }
      : layer,
  );
}
