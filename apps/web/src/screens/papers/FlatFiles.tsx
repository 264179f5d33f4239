import { useState } from 'react';
import { styled } from 'styled-components';
import { inUnit, sizeOfItem, type Drawer, type Mark, type Paper, type StockItem } from '@temnex/core';
import { lookDefinition, lookId } from '@temnex/drawing';
import { KIND_WORDS, oddWords, sizeWords } from '@temnex/words';
import type { ChangePaper, ChangeStock } from '@temnex/contract';
import type { StockMovement } from '../../api/queries.ts';
import { Quiet } from '../../ui/buttons.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { Swatch, directionWords, faceTurn } from '../../ui/Swatch.tsx';
import { cornersOf, spotOf, wholeBoxes } from './OnTable.tsx';
import { History } from './History.tsx';
import { StayWhole } from './StayWhole.tsx';

/** Pixels to the inch, the same for everything in the drawer, so that a glance compares. */
const SCALE = 8;
const EDGE = 26;

const Files = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15.5rem, 1fr));
  column-gap: 1.75rem;
  border-top: 2px solid var(--ink);
`;
const File = styled.li<{ $open: boolean }>`
  ${(p) => (p.$open ? 'grid-column: 1 / -1;' : '')}
  padding: 0.5rem 0 0.6rem;
  border-bottom: 1px solid var(--rule);
`;
const Head = styled.button`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.75rem;
  width: 100%;
  min-height: 2.5rem;
  padding: 0.2rem 0;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  & > b {
    font: 600 1.1rem/1.2 var(--figures);
  }
  & > span {
    color: var(--quiet);
    font-size: var(--s1);
  }
  & > span:last-child {
    margin-left: auto;
    text-decoration: underline;
    text-underline-offset: 3px;
    color: var(--ink);
    font-weight: 600;
  }
`;
const Fan = styled.ul`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 1.1rem 1.4rem;
  padding: 0.5rem 0 0.35rem;
  & > li {
    font-size: var(--s1);
    line-height: 1.3;
  }
  & > li > b {
    font: 600 1.05rem/1.2 var(--figures);
  }
`;

interface FlatFilesProps {
  drawer: Drawer;
  mark: Mark;
  change: (id: string, change: ChangeStock) => void;
  move: (id: string, movement: StockMovement) => void;
  remove: (item: StockItem) => void;
  changePaper: (change: ChangePaper & { id: string }) => void;
  removePaper: (id: string) => void;
}

/** The drawer as shallow drawers of paper, one a paper: closed, an edge of each piece shows; open, they fan out. */
export function FlatFiles({ drawer, mark, change, move, remove, changePaper, removePaper }: FlatFilesProps) {
  return (
    <Files aria-label="Papers in the drawer">
      {drawer.papers.map((paper) => (
        <OneFile
          key={paper.id}
          paper={paper}
          items={drawer.stock.filter((s) => s.paper === paper.id)}
          mark={mark}
          change={change}
          move={move}
          remove={remove}
          changePaper={changePaper}
          removePaper={removePaper}
        />
      ))}
    </Files>
  );
}

function OneFile({
  paper,
  items,
  mark,
  change,
  move,
  remove,
  changePaper,
  removePaper,
}: { paper: Paper; items: readonly StockItem[] } & Omit<FlatFilesProps, 'drawer'>) {
  const [open, setOpen] = useState(false);
  const [shown, setShown] = useState(FANNED);
  const [whole, setWhole] = useState<string | null>(null);
  const sheets = items.filter((i) => i.kind === 'sheet' || i.kind === 'pad').reduce((n, i) => n + i.quantity, 0);
  const scraps = items.reduce((n, i) => n + i.quantity, 0) - sheets;
  return (
    <File $open={open}>
      <Head type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
        {paper.sides.map((face) => (
          <Swatch key={face.side} face={face} />
        ))}
        <b>{paper.name}</b>
        <span>
          {sheets ? `${sheets} ${sheets === 1 ? 'sheet' : 'sheets'}` : ''}
          {sheets && scraps ? ', ' : ''}
          {scraps ? `${scraps} ${scraps === 1 ? 'scrap' : 'scraps'}` : ''}
          {!sheets && !scraps ? 'none left' : ''}
        </span>
        <span>{open ? 'Close' : 'Fan out'}</span>
      </Head>
      {open ? (
        <>
          <p style={{ fontSize: 'var(--s1)', color: 'var(--quiet)' }}>
            {paper.sides.map((f) => `Side ${f.side}: ${f.name}, ${directionWords(f)}`).join('. ')}.
          </p>
          <NameField
            label="call it otherwise"
            value={paper.name}
            onCommit={(name) => changePaper({ id: paper.id, name, sides: paper.sides })}
          />
          <Quiet onPress={() => removePaper(paper.id)} aria-label={`Take ${paper.name} out with all there is of it`}>
            Take this paper out
          </Quiet>
          <Fan>
            {items.slice(0, shown).map((item) => (
              <li key={item.id}>
                {whole === item.id ? (
                  <StayWhole {...{ item, paper, mark }} change={(patch) => change(item.id, patch)} />
                ) : (
                  <Lying items={[item]} paper={paper} />
                )}
                <b>{sizeWords(sizeOfItem(item).width, sizeOfItem(item).height, { mark, figures: 'typeset' })}</b>
                <br />
                {item.quantity > 1 ? `${item.quantity} × ` : ''}
                {KIND_WORDS[item.kind]}
                {item.outline ? oddWords(item.outline.length) : ''}
                {item.uncut?.length
                  ? `, ${item.uncut.length === 1 ? 'a place' : `${item.uncut.length} places`} kept whole`
                  : ''}
                {unusedWords(item)}
                {item.turned ? `, lies turned ${item.turned}°` : ''}
                {item.origin ? `, kept ${item.origin.date}` : ''}
                <br />
                <Quiet
                  onPress={() => move(item.id, { why: 'added', by: 1 })}
                  aria-label={`One more of ${item.width} by ${item.height} ${paper.name}`}
                >
                  One more
                </Quiet>
                {item.quantity > 1 ? (
                  <Quiet
                    onPress={() => move(item.id, { why: 'taken', by: 1 })}
                    aria-label={`One less of ${item.width} by ${item.height} ${paper.name}`}
                  >
                    One less
                  </Quiet>
                ) : null}
                <Quiet onPress={() => change(item.id, { reserved: !item.reserved })}>
                  {item.reserved ? 'Free it' : 'Hold back'}
                </Quiet>
                <Quiet
                  onPress={() => setWhole(whole === item.id ? null : item.id)}
                  aria-expanded={whole === item.id}
                  aria-label={`Mark places on ${item.width} by ${item.height} ${paper.name}`}
                >
                  {whole === item.id ? 'That is all' : 'Mark it'}
                </Quiet>
                {paper.sides.some((f) => f.direction !== 'none') ? (
                  <Quiet
                    onPress={() => change(item.id, { turned: ((item.turned + 90) % 360) as StockItem['turned'] })}
                    aria-label={`The pattern lies a quarter further round on ${item.width} by ${item.height} ${paper.name}`}
                  >
                    Pattern ↺
                  </Quiet>
                ) : null}
                <Quiet
                  onPress={() => remove(item)}
                  aria-label={`Take out ${item.width} by ${item.height} ${paper.name}`}
                >
                  Take out
                </Quiet>
                <History item={item} paper={paper.name} />
              </li>
            ))}
          </Fan>
          {items.length > shown ? (
            <Quiet onPress={() => setShown(shown + FANNED)}>
              Show {Math.min(FANNED, items.length - shown)} more of {items.length}
            </Quiet>
          ) : null}
        </>
      ) : (
        <Lying items={items} paper={paper} />
      )}
    </File>
  );
}

/** Edges that are not to be used, in words. */
function unusedWords({ trim, unit }: StockItem): string {
  const edges = (['left', 'right', 'bottom', 'top'] as const).filter((e) => spotOf([trim[e], 0], unit).x > 0);
  return edges.length ? `, less ${edges.map((e) => `${trim[e]} ${e}`).join(', ')}` : '';
}

const SHOWN = 16;
/** So many are fanned out at a time. */
const FANNED = 60;

/** Papers lying in a drawer, overlapped, all at one scale. */
function Lying({ items, paper }: { items: readonly StockItem[]; paper: Paper }) {
  const face = paper.sides[0]!;
  const largestFirst = [...items]
    .sort((a, b) => sizeOfItem(b).width * sizeOfItem(b).height - sizeOfItem(a).width * sizeOfItem(a).height)
    .slice(0, SHOWN);
  if (!largestFirst.length) return null;
  const px = (t: number) => inUnit(t, 'in') * SCALE;
  const sizes = largestFirst.map((i) => ({ item: i, w: px(sizeOfItem(i).width), h: px(sizeOfItem(i).height) }));
  const height = Math.max(...sizes.map((s) => s.h)) + 2;
  let x = 1;
  const placed = sizes.map((s, i) => {
    // the next one lies so that an edge of this one shows
    const at = x;
    x += i + 1 < sizes.length ? Math.max(EDGE, s.w - sizes[i + 1]!.w + EDGE) : s.w;
    return { ...s, at };
  });
  const width = Math.max(...placed.map((p) => p.at + p.w)) + 2;
  const turns = [...new Set(largestFirst.map((i) => i.turned))];
  return (
    <svg
      width={width}
      height={height}
      style={{ display: 'block', maxWidth: '100%' }}
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden="true"
    >
      <defs
        dangerouslySetInnerHTML={{
          __html: turns.map((t) => lookDefinition(face.look, faceTurn(face, t), SCALE * 1.6)).join(''),
        }}
      />
      {placed.map(({ item, at, w, h }) => (
        <g key={item.id}>
          <polygon
            points={cornersOf(item)
              .map((p) => `${at + px(p.x)},${height - 1 - px(p.y)}`)
              .join(' ')}
            fill={`url(#${lookId(face.look, faceTurn(face, item.turned), SCALE * 1.6)})`}
            stroke="#161616"
            strokeWidth="0.8"
          />
          {wholeBoxes(item).map((b, i) => (
            <rect
              key={i}
              x={at + px(b.x)}
              y={height - 1 - px(b.y + b.height)}
              width={px(b.width)}
              height={px(b.height)}
              fill="#fbfbfa80"
              stroke="#161616"
              strokeDasharray="2 2"
            />
          ))}
          {item.reserved ? (
            <path
              d={`M${at} ${height - 1 - h}l${w} ${h}M${at + w} ${height - 1 - h}l${-w} ${h}`}
              stroke="#161616"
              strokeWidth="1"
            />
          ) : null}
          {item.quantity > 1 ? (
            <text
              x={at + 4}
              y={height - 6}
              fontFamily="var(--figures)"
              fontWeight="600"
              fontSize="12"
              fill="#161616"
              stroke="#fafafa"
              strokeWidth="3"
              paintOrder="stroke"
            >
              {item.quantity}
            </text>
          ) : null}
        </g>
      ))}
    </svg>
  );
}
