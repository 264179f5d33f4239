import { formatExactLength, ticks, TICKS_PER_UNIT, type Exact, type Unit } from '../src/length/index.ts';
import type { Rect, Shape } from '../src/geometry/index.ts';
import type { Dim, FieldPath, RecipeSolution } from '../src/recipes/index.ts';

/* Everything that a recipe gives, a line each, so that a test can say all of it and a person can read it. Lengths in the unit. */

/** `mats.0.reveal.all` for a path, only to be read. */
const at = (path: FieldPath): string => path.join('.');

export function told(solved: RecipeSolution, unit: Unit = 'in'): string[] {
  const len = (t: number): string => (t < 0 ? `-${len(-t)}` : t === 0 ? '0' : formatExactLength(ticks(t), unit));
  const exactly = (v: Exact) => {
    const t = Number(v.n) / Number(v.d);
    return Number.isInteger(t) ? len(t) : `${(t / TICKS_PER_UNIT[unit]).toFixed(6)}…`;
  };
  const readable = (v: unknown) => {
    if (typeof v === 'number') return len(v);
    return Array.isArray(v) && typeof v[0] === 'string' && v.some((step) => typeof step === 'number')
      ? at(v as FieldPath)
      : v;
  };
  const box = (r: Rect) => `${len(r.width)} x ${len(r.height)} at ${len(r.x)}, ${len(r.y)}`;
  const spot = (p: { x: number; y: number }) => `${len(p.x)}, ${len(p.y)}`;
  const shape = (s: Shape | null) =>
    s ? ` shaped ${[s.outline.start, ...s.outline.segments.map(({ to }) => to)].map(spot).join(' / ')}` : '';
  const dim = (d: Dim): string => {
    switch (d.kind) {
      case 'span':
        return `${at(d.path)} along the ${d.side} from ${spot(d.from)} to ${spot(d.to)}`;
      case 'leader':
        return `${at(d.path)} with a leader from ${spot(d.at)}`;
      case 'answer':
        return `${at(d.path)} answered ${len(d.length)} at ${spot(d.at)}`;
      case 'inside':
        return `${d.paths.map(at).join(' and ')} in the middle of ${box(d.box)}`;
    }
  };
  if (solved.status === 'refused') {
    const { problems, offers, instead } = solved;
    return [
      'refused',
      ...problems.map((p) => `problem ${JSON.stringify(p, (_, v: unknown) => readable(v))}`),
      ...offers.map((o) => `offer ${at(o.path)} = ${'count' in o ? `${o.count} of them` : len(o.length)}`),
      ...(instead ? [`instead ${len(instead.size.width)} x ${len(instead.size.height)}`] : []),
      ...(instead?.layers.map((l) => `instead ${l.key}, ${l.role} ${l.n}: ${box(l.box)}`) ?? []),
      ...(instead?.dims.map((d) => `instead ${dim(d)}`) ?? []),
      ...(instead && (instead.blanks.length || instead.slots.length) ? ['instead gives pieces or rooms'] : []),
    ];
  }
  const { laid, values, sums, suggestions } = solved;
  return [
    `size ${len(laid.size.width)} x ${len(laid.size.height)}`,
    ...laid.layers.map(
      (l) =>
        `layer ${l.key}, ${l.role} ${l.n}: ${box(l.box)}${shape(l.shape)}${l.opaque ? '' : ', seen through'}, of ${l.blank ?? 'no paper'}` +
        `, said at ${at(l.group)}${l.sized ? ` by ${at(l.sized.width)} and ${at(l.sized.height)}` : ''}${l.entry ? `, entry of ${at(l.entry.list)}` : ''}`,
    ),
    ...laid.blanks.map(
      (b) =>
        `cut ${b.quantity} of ${b.key}, ${b.role} ${b.n}: ${len(b.width)} x ${len(b.height)}` +
        `${b.off.width || b.off.height ? `, off by ${len(b.off.width)} and ${len(b.off.height)}` : ''}${shape(b.shape)}` +
        `${b.marks.length ? `, marks ${JSON.stringify(b.marks, (_, v: unknown) => readable(v))}` : ''}` +
        `${b.finish.length ? `, then ${JSON.stringify(b.finish, (_, v: unknown) => readable(v))}` : ''}` +
        `${b.yields.length ? `, yields ${b.yields.map(box).join(' and ')}` : ''}`,
    ),
    ...laid.slots.map((s) => `room ${s.key}, ${s.role} ${s.n}: ${box(s.box)}`),
    ...laid.dims.map((d) => `typed ${dim(d)}`),
    ...laid.facts.map(
      (f) => `fact ${f.name}${f.of ? ` of ${at(f.of)}` : ''}: ${f.lengths.map((l) => len(l)).join(', ')}`,
    ),
    ...[...values].map(
      ([key, v]) =>
        `${key.split('\u0001').join('.')} = ${key.startsWith('count') ? Number(v.n) / Number(v.d) : exactly(v)}`,
    ),
    ...[...sums].map(
      ([key, { terms, over }]) =>
        `sum of ${key.split('\u0001').join('.')}: ${terms.map((t) => `${t.times} × ${at(t.path)} ${exactly(t.value)}`).join(' + ')}${over === 1 ? '' : ` over ${over}`}`,
    ),
    ...suggestions.map((s) =>
      s.code === 'even-count'
        ? `suggests ${s.odd.join(' or ')} instead of ${s.count}`
        : `suggests ${JSON.stringify(s, (_, v: unknown) => readable(v))}`,
    ),
  ];
}
