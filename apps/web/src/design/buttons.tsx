import { Button } from 'react-aria-components';
import { Link } from 'react-router';
import { css, styled } from 'styled-components';

const look = css`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 0.5rem;
  min-height: 2.5rem;
  padding: 0.3rem 0.9rem;
  border: 1.5px solid var(--ink);
  border-radius: 0;
  background: transparent;
  color: var(--ink);
  font: 600 var(--s2) / 1.1 var(--text);
  text-decoration: none;
  cursor: pointer;
  &:hover,
  &[data-hovered] {
    background: var(--sheet);
  }
  &[data-pressed] {
    background: var(--faint);
  }
  &[data-disabled] {
    border-color: var(--rule);
    color: #6a6a6a;
    cursor: default;
  }
  &[data-focus-visible],
  &:focus-visible {
    outline: 3px solid var(--ink);
    outline-offset: 2px;
  }
  @media (pointer: coarse) {
    min-height: 2.75rem;
  }
`;

export const Plain = styled(Button)`
  ${look}
`;
export const PlainLink = styled(Link)`
  ${look}
`;
/** The one thing to do now. */
export const Strong = styled(Button)`
  ${look}
  background: var(--ink);
  color: #fff;
  &:hover,
  &[data-hovered] {
    background: #333;
  }
  &[data-disabled] {
    background: var(--faint);
    color: #555;
  }
`;
export const StrongLink = styled(Link)`
  ${look}
  background: var(--ink);
  color: #fff;
  &:hover {
    background: #333;
  }
`;
/** A quiet action inside a line of text or a list. */
const quiet = css`
  min-width: 1.75rem;
  min-height: 1.75rem;
  padding: 0 0.25rem;
  border: 0;
  background: none;
  font: 600 var(--s1) / 1.2 var(--text);
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
  color: var(--ink);
  &[data-hovered] {
    text-decoration-thickness: 2px;
  }
  &[data-disabled] {
    color: #6a6a6a;
    text-decoration: none;
    cursor: default;
  }
  @media (pointer: coarse) {
    min-width: 2.75rem;
    min-height: 2.75rem;
  }
`;
export const Quiet = styled(Button)`
  ${quiet}
`;
export const QuietLink = styled(Link)`
  ${quiet}
  display: inline-flex;
  align-items: center;
`;
