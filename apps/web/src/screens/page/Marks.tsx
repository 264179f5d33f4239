import { styled } from 'styled-components';
import { marksOf, type DerivedPage } from '@temnex/core';
import { fullFigure, type Voice } from '@temnex/words';
import { QuietLink } from '../../ui/buttons.tsx';

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
const PAGES = { left: ', left page', right: ', right page' } as const;

/** What to pencil before anything is glued: the lower left corner of every part, always from the same two edges. */
export function Marks({ id, derived, chosen }: { id: string; derived: DerivedPage; chosen: readonly string[] }) {
  const marks = marksOf(derived).filter(({ part }) => !chosen.length || chosen.includes(part.item));
  if (!marks.length) return null;
  const voice: Voice = { mark: derived.mark, figures: 'typeset' };
  return (
    <Where>
      <summary>{chosen.length ? 'Where what is chosen lies' : 'Where everything lies'}</summary>
      <table>
        <thead>
          <tr>
            <th scope="col">lower left corner of</th>
            <th scope="col">from the left</th>
            <th scope="col">from below</th>
          </tr>
        </thead>
        <tbody>
          {marks.map(({ part, page, x, y }) => (
            <tr key={part.id}>
              <td>
                {part.name}
                {page ? PAGES[page] : ''}
              </td>
              <td>{fullFigure(x, voice)}</td>
              <td>{fullFigure(y, voice)}</td>
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
