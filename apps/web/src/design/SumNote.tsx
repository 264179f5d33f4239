import { Suspense, lazy, useRef } from 'react';
import { Button } from 'react-aria-components';
import { styled } from 'styled-components';
import type { Mark, Ticks } from '@temnex/core/length';
import type { Sum } from '@temnex/core/recipes';
import { formatSum } from '@temnex/words';

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
const SumPopover = lazy(() => import('./SumPopover.tsx'));

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
  const opener = useRef<HTMLButtonElement>(null);
  const label = `Sum of ${name}`;
  return (
    <>
      <Opener
        ref={opener}
        aria-label={label}
        aria-haspopup="dialog"
        aria-expanded={isOpen}
        excludeFromTabOrder
        onPress={() => onOpenChange(!isOpen)}
      >
        =
      </Opener>
      {isOpen ? (
        <Suspense fallback={null}>
          <SumPopover
            label={label}
            opener={opener}
            says={formatSum(sum, total, { mark, figures: 'typeset' })}
            close={() => onOpenChange(false)}
          />
        </Suspense>
      ) : null}
    </>
  );
}
