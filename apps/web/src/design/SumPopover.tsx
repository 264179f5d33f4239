import type { RefObject } from 'react';
import { Dialog, Popover } from 'react-aria-components';
import { styled } from 'styled-components';

const Note = styled(Popover)`
  padding: 0.7rem 1rem;
  border: 1.5px solid var(--ink);
  background: var(--sheet);
  font: 600 1.25rem/1.3 var(--figures);
`;

interface SumPopoverProps {
  label: string;
  says: string;
  opener: RefObject<HTMLElement | null>;
  close: () => void;
}

/** The sum itself; fetched when the first one is asked for. */
export default function SumPopover({ label, says, opener, close }: SumPopoverProps) {
  return (
    <Note placement="top" triggerRef={opener} isOpen onOpenChange={(open) => !open && close()}>
      <Dialog aria-label={label} style={{ outline: 'none' }}>
        {says}
      </Dialog>
    </Note>
  );
}
