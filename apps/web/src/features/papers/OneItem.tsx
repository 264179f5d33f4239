import { useState } from 'react';
import type { Mark } from '@temnex/core/length';
import { parseStockLine, sizeOfItem, type Paper, type StockItem } from '@temnex/core/stock';
import type { Reach } from '@temnex/core/cutting';
import type { ChangeStock } from '@temnex/contract';
import {
  STOCK_KIND_LABELS,
  SCREEN,
  describeOddShape,
  describeReach,
  describeLineProblem,
  formatSize,
} from '@temnex/words';
import type { StockMovement } from '../../data/stock/queries.ts';
import { Quiet } from '../../design/buttons.tsx';
import { LineInput } from '../../design/LineInput.tsx';
import { History } from '../../widgets/stock/History.tsx';
import { OverlappingPapers } from './OverlappingPapers.tsx';
import { spotOf } from './OnTable.tsx';
import { StayWhole } from './StayWhole.tsx';

interface OneItemProps {
  item: StockItem;
  paper: Paper;
  mark: Mark;
  scale: number;
  /** Whether it reaches for the layer that was picked; null where none was, or several. */
  reach: Reach | null;
  change: (change: ChangeStock) => void;
  move: (movement: StockMovement) => void;
  remove: () => void;
}

/** One piece of paper of the drawer, and what can be done with it. */
export function OneItem({ item, paper, mark, scale, reach, change, move, remove }: OneItemProps) {
  const [doing, setDoing] = useState<'marking' | 'sizing' | null>(null);
  const called = `${item.width} by ${item.height} ${paper.name}`;
  const toggle = (what: 'marking' | 'sizing') => setDoing(doing === what ? null : what);
  return (
    <li>
      {doing === 'marking' ? (
        <StayWhole item={item} paper={paper} mark={mark} change={change} />
      ) : (
        <OverlappingPapers
          items={[item]}
          paper={paper}
          scale={scale}
          reaches={reach && (() => reach.reaches !== false)}
        />
      )}
      <b>{formatSize(sizeOfItem(item).width, sizeOfItem(item).height, { mark, figures: 'typeset' })}</b>
      <br />
      {item.quantity > 1 ? `${item.quantity} × ` : ''}
      {STOCK_KIND_LABELS[item.kind]}
      {item.outline ? describeOddShape(item.outline.length) : ''}
      {item.uncut?.length ? `, ${item.uncut.length === 1 ? 'a place' : `${item.uncut.length} places`} kept whole` : ''}
      {describeUnused(item)}
      {item.turned ? `, lies turned ${item.turned}°` : ''}
      {item.origin ? `, kept ${item.origin.date}` : ''}
      {reach ? (
        <>
          <br />
          <span style={{ fontWeight: reach.reaches ? 600 : 400 }}>
            {describeReach(reach, { mark, figures: 'typeset' })}
          </span>
        </>
      ) : null}
      <br />
      <Quiet onPress={() => move({ why: 'added', by: 1 })} aria-label={`One more of ${called}`}>
        One more
      </Quiet>
      {item.quantity > 1 ? (
        <Quiet onPress={() => move({ why: 'taken', by: 1 })} aria-label={`One less of ${called}`}>
          One less
        </Quiet>
      ) : null}
      <Quiet
        onPress={() => change({ reserved: !item.reserved })}
        aria-label={`${item.reserved ? 'Free' : 'Hold back'} ${called}`}
      >
        {item.reserved ? 'Free it' : 'Hold back'}
      </Quiet>
      <Quiet
        onPress={() => toggle('sizing')}
        aria-expanded={doing === 'sizing'}
        aria-label={`Correct the size of ${called}`}
      >
        Its size
      </Quiet>
      <Quiet
        onPress={() => toggle('marking')}
        aria-expanded={doing === 'marking'}
        aria-label={`Mark places on ${called}`}
      >
        {doing === 'marking' ? 'That is all' : 'Mark it'}
      </Quiet>
      {paper.sides.some((f) => f.direction !== 'none') ? (
        <Quiet
          onPress={() => change({ turned: ((item.turned + 90) % 360) as StockItem['turned'] })}
          aria-label={`The pattern lies a quarter further round on ${called}`}
        >
          Pattern ↺
        </Quiet>
      ) : null}
      <Quiet onPress={remove} aria-label={`Take out ${called}`}>
        Take out
      </Quiet>
      <History item={item} paper={paper.name} />
      {doing === 'sizing' ? (
        <ItsSize
          item={item}
          change={(size) => {
            change(size);
            setDoing(null);
          }}
        />
      ) : null}
    </li>
  );
}

/** The size as it really is, said in a line: an odd one with the corner that is gone, or by its corners. */
function ItsSize({ item, change }: { item: StockItem; change: (size: ChangeStock) => void }) {
  const heard = (text: string) => {
    const said = parseStockLine(text, [], item.unit);
    return said.ok && (said.paperWords || said.quantity !== 1)
      ? ({ ok: false, problem: { code: 'stray', text: said.paperWords || `x${said.quantity}` } } as const)
      : said;
  };
  return (
    <LineInput
      label="its size, or “9 x 9 less 5 x 4”, or “corners 0 x 0, 9 x 0, 4 x 7”"
      example={`${item.width} x ${item.height}`}
      action="So it is"
      understand={(text) => {
        if (!text.trim()) return null;
        const said = heard(text);
        if (!said.ok) return { ok: false, says: describeLineProblem(said, SCREEN) };
        return {
          ok: true,
          says: `${said.width} × ${said.height}${said.outline ? describeOddShape(said.outline.length) : ''}`,
        };
      }}
      onSay={(text) => {
        const said = heard(text);
        if (!said.ok) return false;
        change({ width: said.width, height: said.height, outline: said.outline ?? null });
        return true;
      }}
    />
  );
}

/** Edges that are not to be used, in words. */
function describeUnused({ trim, unit }: StockItem): string {
  const edges = (['left', 'right', 'bottom', 'top'] as const).filter((e) => spotOf([trim[e], 0], unit).x > 0);
  return edges.length ? `, less ${edges.map((e) => `${trim[e]} ${e}`).join(', ')}` : '';
}
