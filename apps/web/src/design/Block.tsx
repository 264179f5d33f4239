import { styled } from 'styled-components';

/** A part of the slip, set off by a thin rule. */
export const Block = styled.section`
  margin-top: 1.2rem;
  padding-top: 0.7rem;
  border-top: 1px solid var(--rule);
`;
