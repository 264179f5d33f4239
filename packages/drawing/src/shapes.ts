import type { Contour, Shape } from '@temnex/core/geometry';

/**
 * A shape as the path of an SVG `d` attribute: `at` turns a point in ticks, y up, into one of the drawing, y down; `per` is the
 * drawing's units to the tick. Arcs stay arcs.
 */
export function formatShapePath(
  shape: Shape,
  at: (p: { x: number; y: number }) => [x: number, y: number],
  per: number,
): string {
  const spot = (p: { x: number; y: number }): string =>
    at(p)
      .map((n) => Number(n.toFixed(3)))
      .join(' ');
  const ring = ({ start, segments }: Contour): string => {
    let from = start;
    const parts = segments.map((s) => {
      if (!('centre' in s)) {
        from = s.to;
        return `L${spot(s.to)}`;
      }
      const radius = Number((Math.hypot(from.x - s.centre.x, from.y - s.centre.y) * per).toFixed(3));
      const turn = (p: { x: number; y: number }) => Math.atan2(p.y - s.centre.y, p.x - s.centre.x);
      const sweep = (turn(s.to) - turn(from)) * (s.turn === 'left' ? 1 : -1);
      const large = (sweep + 2 * Math.PI) % (2 * Math.PI) > Math.PI ? 1 : 0;
      from = s.to;
      // y runs down in a drawing, so what runs counter-clockwise on paper has the other flag
      return `A${radius} ${radius} 0 ${large} ${s.turn === 'left' ? 0 : 1} ${spot(s.to)}`;
    });
    return `M${spot(start)}${parts.join('')}Z`;
  };
  return [shape.outline, ...shape.holes].map(ring).join('');
}
