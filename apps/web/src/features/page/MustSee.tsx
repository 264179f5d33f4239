import { styled } from 'styled-components';
import { formatExactLength, ticks } from '@temnex/core/length';
import type { Item, Page, Part } from '@temnex/core/page';
import { Quiet } from '../../design/buttons.tsx';
import { LengthField } from '../../design/LengthField.tsx';

const Where = styled.details`
  margin-top: 0.5rem;
  & > summary {
    cursor: pointer;
    font-size: var(--s1);
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.3rem 0.6rem;
  margin-top: 0.4rem;
`;
const FIELDS = [
  ['x', 'from its left', 'zero'],
  ['y', 'from its foot', 'zero'],
  ['width', 'wide', undefined],
  ['height', 'high', undefined],
] as const;

/** Artwork of a layer that must stay to be seen: by its place on the layer. What covers it is told. */
export function MustSee({ page, part, change }: { page: Page; part: Part; change: (page: Page) => void }) {
  const all = page.items.find((i) => i.id === part.item)?.mustSee ?? [];
  const put = (next: NonNullable<Item['mustSee']>) =>
    change({
      ...page,
      items: page.items.map((item): Item => {
        if (item.id !== part.item) return item;
        const { mustSee: _was, ...rest } = item;
        return next.length ? { ...rest, mustSee: next } : rest;
      }),
    });
  const own = all.flatMap((one, i) => (one.layer === part.key ? [{ one, i }] : []));
  const third = (n: number) => formatExactLength(ticks(Math.max(1, Math.round(n / 3))), page.unit);
  return (
    <Where>
      <summary>{own.length ? `Must stay to be seen: ${own.length}` : 'Something on it must stay to be seen'}</summary>
      {own.map(({ one, i }) => (
        <Row key={i} role="group" aria-label={`What must be seen ${i + 1}`}>
          {FIELDS.map(([key, shown, allow]) => (
            <LengthField
              key={key}
              label={`what must be seen ${i + 1}, ${shown}`}
              shown={shown}
              value={one[key]}
              unit={page.unit}
              {...(allow ? { options: { allow } } : {})}
              width="4.2rem"
              onCommit={(text) => put(all.with(i, { ...one, [key]: text }))}
            />
          ))}
          <Quiet onPress={() => put(all.toSpliced(i, 1))}>No more</Quiet>
        </Row>
      ))}
      <Quiet
        onPress={() =>
          put([
            ...all,
            {
              layer: part.key,
              x: third(part.width),
              y: third(part.height),
              width: third(part.width),
              height: third(part.height),
            },
          ])
        }
      >
        Say where
      </Quiet>
    </Where>
  );
}
