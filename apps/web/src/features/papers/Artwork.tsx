import { useState } from 'react';
import { styled } from 'styled-components';
import { parseLength, type Mark, type Ticks } from '@temnex/core/length';
import type { Size } from '@temnex/core/geometry';
import { findArtworkPlace } from '@temnex/core/cutting';
import { formatLength } from '@temnex/words';
import { LengthField } from '../../design/LengthField.tsx';
import { Quiet } from '../../design/buttons.tsx';
import type { Spot } from './OnTable.tsx';

const Row = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, max-content));
  align-items: end;
  justify-items: start;
  gap: 0.4rem 1rem;
`;

interface ArtworkProps {
  /** Where the piece lies on the page. */
  lies: Spot;
  size: Size;
  item: Size;
  mark: Mark;
  put: (spot: Spot) => void;
}
const NONE = { sheetX: '', sheetY: '', pageX: '', pageY: '' };
const FIELDS = [
  ['sheetX', 'artwork on the paper, from its left'],
  ['sheetY', 'from its foot'],
  ['pageX', 'it is to lie on the page, from the left'],
  ['pageY', 'from below'],
] as const;

/** A line or spot of a paper's artwork that is to lie at a place of the page: where the piece is cut from follows. */
export function Artwork({ lies, size, item, mark, put }: ArtworkProps) {
  const [said, setSaid] = useState(NONE);
  const read = (text: string): Ticks | null => {
    const length = parseLength(text, mark.unit, { allow: 'zero' });
    return length.ok ? length.value.ticks : null;
  };
  const [sx, sy, px, py] = FIELDS.map(([key]) => read(said[key]));
  const along = (sheet: Ticks | null | undefined, page: Ticks | null | undefined) =>
    sheet == null || page == null ? null : { sheet, page };
  const found = findArtworkPlace({ x: along(sx, px), y: along(sy, py) }, lies, size, item);
  const off = Math.max(Math.abs(found.misses.x), Math.abs(found.misses.y));
  return (
    <details>
      <summary>Artwork of it is to lie somewhere on the page</summary>
      <Row>
        {FIELDS.map(([key, label]) => (
          <LengthField
            key={key}
            label={label}
            value={said[key] || undefined}
            unit={mark.unit}
            options={{ allow: 'zero' }}
            width="4.5rem"
            onEmpty={() => setSaid({ ...said, [key]: '' })}
            onCommit={(text) => setSaid({ ...said, [key]: text })}
          />
        ))}
        <Quiet isDisabled={!along(sx, px) && !along(sy, py)} onPress={() => put({ x: found.spot.x, y: found.spot.y })}>
          Cut it so
        </Quiet>
      </Row>
      {off ? (
        <p role="alert">
          The paper does not reach that far: it would lie {formatLength(off, { mark, figures: 'typeset' })} off.
        </p>
      ) : null}
    </details>
  );
}
