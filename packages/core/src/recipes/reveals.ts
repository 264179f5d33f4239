import { z } from 'zod';
import { lengthText, type LengthText, type Ticks } from '../length/index.ts';
import { EDGES, type Edge } from '../geometry/index.ts';
import type { ChoiceInput, Field, FieldPath } from './fields.ts';

/*
 * How much of a layer shows round what lies on it. Edges that are to be alike share one value, given or not:
 *
 *     even: all four      two: across, up and down      footer: three alike, the bottom its own      four: each its own
 *
 * A value left out is worked out. Of four, two facing edges that are both left out share what there is.
 */

const length = lengthText({ allow: 'negative' }).optional();
export const revealSchema = z.discriminatedUnion('style', [
  z.strictObject({ style: z.literal('even'), all: length }),
  z.strictObject({ style: z.literal('two'), across: length, upDown: length }),
  z.strictObject({ style: z.literal('footer'), sides: length, bottom: length }),
  z.strictObject({ style: z.literal('four'), left: length, right: length, top: length, bottom: length }),
]);
export type Reveal = z.infer<typeof revealSchema>;
export type RevealStyle = Reveal['style'];
export type Reveals = Readonly<Record<Edge, Ticks>>;

export const REVEAL_STYLES = ['even', 'two', 'footer', 'four'] as const;

/** Under which key each edge's value stands. */
const KEYS: Readonly<Record<RevealStyle, Readonly<Record<Edge, string>>>> = {
  even: { left: 'all', right: 'all', top: 'all', bottom: 'all' },
  two: { left: 'across', right: 'across', top: 'upDown', bottom: 'upDown' },
  footer: { left: 'sides', right: 'sides', top: 'sides', bottom: 'bottom' },
  four: { left: 'left', right: 'right', top: 'top', bottom: 'bottom' },
};

const EACH_ONCE = Object.fromEntries(
  Object.entries(KEYS).map(([style, of]) => [style, [...new Set(EDGES.map((e) => of[e]))]]),
) as unknown as Readonly<Record<RevealStyle, readonly string[]>>;

export const revealKey = (style: RevealStyle, edge: Edge): string => KEYS[style][edge];
/** The keys of a style, each once, in the order in which one measures them. */
export const revealKeys = (style: RevealStyle): readonly string[] => EACH_ONCE[style];
/** The keys that count along one axis. */
export const keysAlong = (style: RevealStyle, axis: 'width' | 'height'): string[] => {
  const [low, high] = axis === 'width' ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
  return [...new Set([KEYS[style][high], KEYS[style][low]])];
};

export const formatReveal = (reveal: Reveal, key: string): LengthText | undefined =>
  (reveal as Readonly<Record<string, LengthText | undefined>>)[key];

/** The same reveal said in another style: each value keeps to the edge it was for. */
export function restyleReveal(reveal: Reveal, style: RevealStyle): Reveal {
  if (reveal.style === style) return reveal;
  const next: Record<string, unknown> = { style };
  // of edges that become alike, the first one counts
  for (const edge of [...EDGES].reverse()) {
    const text = formatReveal(reveal, KEYS[reveal.style][edge]);
    if (text !== undefined) next[KEYS[style][edge]] = text;
  }
  return next as Reveal;
}

/** The fields of a reveal that stands at `[...entry, 'reveal']`. */
export function revealFields(entry: FieldPath, reveal: Reveal): Field[] {
  const style: ChoiceInput = {
    kind: 'choice',
    path: [...entry, 'reveal', 'style'],
    group: entry,
    value: reveal.style,
    options: REVEAL_STYLES,
  };
  return [
    style,
    ...revealKeys(reveal.style).map((key): Field => ({
      kind: 'length',
      path: [...entry, 'reveal', key],
      group: entry,
      allow: 'negative',
      value: formatReveal(reveal, key),
      ifEmpty: 'worked-out',
      knownAt: null,
    })),
  ];
}
