import { useRef, useState, type ReactNode } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { Quiet, Strong } from './buttons.tsx';

const Line = styled.form`
  position: relative;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.2rem 0.75rem;
  align-items: center;
  & label {
    grid-column: 1 / -1;
    font-size: var(--s1);
    color: var(--quiet);
  }
  & input {
    width: 100%;
    min-height: 2.75rem;
    padding: 0.2rem 0.8rem;
    border: 1.5px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 400 1.15rem/1.2 var(--text);
  }
  & input::placeholder {
    font-size: var(--s2);
    color: #6b6b6b;
  }
`;
const Understood = styled.p`
  grid-column: 1 / -1;
  min-height: 1.5rem;
  font-size: var(--s2);
  &[data-bad] {
    color: var(--cut);
    font-weight: 600;
  }
`;

export interface LinePreview {
  readonly ok: boolean;
  readonly says: ReactNode;
  readonly seen?: ReactNode;
  /** Lines that would be understood, put in place of what is typed when their words are pressed. */
  readonly instead?: ReadonlyArray<{ readonly line: string; readonly says: string }>;
}
interface SayLineProps {
  label: string;
  example: string;
  action: string;
  /** What was understood of the text, said and perhaps seen: drawn over what is below, so that nothing moves. Null while it is empty. */
  understand: (text: string) => LinePreview | null;
  /** Gives back whether it was taken, so that the line can be cleared. */
  onSay: (text: string) => boolean | Promise<boolean>;
  /** What was said last: ↑ in an empty line brings it back. */
  last?: string | null;
  /** What else there is to say about a line. */
  more?: (text: string) => ReactNode;
}

/** One line that takes shorthand, and shows what it understood before it is accepted. */
export function LineInput({ label, example, action, understand, onSay, last = null, more }: SayLineProps) {
  const [text, setText] = useState('');
  const heard = understand(text);
  const input = useRef<HTMLInputElement>(null);
  const takeInstead = (line: string) => {
    setText(line);
    // the button goes with what was typed
    input.current?.focus();
  };
  // pressed twice, it is said once
  const busy = useRef(false);
  const say = async () => {
    if (!heard?.ok || busy.current) return;
    busy.current = true;
    try {
      // what was typed meanwhile stays
      if (await onSay(text)) setText((now) => (now === text ? '' : now));
    } finally {
      busy.current = false;
    }
  };
  return (
    <Line
      onSubmit={(e) => {
        e.preventDefault();
        void say();
      }}
    >
      <TextField
        value={text}
        onChange={setText}
        style={{ display: 'contents' }}
        onKeyDown={(e) => (e.key === 'ArrowUp' && !text && last !== null ? setText(last) : undefined)}
      >
        <Label>{label}</Label>
        <Input ref={input} placeholder={`such as ${example}`} autoComplete="off" spellCheck={false} data-say-line />
      </TextField>
      <Strong type="submit" isDisabled={!heard?.ok}>
        {action}
      </Strong>
      <Understood aria-live="polite" {...(heard && !heard.ok ? { 'data-bad': true } : {})}>
        {heard?.says ?? ''}{' '}
        {heard?.instead?.map(({ line, says }) => (
          <Quiet key={line} onPress={() => takeInstead(line)}>
            {says}
          </Quiet>
        ))}
      </Understood>
      {heard?.seen}
      {heard?.ok ? more?.(text) : null}
    </Line>
  );
}
