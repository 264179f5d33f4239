import { useState } from 'react';
import type { StockItem } from '@temnex/core/stock';
import { describeMovement } from '@temnex/words';
import { useMovements } from '../../data/stock/queries.ts';
import { Quiet } from '../../design/buttons.tsx';

/** How there came to be so many of an item: every movement, the latest first. Their sum is what there is. */
export function History({ item, paper }: { item: StockItem; paper: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Quiet
        onPress={() => setOpen(!open)}
        aria-expanded={open}
        aria-label={`How ${item.width} by ${item.height} ${paper} came to be here`}
      >
        {open ? 'Close' : 'History'}
      </Quiet>
      {open ? <Movements stock={item.id} /> : null}
    </>
  );
}

function Movements({ stock }: { stock: string }) {
  const history = useMovements(stock);
  if (history.error)
    return (
      <p role="alert">
        {history.error.message} <Quiet onPress={() => void history.refetch()}>Try again</Quiet>
      </p>
    );
  return (
    <ul aria-label="History">
      {history.data?.map((m) => (
        <li key={m.id}>
          {m.at.slice(0, 10)}: {describeMovement(m)}
        </li>
      ))}
    </ul>
  );
}
