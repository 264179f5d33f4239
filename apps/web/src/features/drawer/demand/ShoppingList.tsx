import { styled } from 'styled-components';
import type { ShoppingEntry } from '@temnex/core/cutting';
import { formatCost, formatCount, formatPurchase, formatSize } from '@temnex/words';
import { download, formatShoppingCsv } from '../../../data/csv.ts';
import { Plain } from '../../../design/buttons.tsx';
import { NARROW } from '../../../design/global.ts';
import { formatToday, useDrawerContext } from '../context.ts';

const Slip = styled.section`
  padding: 1.1rem 1.5rem 2rem;
  background: var(--sheet);
  border-left: 2px solid var(--ink);
  & > ul > li {
    display: grid;
    grid-template-columns: 4.5rem minmax(0, 1fr) auto;
    gap: 0 0.8rem;
    align-items: baseline;
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--faint);
  }
  & b {
    font: 600 var(--s3) / 1.1 var(--figures);
    text-align: right;
  }
  & small {
    grid-column: 2 / -1;
    font-size: var(--s1);
    color: var(--quiet);
  }
  & > div {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    margin-top: 1rem;
  }
  ${NARROW} {
    padding: 0.9rem 0.75rem;
    border-left: 0;
    border-top: 2px solid var(--ink);
  }
  @media print {
    padding: 0;
    border: 0;
  }
`;

/** The list to take to the shop, printed or as CSV. */
export function ShoppingList({
  buy,
  done,
  names,
}: {
  buy: readonly ShoppingEntry[];
  done: boolean;
  names: ReadonlyMap<string, string>;
}) {
  const { papers, mark } = useDrawerContext();
  const voice = { mark, figures: 'typeset' } as const;
  const known = buy.filter((b) => b.cost !== null);
  const sum = known.reduce((n, b) => n + b.cost!, 0);
  return (
    <Slip aria-labelledby="buy-heading">
      <h2 id="buy-heading">To buy</h2>
      {!buy.length ? <p>{done ? 'Nothing.' : '…'}</p> : null}
      <ul>
        {buy.map((b) => (
          <li key={b.paper}>
            <b>{formatPurchase(b)}</b>
            <span>{papers.get(b.paper)?.name}</span>
            <span>{b.cost === null ? '' : formatCost(b.cost)}</span>
            <small>
              {formatSize(b.size.width, b.size.height, voice)}, for{' '}
              {b.pages
                .slice(0, 3)
                .map((id) => names.get(id) ?? 'a page')
                .join(', ')}
              {b.pages.length > 3 ? ` and ${b.pages.length - 3} more` : ''}
            </small>
          </li>
        ))}
      </ul>
      {known.length ? (
        <p style={{ marginTop: '0.6rem' }}>
          Together {formatCost(sum)}
          {known.length < buy.length
            ? `, without ${formatCount(buy.length - known.length, 'paper')} whose price nobody said`
            : ''}
        </p>
      ) : null}
      {buy.length ? (
        <div className="no-print">
          <Plain onPress={() => window.print()}>Print the list</Plain>
          <Plain onPress={() => download(`to-buy-${formatToday()}.csv`, formatShoppingCsv(buy, papers, names))}>
            As CSV
          </Plain>
        </div>
      ) : null}
    </Slip>
  );
}
