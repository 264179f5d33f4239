import { computeLengthFigure, formatPlainLength, type Mark, type Ticks } from '@temnex/core/length';
import { describeDifference } from '@temnex/words';
import { styled } from 'styled-components';

const Digits = styled.span`
  font-family: var(--figures);
  font-weight: 600;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
  & > small {
    font: 400 max(0.42em, 0.8125rem) / 1 var(--text);
    color: var(--quiet);
    margin-left: 0.35em;
  }
  & > i {
    font-style: normal;
    font-feature-settings: 'frac';
    margin-left: 0.06em;
  }
`;

interface FigureProps {
  length: Ticks;
  mark: Mark;
  /** Leave out the difference to the mark. */
  bare?: boolean;
}

/** A length, set with a true fraction; between two marks it shows the nearest one and the difference. */
export function Figure({ length, mark, bare = false }: FigureProps) {
  const f = computeLengthFigure(length, mark);
  const off = bare ? '' : describeDifference(length, { mark, figures: 'plain' });
  return (
    <Digits>
      <span className="out-of-sight">{formatPlainLength(length, mark)}</span>
      <span aria-hidden="true">
        {f.negative ? '−' : ''}
        {f.whole}
      </span>
      {f.denominator ? (
        <i aria-hidden="true">
          {f.numerator}⁄{f.denominator}
        </i>
      ) : null}
      {f.unit === 'mm' ? <small>mm</small> : null}
      {off ? <small>{off}</small> : null}
    </Digits>
  );
}

/** Width × height. */
export function SizeFigure({
  width,
  height,
  mark,
  bare = false,
}: {
  width: Ticks;
  height: Ticks;
  mark: Mark;
  bare?: boolean;
}) {
  return (
    <span style={{ whiteSpace: 'nowrap' }}>
      <Figure length={width} mark={mark} bare={bare} />
      <span style={{ fontFamily: 'var(--figures)', margin: '0 0.18em', fontWeight: 400 }}>×</span>
      <Figure length={height} mark={mark} bare={bare} />
    </span>
  );
}
