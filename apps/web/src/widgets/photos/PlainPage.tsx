import { useId } from 'react';
import { TICKS_PER_UNIT } from '@temnex/core/length';
import type { DerivedPage, Part } from '@temnex/core/page';
import { formatShapePath } from '@temnex/drawing';
import { photoUrl } from '../../data/photos.ts';

interface PagePlainProps {
  derived: DerivedPage;
  /** Pixels to the inch. */
  scale: number;
}

/** A page without its papers, small: where photos, title and words lie; photos that are known are seen. */
export function PlainPage({ derived, scale }: PagePlainProps) {
  const own = useId().replace(/[^\w-]/g, '');
  const per = scale / TICKS_PER_UNIT.in;
  const [W, H] = [derived.width * per, derived.height * per];
  const spot = ({ x, y }: { x: number; y: number }): [number, number] => [x * per, H - y * per];
  return (
    <svg
      width={W}
      height={H}
      aria-hidden="true"
      style={{ display: 'block', background: '#fff', outline: '1px solid #161616' }}
    >
      {derived.parts.map((part, i) => {
        const [x, top] = spot({ x: part.x, y: part.y + part.height });
        const box = { x, y: top, width: part.width * per, height: part.height * per };
        const photo = !part.piece && part.role === 'print';
        const turn = part.tilt ? `rotate(${-part.tilt.degrees} ${spot(part.tilt.about).join(' ')})` : undefined;
        const line = { fill: photo ? '#cdcdcd' : 'none', stroke: '#161616', strokeWidth: 0.7 } as const;
        return (
          <g key={part.id} transform={turn}>
            {part.shape ? <path d={formatShapePath(part.shape, spot, per)} {...line} /> : <rect {...box} {...line} />}
            {part.picture ? <Photo part={part} id={`${own}-${i}`} box={box} per={per} H={H} /> : null}
            {photo && !part.picture ? (
              <path
                d={`M${x} ${top}l${box.width} ${box.height}m0 ${-box.height}l${-box.width} ${box.height}`}
                stroke="#9a9a9a"
              />
            ) : null}
          </g>
        );
      })}
    </svg>
  );
}

interface PhotoProps {
  part: Part;
  id: string;
  box: { x: number; y: number; width: number; height: number };
  per: number;
  H: number;
}

function Photo({ part, id, box, per, H }: PhotoProps) {
  const { whole, file } = part.picture!;
  return (
    <>
      <clipPath id={id}>
        <rect {...box} />
      </clipPath>
      <image
        href={photoUrl(file, 'small')}
        x={whole.x * per}
        y={H - (whole.y + whole.height) * per}
        width={whole.width * per}
        height={whole.height * per}
        preserveAspectRatio="none"
        clipPath={`url(#${id})`}
      />
    </>
  );
}
