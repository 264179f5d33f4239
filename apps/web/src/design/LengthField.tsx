import { useState } from 'react';
import { FieldError, Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { MARKS, type LengthText, type ReadOptions, type Unit } from '@temnex/core/length';
import { describeLengthProblem } from '@temnex/words';
import { useLengthField } from './useLengthField.ts';

const Field = styled(TextField)`
  display: inline-flex;
  flex-direction: column;
  gap: 0.15rem;
  & input {
    width: var(--field, 5.5rem);
    min-height: 2.25rem;
    padding: 0.1rem 0.45rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 600 1.2rem/1.2 var(--figures);
    font-feature-settings: 'frac';
    color: var(--ink);
  }
  & input[data-focused] {
    outline: 3px solid var(--ink);
    outline-offset: 0;
  }
  &[data-invalid] input {
    border-bottom: 2px dashed var(--cut);
  }
  /* a computed number leans on its sum until somebody types over it */
  &[data-computed] input {
    border-bottom: 1.5px dotted var(--quiet);
    background: transparent;
    font-weight: 400;
  }
`;
const Name = styled(Label)`
  font: 400 var(--s1) / 1.2 var(--text);
  color: var(--quiet);
`;
const Shown = styled.span`
  font: 400 var(--s1) / 1.2 var(--text);
  color: var(--quiet);
`;
const Fault = styled(FieldError)`
  max-width: 16rem;
  font: 600 var(--s1) / 1.25 var(--text);
  color: var(--cut);
`;

export interface LengthFieldProps {
  /** Its full name, unlike any other on the screen. */
  label: string;
  /** What stands over it, a part of its name; left out, all of it. */
  shown?: string;
  value: LengthText | undefined;
  unit: Unit;
  onCommit: (text: string) => void;
  /** Emptying it means something; left out, an emptied field gets its value back. */
  onEmpty?: () => void;
  options?: ReadOptions;
  /** What stands there while it is empty, and may be typed to empty it: no limit. */
  none?: string;
  /** Worked out, not given: typing in it takes it over. */
  computed?: boolean;
  hideLabel?: boolean;
  width?: string;
}

/** A length as text, because numbers cannot hold exact fractions. Commits while typing as soon as it reads. */
export function LengthField({
  label,
  shown = label,
  value,
  unit,
  onCommit,
  onEmpty,
  options,
  none,
  computed,
  hideLabel,
  width,
}: LengthFieldProps) {
  const [inside, setInside] = useState(false);
  const field = useLengthField(value, unit, options, inside);
  const typed = field.text.trim().toLowerCase();
  // as far as it is typed
  const saysNone = none !== undefined && typed !== '' && none.startsWith(typed);
  const problem = saysNone ? null : field.problem;
  const commit = (take?: 'as-it-is') => {
    if (saysNone && typed === none) {
      field.reset();
      return onEmpty?.();
    }
    const text = field.commit(take);
    if (text) onCommit(text);
    else if (text === '') onEmpty?.();
  };
  return (
    <Field
      value={field.text}
      onChange={field.change}
      onFocus={() => setInside(true)}
      onBlur={() => {
        setInside(false);
        commit();
      }}
      isInvalid={problem !== null}
      validationBehavior="aria"
      onKeyDown={(e) => {
        // Enter on a worked-out number gives it as it is
        if (e.key === 'Enter') commit(computed ? 'as-it-is' : undefined);
        if (e.key === 'Escape') field.reset();
      }}
      {...(computed ? { 'data-computed': true } : {})}
      {...(hideLabel || shown !== label ? { 'aria-label': label } : {})}
      style={width ? ({ '--field': width } as React.CSSProperties) : undefined}
    >
      {hideLabel ? null : shown === label ? <Name>{label}</Name> : <Shown aria-hidden="true">{shown}</Shown>}
      <Input
        autoComplete="off"
        spellCheck={false}
        inputMode="text"
        placeholder={none}
        onFocus={(e) => e.currentTarget.select()}
      />
      <Fault>{problem ? describeLengthProblem(problem, { mark: MARKS['1/16'], figures: 'typeset' }) : null}</Fault>
    </Field>
  );
}
