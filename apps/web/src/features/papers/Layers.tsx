import type { KeyboardEvent } from 'react';
import { GridList, GridListItem, type Selection } from 'react-aria-components';
import { styled } from 'styled-components';
import type { Mark } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import type { PieceToCut, Wish } from '@temnex/core/page';
import { formatSize } from '@temnex/words';
import { NARROW } from '../../design/global.ts';
import type { Bed, Picked, StockOf } from './bed.ts';
import { LayerRow } from './LayerRow.tsx';
import type { Spot } from './OnTable.tsx';

const List = styled(GridList)`
  border-top: 2px solid var(--ink);
  outline: none;
  & > div {
    outline: none;
    border-bottom: 1px solid var(--rule);
    cursor: default;
  }
  & > div[data-selected] {
    background: var(--sheet);
    box-shadow: inset 6px 0 0 var(--ink);
  }
  & > div[data-focus-visible] {
    outline: 3px solid var(--ink);
    outline-offset: -3px;
  }
  ${NARROW} {
    margin: 0 -0.75rem;
  }
`;

interface LayersProps {
  pieces: readonly PieceToCut[];
  cutPieces: ReadonlySet<string>;
  drawer: Drawer;
  stockOf: StockOf;
  mark: Mark;
  scale: number;
  /** Where pieces lie on the page, by their layers. */
  liesAt?: ReadonlyMap<string, Spot>;
  picked: Picked;
  onPick: (picked: Picked) => void;
  choose: (piece: PieceToCut, wish: Wish | null) => void;
  lay: (paper: string, pieces: readonly PieceToCut[], bed: Bed) => void;
  takeOff: (pieces: readonly PieceToCut[], bed: Bed) => void;
}

/** The layers that want a paper, the uppermost first, as they will be; one or several can be picked. */
export function Layers({ pieces, cutPieces, picked, onPick, choose, lay, takeOff, ...shown }: LayersProps) {
  const pick = (keys: Selection) => {
    const ids = new Set(keys === 'all' ? pieces.map((p) => p.id) : [...keys].map(String));
    onPick({ ids, bed: 'first' });
  };
  const off = (e: KeyboardEvent) => {
    // in a field, these keys are the field's
    if ((e.key !== 'Delete' && e.key !== 'Backspace') || (e.target as Element).closest('input, select')) return;
    takeOff(
      pieces.filter((p) => picked.ids.has(p.id)),
      picked.bed,
    );
  };
  return (
    <div onKeyDown={off}>
      <List
        aria-label="Layers"
        selectionMode="multiple"
        selectionBehavior="replace"
        keyboardNavigationBehavior="tab"
        selectedKeys={picked.ids}
        onSelectionChange={pick}
      >
        {pieces.map((piece) => (
          <GridListItem
            key={piece.id}
            id={piece.id}
            textValue={`${piece.name}, ${formatSize(piece.width, piece.height, { mark: shown.mark, figures: 'plain' })}`}
          >
            <LayerRow
              {...shown}
              piece={piece}
              cut={cutPieces.has(piece.id)}
              bed={picked.ids.has(piece.id) ? picked.bed : null}
              pickBed={(bed) => onPick({ ids: picked.ids.has(piece.id) ? picked.ids : new Set([piece.id]), bed })}
              choose={(wish) => choose(piece, wish)}
              lay={(paper, bed) => lay(paper, [piece], bed)}
              takeOff={(bed) => takeOff([piece], bed)}
            />
          </GridListItem>
        ))}
      </List>
    </div>
  );
}
