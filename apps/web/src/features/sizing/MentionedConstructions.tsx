import { useMemo } from 'react';
import { styled } from 'styled-components';
import type { RecipeId, LayoutContext } from '@temnex/core/recipes';
import { recipeText } from '@temnex/words';
import { LayersPicture } from '../../widgets/construction/LayersPicture.tsx';
import { startAll } from '../../widgets/construction/startAll.ts';

const List = styled.ul`
  position: absolute;
  z-index: 5;
  top: 100%;
  left: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.5rem;
  max-width: 100%;
  padding: 0.6rem;
  border: 1.5px solid var(--ink);
  background: var(--room);
  form:not(:focus-within) > & {
    display: none;
  }
`;
const One = styled.button`
  display: grid;
  justify-items: start;
  gap: 0.2rem;
  width: 10.5rem;
  height: 100%;
  padding: 0.3rem;
  border: 0;
  background: none;
  text-align: left;
  font: 400 var(--s1) / 1.25 var(--text);
  cursor: pointer;
  & > svg {
    background: var(--table);
  }
  & > b {
    font-weight: 600;
  }
  &:hover,
  &:focus-visible {
    background: var(--sheet);
  }
`;
const [WIDE, HIGH] = [158, 76];
const MAX_CONSTRUCTIONS_OFFERED = 5;

/** The constructions that a line may be about that has no numbers yet. */
export function MentionedConstructions({
  ids,
  table,
  choose,
}: {
  ids: readonly RecipeId[];
  table: LayoutContext;
  choose: (id: RecipeId) => void;
}) {
  const drawn = useMemo(() => new Map(startAll(table).map((one) => [one.id, one.laid])), [table]);
  return (
    <List aria-label="What it may be about">
      {ids.slice(0, MAX_CONSTRUCTIONS_OFFERED).map((id) => {
        const laid = drawn.get(id);
        const scale = laid ? Math.min((WIDE - 8) / laid.size.width, (HIGH - 8) / laid.size.height) : 0;
        const [width, height] = laid ? [laid.size.width * scale, laid.size.height * scale] : [0, 0];
        return (
          <li key={id}>
            <One
              type="button"
              onClick={(e) => {
                choose(id);
                // so that it does not lie over what was chosen
                e.currentTarget.blur();
              }}
            >
              <svg width={WIDE} height={HIGH} aria-hidden="true">
                {laid ? (
                  <LayersPicture laid={laid} scale={scale} x={(WIDE - width) / 2} y={(HIGH + height) / 2} thin />
                ) : null}
              </svg>
              <b>{recipeText(id).title}</b>
              {recipeText(id).asks}
            </One>
          </li>
        );
      })}
    </List>
  );
}
