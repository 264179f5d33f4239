import { Button, Dialog, DialogTrigger, Popover } from 'react-aria-components';
import { styled } from 'styled-components';
import type { Mark, Sum, Ticks } from '@temnex/core';
import { sumWords } from '@temnex/words';

const Opener = styled(Button)`
  min-width: 1.75rem;
  min-height: 1.75rem;
  padding: 0 0.3rem;
  border: 0;
  border-bottom: 1.5px dotted var(--quiet);
  background: none;
  font: 600 1.05rem/1 var(--figures);
  cursor: pointer;
  color: var(--quiet);
  &[data-hovered] {
    color: var(--ink);
  }
`;
const Note = styled(Popover)`
  padding: 0.7rem 1rem;
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  font: 600 1.25rem/1.3 var(--figures);
`;

interface SumNoteProps {
  name: string;
  sum: Sum;
  total: Ticks;
  mark: Mark;
  isOpen: boolean;
  onOpenChange: (open: boolean) => void;
}

/** The "=" beside a computed number; opens its sum. Tab goes from number to number: with the keyboard it is opened by = in its field. */
export function SumNote({ name, sum, total, mark, isOpen, onOpenChange }: SumNoteProps) {
  return (
    <DialogTrigger isOpen={isOpen} onOpenChange={onOpenChange}>
      <Opener aria-label={`Sum of ${name}`} excludeFromTabOrder>
        =
      </Opener>
      <Note placement="top">
        <Dialog aria-label={`Sum of ${name}`} style={{ outline: 'none' }}>
          {sumWords(sum, total, { mark, figures: 'typeset' })}
        </Dialog>
      </Note>
    </DialogTrigger>
  );
}
