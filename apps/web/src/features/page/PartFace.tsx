import { useId } from 'react';
import type { Rect } from '@temnex/core/geometry';
import type { Part } from '@temnex/core/page';
import { formatShapePath } from '@temnex/drawing';
import { photoUrl } from '../../data/photos.ts';
import type { Box } from '../../widgets/construction/DimLayer.tsx';

export const boxOf = (r: Rect, spot: PartFaceProps['spot'], per: number) => {
  const { x, y } = spot({ x: r.x, y: r.y + r.height });
  return { x, y, width: r.width * per, height: r.height * per };
};

interface PartFaceProps {
  part: Part;
  box: Box;
  spot: (p: { x: number; y: number }) => { x: number; y: number };
  per: number;
}

const pathOf = ({ part, spot, per }: PartFaceProps): string =>
  formatShapePath(
    part.shape!,
    (p) => {
      const { x, y } = spot(p);
      return [x, y];
    },
    per,
  );

/** What is seen of a part: its paper, its photo, or a print nobody has photographed. */
export function PartFace(props: PartFaceProps & { fill: string }) {
  const { part, box, fill, spot, per } = props;
  const clip = useId();
  const plain = part.piece ? fill : '#f4f4f4';
  // only a photo looks like one
  const photo = !part.piece && part.role === 'print';
  const { picture } = part;
  if (picture && photo) {
    const own = boxOf(picture.opening, spot, per);
    const whole = boxOf(picture.whole, spot, per);
    return (
      <>
        <clipPath id={clip}>{part.shape ? <path d={pathOf(props)} /> : <rect {...own} />}</clipPath>
        <rect {...box} fill="#fff" />
        <image
          {...whole}
          href={photoUrl(picture.file, Math.max(whole.width, whole.height) > 420 ? 'large' : 'small')}
          preserveAspectRatio="none"
          clipPath={`url(#${clip})`}
        />
      </>
    );
  }
  if (part.shape && !photo) return <path d={pathOf(props)} fill={plain} fillRule="evenodd" />;
  if (part.shape)
    return (
      <>
        <clipPath id={clip}>
          <path d={pathOf(props)} />
        </clipPath>
        <g clipPath={`url(#${clip})`}>
          <Print {...box} />
        </g>
      </>
    );
  return photo ? <Print {...box} /> : <rect {...box} fill={plain} />;
}

/** The edge of a part. */
export function PartLine(props: PartFaceProps & { strong: boolean }) {
  const stroke = { fill: 'none', stroke: '#161616', strokeWidth: props.strong ? 2.5 : 0.7 };
  return props.part.shape ? <path d={pathOf(props)} {...stroke} /> : <rect {...props.box} {...stroke} />;
}

/** A print nobody has photographed: grey sky, a line, a kite, so that it reads as a photo without being one. */
function Print({ x, y, width, height }: Box) {
  const s = Math.min(width, height) / 4;
  const [cx, cy] = [x + width * 0.58, y + height * 0.36];
  return (
    <>
      <rect x={x} y={y} width={width} height={height} fill="#9b9b9b" />
      <rect x={x} y={y + height * 0.76} width={width} height={height * 0.24} fill="#7c7c7c" />
      <path
        d={`M${cx} ${cy - s}l${s * 0.7} ${s * 0.8}l${-s * 0.7} ${s * 1.1}l${-s * 0.7} ${-s * 1.1}z`}
        fill="#e9e9e9"
      />
      <path
        d={`M${cx} ${cy + s * 0.9}Q${cx - s} ${cy + s * 1.4} ${x + width * 0.22} ${y + height * 0.86}`}
        fill="none"
        stroke="#e9e9e9"
        strokeWidth="1.2"
      />
    </>
  );
}
