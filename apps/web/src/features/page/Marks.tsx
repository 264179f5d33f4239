import { styled } from 'styled-components';
import { computeCornerMark, type DerivedPage, type MeasuredEdge, type MeasuredEdges } from '@temnex/core/page';
import { formatLengthWithDifference, type Voice } from '@temnex/words';
import { Choice } from '../../design/Choice.tsx';
import { QuietLink } from '../../design/buttons.tsx';

const Where = styled.details`
  & > summary {
    cursor: pointer;
    font-weight: 600;
  }
  & table {
    width: 100%;
    margin-top: 0.5rem;
    border-collapse: collapse;
    font-size: var(--s1);
    font-variant-numeric: tabular-nums;
  }
  & th {
    text-align: left;
    font-weight: 400;
    color: var(--quiet);
  }
  & td,
  & th {
    padding: 0.15rem 0.5rem 0.15rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: top;
  }
`;
const Ways = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.8rem;
  margin-top: 0.5rem;
`;
const PAGES = { left: ', left page', right: ', right page' } as const;

type Way = `${MeasuredEdge['of']} ${MeasuredEdge['from']}`;
const WAYS: readonly Way[] = ['low low', 'middle low', 'high low', 'high high', 'middle high', 'low high'];
const NAMES = {
  across: { low: 'left edge', middle: 'middle', high: 'right edge', from: { low: 'the left', high: 'the right' } },
  upDown: { low: 'bottom edge', middle: 'middle', high: 'top edge', from: { low: 'the bottom', high: 'the top' } },
} as const;
const nameOf = (axis: keyof MeasuredEdges, { of, from }: MeasuredEdge): string =>
  `${NAMES[axis][of]} from ${NAMES[axis].from[from]}`;
const measuringOf = (way: Way): MeasuredEdge => {
  const [of, from] = way.split(' ') as [MeasuredEdge['of'], MeasuredEdge['from']];
  return { of, from };
};

interface MarksProps {
  id: string;
  derived: DerivedPage;
  chosen: readonly string[];
  measurings: MeasuredEdges;
  setMeasurings: (measurings: MeasuredEdges) => void;
}

/** What to pencil before anything is glued: where every part lies, always from the same two edges of the page. */
export function Marks({ id, derived, chosen, measurings, setMeasurings }: MarksProps) {
  const marks = derived.parts
    .filter((part) => !part.along && (!chosen.length || chosen.includes(part.item)))
    .map((part) => computeCornerMark(derived, part, measurings))
    .filter(({ x, y }) => x !== 0 || y !== 0);
  if (!marks.length) return null;
  const voice: Voice = { mark: derived.mark, figures: 'typeset' };
  return (
    <Where>
      <summary>{chosen.length ? 'Where what is chosen lies' : 'Where everything lies'}</summary>
      <Ways>
        {(['across', 'upDown'] as const).map((axis) => (
          <Choice
            key={axis}
            label={axis === 'across' ? 'Measure across' : 'Measure up and down'}
            value={`${measurings[axis].of} ${measurings[axis].from}` as Way}
            options={WAYS.map((way) => ({ id: way, name: nameOf(axis, measuringOf(way)) }))}
            onChange={(way) => setMeasurings({ ...measurings, [axis]: measuringOf(way) })}
          />
        ))}
      </Ways>
      <table>
        <thead>
          <tr>
            <th scope="col">part</th>
            <th scope="col">{nameOf('across', measurings.across)}</th>
            <th scope="col">{nameOf('upDown', measurings.upDown)}</th>
          </tr>
        </thead>
        <tbody>
          {marks.map(({ part, page, x, y }) => (
            <tr key={part.id}>
              <td>
                {part.name}
                {page ? PAGES[page] : ''}
              </td>
              <td>{formatLengthWithDifference(x, voice)}</td>
              <td>{formatLengthWithDifference(y, voice)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p style={{ marginTop: '0.5rem' }}>
        <QuietLink to={`/page/${id}/on-paper${chosen.length ? `?items=${encodeURIComponent(chosen.join(' '))}` : ''}`}>
          Print the page with its marks, at true size or by half
        </QuietLink>
      </p>
    </Where>
  );
}
