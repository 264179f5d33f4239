import { useState } from 'react';
import { styled } from 'styled-components';
import {
  gapTextBetween,
  lineUpItems,
  scatterTilts,
  setSameGap,
  distributeItems,
  swapPlaces,
  tiltItem,
  type Axis,
  type DerivedPage,
  type End,
  type Page,
} from '@temnex/core/page';
import { formatCount } from '@temnex/words';
import { Quiet } from '../../design/buttons.tsx';
import { LengthField } from '../../design/LengthField.tsx';

const Panel = styled.section`
  margin-top: 0.6rem;
  padding: 0.35rem 0 0.6rem 0.8rem;
  border-left: 5px solid var(--cut);
  & > p {
    font-weight: 600;
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.1rem 0.7rem;
  margin-top: 0.3rem;
`;
const LINES: readonly { readonly axis: Axis; readonly end: End; readonly name: string }[] = [
  { axis: 'across', end: 'low', name: 'left edges' },
  { axis: 'across', end: 'middle', name: 'middles, one above the other' },
  { axis: 'across', end: 'high', name: 'right edges' },
  { axis: 'upDown', end: 'high', name: 'upper edges' },
  { axis: 'upDown', end: 'middle', name: 'middles, side by side' },
  { axis: 'upDown', end: 'low', name: 'lower edges' },
];
/** Degrees to either side that a loose look has at the most. */
const LOOSE = 4;

interface SeveralProps {
  page: Page;
  derived: DerivedPage;
  /** Items, the one that the others line up with first. */
  chosen: readonly string[];
  change: (page: Page) => void;
  leave: () => void;
}

/** What is done with several items at once. */
export function Several({ page, derived, chosen, change, leave }: SeveralProps) {
  const [seed, setSeed] = useState(1);
  const first = derived.items.get(chosen[0]!)!.item.name;
  const spread = (axis: Axis) => distributeItems(page, derived, chosen, axis);
  const spreads = { across: spread('across'), upDown: spread('upDown') };
  const gap = (axis: Axis) => gapTextBetween(page, derived, chosen, axis);
  const space = (axis: Axis, by: string) => {
    const next = setSameGap(page, derived, chosen, axis, by);
    if (next) change(next);
  };
  const tilt = chosen.some((id) => derived.items.get(id)?.item.tilt);
  return (
    <Panel aria-label="Several at once">
      <p>
        {formatCount(chosen.length, 'item')} chosen <Quiet onPress={leave}>Only {first}</Quiet>
      </p>
      <Row role="group" aria-label={`Line up with ${first}`}>
        <span>line up with {first}:</span>
        {LINES.map(({ axis, end, name }) => (
          <Quiet
            key={name}
            onPress={() => change(lineUpItems(page, derived, chosen, axis, end))}
            aria-label={`Line up ${name}`}
          >
            {name}
          </Quiet>
        ))}
      </Row>
      <Row>
        {spreads.across ? <Quiet onPress={() => change(spreads.across!)}>Spread evenly across</Quiet> : null}
        {spreads.upDown ? <Quiet onPress={() => change(spreads.upDown!)}>Spread evenly up and down</Quiet> : null}
        {chosen.length === 2 ? (
          <Quiet onPress={() => change(swapPlaces(page, derived, chosen[0]!, chosen[1]!))}>Swap them</Quiet>
        ) : null}
      </Row>
      <Row>
        <LengthField
          label="the same gap across"
          shown="gap across"
          value={gap('across')}
          unit={page.unit}
          options={{ allow: 'zero' }}
          width="4.5rem"
          onCommit={(by) => space('across', by)}
        />
        <LengthField
          label="the same gap up and down"
          shown="up and down"
          value={gap('upDown')}
          unit={page.unit}
          options={{ allow: 'zero' }}
          width="4.5rem"
          onCommit={(by) => space('upDown', by)}
        />
        <Quiet
          onPress={() => {
            change(scatterTilts(page, chosen, seed, LOOSE));
            setSeed(seed + 1);
          }}
        >
          {tilt ? 'Loose another way' : 'A little loose'}
        </Quiet>
        {tilt ? (
          <Quiet onPress={() => change(chosen.reduce((next, id) => tiltItem(next, id, 0), page))}>Straight again</Quiet>
        ) : null}
      </Row>
    </Panel>
  );
}
