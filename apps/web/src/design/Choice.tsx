import { styled } from 'styled-components';
import { useId } from 'react';

const Field = styled.span`
  display: inline-flex;
  flex-direction: column;
  gap: 0.15rem;
  min-width: 0;
  & > label {
    font-size: var(--s1);
    line-height: 1.2;
    color: var(--quiet);
  }
  & > select {
    max-width: 16rem;
    min-height: 2.25rem;
    padding: 0.1rem 0.4rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 600 var(--s2) / 1.2 var(--text);
    text-overflow: ellipsis;
  }
`;

interface ChoiceProps<T extends string> {
  label: string;
  /** What stands over it, a part of its name; left out, all of it. */
  shown?: string;
  value: T;
  options: readonly { id: T; name: string }[];
  onChange: (value: T) => void;
  hideLabel?: boolean;
}

/** One of a few: the platform's own list, which every phone and screen reader knows. */
export function Choice<T extends string>({
  label,
  shown = label,
  value,
  options,
  onChange,
  hideLabel = false,
}: ChoiceProps<T>) {
  const id = useId();
  return (
    <Field>
      <label htmlFor={id} className={hideLabel ? 'out-of-sight' : undefined}>
        {shown}
      </label>
      <select
        id={id}
        aria-label={shown === label ? undefined : label}
        value={value}
        onChange={(e) => onChange(e.target.value as T)}
      >
        {options.map((o) => (
          <option key={o.id} value={o.id}>
            {o.name}
          </option>
        ))}
      </select>
    </Field>
  );
}
