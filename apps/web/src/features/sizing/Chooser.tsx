import { useMemo } from 'react';
import { styled } from 'styled-components';
import { RECIPE_IDS, type LaidOut, type RecipeId, type LayoutContext } from '@temnex/core/recipes';
import { recipeText } from '@temnex/words';
import { LayersPicture } from '../../widgets/construction/LayersPicture.tsx';
import { startAll } from '../../widgets/construction/startAll.ts';
import { Choice } from '../../design/Choice.tsx';
import { PlainLink } from '../../design/buttons.tsx';
import { NARROW } from '../../design/global.ts';

const Shelf = styled.div`
  display: flex;
  align-items: center;
  gap: 0.5rem;
  padding: 0.2rem 1.5rem 0.3rem;
  & > ul {
    flex: 1;
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(7.3rem, 1fr));
    min-width: 0;
  }
  & > a {
    flex: none;
    width: 5.6rem;
    font-size: var(--s1);
    line-height: 1.2;
  }
  & > .choose {
    display: none;
  }
  ${NARROW} {
    padding: 0.5rem 0.75rem;
    & > ul {
      display: none;
    }
    & > .choose {
      display: block;
      flex: 1;
      min-width: 0;
    }
    & select {
      width: 100%;
    }
  }
`;
const One = styled.button`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  align-items: center;
  gap: 0.45rem;
  width: 100%;
  height: 100%;
  padding: 0.15rem 0.3rem 0.1rem;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  font: 600 0.8rem / 1.05 var(--text);
  text-align: left;
  cursor: pointer;
  ${NARROW} {
    width: 7.3rem;
  }
  &:hover {
    background: var(--sheet);
  }
  &[aria-pressed='true'] {
    border-bottom-color: var(--cut);
    background: var(--sheet);
  }
`;
const SIZE = 26;

interface ChooserProps {
  chosen: RecipeId;
  table: LayoutContext;
  choose: (recipe: RecipeId) => void;
}

/** The constructions there are, in the order of practice, each drawn as paper at one scale; and the way to them as a page of pictures. */
export function Chooser({ chosen, table, choose }: ChooserProps) {
  const drawn = useMemo(() => new Map(startAll(table).map((one) => [one.id, one.laid])), [table]);
  const scale = SIZE / Math.max(table.room.width, table.room.height);
  return (
    <Shelf>
      <ul aria-label="What to work out">
        {RECIPE_IDS.map((id) => {
          const words = recipeText(id);
          return (
            <li key={id}>
              <One type="button" aria-pressed={id === chosen} title={words.asks} onClick={() => choose(id)}>
                <svg width={SIZE} height={SIZE} aria-hidden="true">
                  <Small laid={drawn.get(id) ?? null} scale={scale} />
                </svg>
                {words.title}
              </One>
            </li>
          );
        })}
      </ul>
      {/* on a phone a list that opens, instead of pictures that run off the side */}
      <div className="choose">
        <Choice
          label="What to work out"
          value={chosen}
          options={RECIPE_IDS.map((id) => ({ id, name: recipeText(id).title }))}
          onChange={choose}
        />
      </div>
      <PlainLink to="/choose">What each answers</PlainLink>
    </Shelf>
  );
}

function Small({ laid, scale }: { laid: LaidOut | null; scale: number }) {
  if (!laid) return null;
  const [width, height] = [laid.size.width * scale, laid.size.height * scale];
  return <LayersPicture laid={laid} scale={scale} x={(SIZE - width) / 2} y={(SIZE + height) / 2} thin />;
}
