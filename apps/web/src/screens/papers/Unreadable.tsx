import { useState } from 'react';
import { parseSize, type Unit } from '@temnex/core';
import type { ChangeStock, UnreadableStock } from '@temnex/contract';
import { Quiet } from '../../ui/buttons.tsx';
import { Notice } from '../../ui/states.tsx';

interface UnreadableProps {
  row: UnreadableStock;
  paper: string;
  unit: Unit;
  mend: (change: ChangeStock) => void;
  remove: () => void;
}

/** Something in the drawer that cannot be read: what is stored, and a size to put in its place. */
export function Unreadable({ row, paper, unit, mend, remove }: UnreadableProps) {
  const [text, setText] = useState(`${row.width} x ${row.height}`);
  const size = parseSize(text, unit);
  const there = row.unit === 'mm' ? 'mm' : 'in';
  return (
    <Notice kind="block">
      <span>
        {paper}, {row.width} × {row.height} {row.unit}: cannot be used, {row.why}.
      </span>
      <input aria-label={`size of this ${paper}`} value={text} onChange={(e) => setText(e.target.value)} size={12} />
      <Quiet
        isDisabled={!size.ok}
        onPress={() =>
          size.ok &&
          mend({
            unit: there,
            width: `${size.width}${/[a-z"]/i.test(size.width) ? '' : ` ${unit}`}`,
            height: `${size.height}${/[a-z"]/i.test(size.height) ? '' : ` ${unit}`}`,
            trim: { left: 0, right: 0, top: 0, bottom: 0 },
            uncut: [],
          })
        }
      >
        It is this size
      </Quiet>
      <Quiet onPress={remove}>Take it out</Quiet>
    </Notice>
  );
}
