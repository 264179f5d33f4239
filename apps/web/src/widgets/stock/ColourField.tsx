import { useEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';

const Field = styled.label`
  font-size: var(--s1);
  line-height: 1.2;
  color: var(--quiet);
`;
const Colour = styled.input.attrs({ type: 'color' })`
  display: block;
  width: 3rem;
  height: 2.25rem;
  margin-top: 0.15rem;
  padding: 0;
  border: 1.5px solid var(--ink);
  background: none;
`;

/** A colour, by the platform's own chooser: taken once it is settled on, not at every colour on the way there. */
export function ColourField({
  label,
  shown,
  value,
  onCommit,
}: {
  label: string;
  shown: string;
  value: string;
  onCommit: (colour: string) => void;
}) {
  const [first] = useState(value);
  const input = useRef<HTMLInputElement>(null);
  const commit = useRef(onCommit);
  useEffect(() => {
    commit.current = onCommit;
  }, [onCommit]);
  useEffect(() => {
    if (input.current) input.current.value = value;
  }, [value]);
  useEffect(() => {
    const own = input.current!;
    // what the platform calls a change; the library calls each colour on the way one
    const settled = () => commit.current(own.value);
    own.addEventListener('change', settled);
    return () => own.removeEventListener('change', settled);
  }, []);
  return (
    <Field>
      {shown}
      <Colour ref={input} aria-label={label} defaultValue={first} />
    </Field>
  );
}
