import { styled } from 'styled-components';
import type { LaidOut } from '@temnex/core/recipes';
import { formatSize, type Voice } from '@temnex/words';
import { LayersPicture } from '../../widgets/construction/LayersPicture.tsx';

const Card = styled.figure`
  position: absolute;
  z-index: 5;
  top: 100%;
  right: 0;
  margin: 0;
  display: grid;
  justify-items: center;
  gap: 0.4rem;
  padding: 0.9rem;
  border: 1.5px solid var(--ink);
  background: var(--table);
  /* only while one types, and never in the way of a press */
  pointer-events: none;
  form:not(:focus-within) > & {
    display: none;
  }
`;
const SIZE = 150;

/** What a line would come to, drawn before it is taken. */
export function ParsedLinePicture({ laid, voice }: { laid: LaidOut; voice: Voice }) {
  const { width, height } = laid.size;
  const scale = SIZE / Math.max(width, height);
  return (
    <Card aria-hidden="true">
      <svg width={width * scale + 2} height={height * scale + 2}>
        <LayersPicture laid={laid} scale={scale} x={1} y={height * scale + 1} thin />
      </svg>
      <figcaption>{formatSize(width, height, voice)}</figcaption>
    </Card>
  );
}
