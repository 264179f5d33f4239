import { useMemo } from 'react';
import { styled } from 'styled-components';
import { RECIPE_IDS, recipeOf, type RecipeId, type Table } from '@temnex/core';
import { recipeWords } from '@temnex/words';
import { NARROW } from '../../theme/global.ts';
import { LayersPicture } from '../../construction/LayersPicture.tsx';

const Shelf = styled.ul`
  display: flex;
  gap: 0.25rem 1.4rem;
  overflow-x: auto;
  padding: 0.2rem 1.5rem 0.5rem;
  ${NARROW} {
    padding: 0.2rem 0.75rem 0.5rem;
    gap: 0.5rem;
  }
`;
const One = styled.button`
  display: flex;
  align-items: center;
  gap: 0.6rem;
  min-height: 3.25rem;
  padding: 0.15rem 0.6rem 0.15rem 0.2rem;
  border: 0;
  border-bottom: 4px solid transparent;
  background: none;
  font: 600 var(--s2) / 1.15 var(--text);
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
  &:hover {
    background: var(--sheet);
  }
  &[aria-pressed='true'] {
    border-bottom-color: var(--cut);
    background: var(--sheet);
  }
`;
const SIZE = 46;

interface ChooserProps {
  chosen: RecipeId;
  table: Table;
  choose: (recipe: RecipeId) => void;
}

/** The constructions there are, in the order of practice, each drawn as paper at one scale. */
export function Chooser({ chosen, table, choose }: ChooserProps) {
  const drawn = useMemo(() => {
    let n = 0;
    return RECIPE_IDS.map((id) => {
      const recipe = recipeOf(id);
      const solved = recipe.solve(
        recipe.start(table, () => `c${++n}`),
        table,
      );
      return { id, laid: solved.status === 'solved' ? solved.laid : null };
    });
  }, [table]);
  const scale = SIZE / Math.max(table.room.width, table.room.height);
  return (
    <Shelf aria-label="What to work out">
      {drawn.map(({ id, laid }) => {
        const words = recipeWords(id);
        const width = (laid?.size.width ?? 0) * scale;
        const height = (laid?.size.height ?? 0) * scale;
        return (
          <li key={id}>
            <One type="button" aria-pressed={id === chosen} title={words.asks} onClick={() => choose(id)}>
              <svg width={SIZE} height={SIZE} aria-hidden="true">
                {laid ? (
                  <LayersPicture laid={laid} scale={scale} x={(SIZE - width) / 2} y={(SIZE + height) / 2} thin />
                ) : null}
              </svg>
              {words.title}
            </One>
          </li>
        );
      })}
    </Shelf>
  );
}
