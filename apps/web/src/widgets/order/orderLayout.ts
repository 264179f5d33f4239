import { styled } from 'styled-components';
import { MEDIUM, NARROW, sidewaysScroll } from '../../design/global.ts';

/* A cutting order and what goes with it: the story, and beside it the figures and what is done with it. */

export const OrderWork = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 21rem;
  ${MEDIUM} {
    grid-template-columns: minmax(0, 1fr) 18rem;
  }
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
export const OrderTable = styled.div`
  padding: 1rem 1.5rem 2.5rem;
  min-width: 0;
  ${sidewaysScroll('var(--table)')}
  ${NARROW} {
    display: flex;
    flex-direction: column;
    padding: 1rem 0.75rem;
  }
`;
export const OrderPanel = styled.aside`
  padding: 1rem 1.5rem 2rem;
  ${NARROW} {
    /* above the way to the trimmer, which stays in sight */
    padding: 1rem 0.75rem 5.5rem;
  }
`;
export const Totals = styled.dl`
  margin: 0.6rem 0;
  & dd {
    order: -1;
    margin: 0;
    font: 600 1.45rem/1.25 var(--figures);
    text-align: right;
    white-space: nowrap;
  }
  & > div {
    display: grid;
    grid-template-columns: 7rem 1fr;
    align-items: baseline;
    gap: 0.75rem;
  }
`;
export const Part = styled.h2`
  margin: 1.9rem 0 0.8rem;
  &:first-child {
    margin-top: 0;
  }
`;
