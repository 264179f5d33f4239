import { styled } from 'styled-components';
import { exactText, sayBox, ticks, type Mark, type Paper, type StockItem } from '@temnex/core';
import { SCREEN, saidWords, sizeWords } from '@temnex/words';
import { Quiet } from '../../ui/buttons.tsx';
import { SayLine } from '../../ui/SayLine.tsx';
import { OnTable, boxBetween, spotOf, wholeBoxes, type Spot } from './OnTable.tsx';

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

interface StayWholeProps {
  item: StockItem;
  paper: Paper;
  mark: Mark;
  change: (uncut: NonNullable<StockItem['uncut']>) => void;
}

/** Places on a piece of paper that no cut may go through, so that a motif stays for a later page. */
export function StayWhole({ item, paper, mark, change }: StayWholeProps) {
  const lines = item.uncut ?? [];
  const text = (t: number) => (t ? exactText(ticks(t), item.unit) : 0);
  const add = (from: Spot, to: Spot) => {
    const box = boxBetween(from, to);
    if (box.width && box.height)
      change([...lines, [[text(from.x), text(from.y)], [text(to.x), text(to.y)]]]); // prettier-ignore
  };
  const voice = { mark, figures: 'typeset' } as const;
  return (
    <Slip role="group" aria-label="What stays whole">
      <OnTable
        {...{ item, paper, mark }}
        stretch
        label={`${paper.name}, ${item.width} by ${item.height}: drag over what is to stay whole`}
        onPoint={(from, to, done) => done && add(from, to)}
      />
      <SayLine
        label="Drag over what is to stay whole, or say two corners of it"
        example="1 x 2 to 4 1/2 x 6"
        action="Keep whole"
        understand={(said) => {
          if (!said.trim()) return null;
          const heard = sayBox(said, item.unit);
          if (!heard.ok) return { ok: false, says: saidWords(heard, SCREEN) };
          const box = boxBetween(spotOf(heard.from, item.unit), spotOf(heard.to, item.unit));
          return { ok: true, says: `${sizeWords(box.width, box.height, voice)} stays whole` };
        }}
        onSay={(said) => {
          const heard = sayBox(said, item.unit);
          if (heard.ok) change([...lines, [heard.from, heard.to]]);
          return heard.ok;
        }}
      />
      <ul aria-label="Kept whole">
        {wholeBoxes(item).map((box, i) => (
          <li key={i}>
            <span>{sizeWords(box.width, box.height, voice)} stays whole</span>
            <Quiet
              onPress={() => change(lines.filter((_, n) => n !== i))}
              aria-label={`It may be cut after all: ${sizeWords(box.width, box.height, { mark, figures: 'plain' })}`}
            >
              May be cut
            </Quiet>
          </li>
        ))}
      </ul>
    </Slip>
  );
}
