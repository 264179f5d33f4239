import { useState } from 'react';
import { styled } from 'styled-components';
import { formatExactLength, ticks, type Mark } from '@temnex/core/length';
import { parseBoxLine, sizeOfItem, type Paper, type StockItem } from '@temnex/core/stock';
import { SCREEN, describeLineProblem, formatSize } from '@temnex/words';
import { Quiet } from '../../design/buttons.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { LineInput } from '../../design/LineInput.tsx';
import { OnTable, boxBetween, spotOf, listWholeBoxes, type Spot } from './OnTable.tsx';

const Slip = styled.div`
  display: grid;
  gap: 0.5rem;
  width: min(24rem, 100%);
  & li {
    display: flex;
    gap: 0.6rem;
    align-items: baseline;
  }
`;

const Edges = styled.fieldset`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.9rem;
  margin: 0;
  padding: 0;
  border: 0;
  & > legend {
    padding: 0 0 0.3rem;
    font-size: var(--s1);
    color: var(--quiet);
  }
`;

interface StayWholeProps {
  item: StockItem;
  paper: Paper;
  mark: Mark;
  change: (change: Pick<StockItem, 'uncut'> | Pick<StockItem, 'trim'>) => void;
}

const EDGES = ['left', 'right', 'bottom', 'top'] as const;

/** Places on a piece of paper that no cut may go through, so that a motif stays for a later page; and edges that are no good. */
export function StayWhole({ item, paper, mark, change: changeItem }: StayWholeProps) {
  const change = (uncut: NonNullable<StockItem['uncut']>) => changeItem({ uncut });
  const [tooWide, setTooWide] = useState(false);
  const spoil = (edge: (typeof EDGES)[number], text: string) => {
    const trim = { ...item.trim, [edge]: text };
    const { width, height } = sizeOfItem(item);
    const at = (e: (typeof EDGES)[number]) => spotOf([trim[e], 0], item.unit).x;
    const wide = at('left') + at('right') >= width || at('bottom') + at('top') >= height;
    setTooWide(wide);
    if (!wide) changeItem({ trim });
  };
  const lines = item.uncut ?? [];
  const text = (t: number) => (t ? formatExactLength(ticks(t), item.unit) : 0);
  const add = (from: Spot, to: Spot) => {
    const box = boxBetween(from, to);
    if (box.width && box.height)
      change([
        ...lines,
        [
          [text(from.x), text(from.y)],
          [text(to.x), text(to.y)],
        ],
      ]);
  };
  const voice = { mark, figures: 'typeset' } as const;
  return (
    <Slip role="group" aria-label="What stays whole and what is not used">
      <OnTable
        item={item}
        paper={paper}
        mark={mark}
        stretch
        label={`${paper.name}, ${item.width} by ${item.height}: drag over what is to stay whole`}
        onPoint={(from, to, done) => done && add(from, to)}
      />
      <LineInput
        label="Drag over what is to stay whole, or say two corners of it"
        example="1 x 2 to 4 1/2 x 6"
        action="Keep whole"
        understand={(said) => {
          if (!said.trim()) return null;
          const heard = parseBoxLine(said, item.unit);
          if (!heard.ok) return { ok: false, says: describeLineProblem(heard, SCREEN) };
          const box = boxBetween(spotOf(heard.from, item.unit), spotOf(heard.to, item.unit));
          return { ok: true, says: `${formatSize(box.width, box.height, voice)} stays whole` };
        }}
        onSay={(said) => {
          const heard = parseBoxLine(said, item.unit);
          if (heard.ok) change([...lines, [heard.from, heard.to]]);
          return heard.ok;
        }}
      />
      <ul aria-label="Kept whole">
        {listWholeBoxes(item).map((box, i) => (
          <li key={i}>
            <span>{formatSize(box.width, box.height, voice)} stays whole</span>
            <Quiet
              onPress={() => change(lines.filter((_, n) => n !== i))}
              aria-label={`It may be cut after all: ${formatSize(box.width, box.height, { mark, figures: 'plain' })}`}
            >
              May be cut
            </Quiet>
          </li>
        ))}
      </ul>
      {item.outline ? null : (
        <Edges>
          <legend>Not to be used, along its edges:</legend>
          {EDGES.map((edge) => (
            <LengthField
              key={edge}
              label={edge}
              value={item.trim[edge]}
              unit={item.unit}
              options={{ allow: 'zero' }}
              width="4.2rem"
              onCommit={(text) => spoil(edge, text)}
            />
          ))}
          {tooWide ? <p role="alert">That would leave nothing of it.</p> : null}
        </Edges>
      )}
    </Slip>
  );
}
