import type { ReactNode } from 'react';
import { styled } from 'styled-components';

const Label = styled.label`
  display: flex;
  align-items: center;
  gap: 0.5rem;
  min-height: 1.9rem;
  cursor: pointer;
  & > input {
    flex: none;
    width: 1.05rem;
    height: 1.05rem;
    margin: 0;
    accent-color: var(--ink);
    cursor: pointer;
  }
`;

/** Ticks that belong together, under one heading. */
export const Ticks = styled.fieldset`
  margin: 0;
  padding: 0;
  border: 0;
  & > legend {
    padding: 0;
    font-size: var(--s1);
    color: var(--quiet);
  }
`;

interface TickProps {
  checked: boolean;
  onChange: () => void;
  children: ReactNode;
  /** One of several of this name, of which one is chosen. */
  oneOf?: string;
}

/** A yes or no, or one of a few: the platform's own box, large enough to hit. */
export function Tick({ checked, onChange, children, oneOf }: TickProps) {
  return (
    <Label>
      <input type={oneOf ? 'radio' : 'checkbox'} name={oneOf} checked={checked} onChange={onChange} />
      <span>{children}</span>
    </Label>
  );
}
