import { useState } from 'react';
import { parseSize, type Unit } from '@temnex/core/length';
import type { ChangeStock, DrawerRecord, PaperRecord, UnreadableStock } from '@temnex/contract';
import { useChangePaper, useChangeStock, useRemoveStock } from '../../data/stock/queries.ts';
import { Quiet } from '../../design/buttons.tsx';
import { Notice } from '../../design/states.tsx';

interface UnreadableProps {
  row: UnreadableStock;
  paper: string;
  unit: Unit;
  mend: (change: ChangeStock) => void;
  remove: () => void;
}

interface SetAsideProps {
  drawer: DrawerRecord;
  unit: Unit;
}

/** What is stored of the drawer and cannot be read, each with what mends it. */
export function SetAside({ drawer, unit }: SetAsideProps) {
  const change = useChangeStock();
  const remove = useRemoveStock();
  const changePaper = useChangePaper();
  const nameOf = (id: string) => drawer.papers.find((p) => p.id === id)?.name ?? id;
  return (
    <>
      {drawer.unreadable.map((row) => (
        <Unreadable
          key={row.id}
          row={row}
          unit={unit}
          paper={nameOf(row.paper)}
          mend={(size) => change.mutate({ id: row.id, change: size })}
          remove={() => remove.mutate(row.id)}
        />
      ))}
      {drawer.papers
        .filter((paper) => paper.guessed)
        .map((paper) => (
          <Notice key={paper.id} kind="advice">
            <span>The look of {paper.name} could not be read. It is shown as its name says.</span>
            <Quiet onPress={() => changePaper.mutate(paperOf(paper))}>Keep this look</Quiet>
          </Notice>
        ))}
    </>
  );
}
const paperOf = ({ revision: _, guessed: __, ...paper }: PaperRecord) => paper;

/** Something in the drawer that cannot be read: what is stored, and a size to put in its place. */
function Unreadable({ row, paper, unit, mend, remove }: UnreadableProps) {
  const [text, setText] = useState(`${row.width} x ${row.height}`);
  const size = parseSize(text, unit);
  const there = row.unit === 'mm' ? 'mm' : 'in';
  return (
    <Notice kind="block">
      <span>
        {paper}, {row.width} × {row.height} {row.unit}, cannot be used: {row.why}.
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
