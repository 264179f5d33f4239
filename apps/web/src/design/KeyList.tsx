import { styled } from 'styled-components';

/** Keys and what they do, two columns. */
export const KeyList = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.5rem 1.25rem;
  margin: 1rem 0 1.5rem;
  & dd {
    margin: 0;
  }
  & kbd {
    display: inline-block;
    min-width: 1.8rem;
    padding: 0 0.4rem;
    border: 1.5px solid var(--ink);
    font: 600 0.95rem/1.6 var(--figures);
    text-align: center;
  }
`;
