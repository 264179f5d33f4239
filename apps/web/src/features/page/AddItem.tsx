import { useState } from 'react';
import { styled } from 'styled-components';
import { RECIPE_IDS, recipeOf, type RecipeId } from '@temnex/core/recipes';
import { addWhereFree, type DerivedPage, type Page } from '@temnex/core/page';
import { recipeText } from '@temnex/words';
import { Quiet } from '../../design/buttons.tsx';
import { GAP_BETWEEN_ITEMS } from '../../widgets/pages/sizes.ts';
import { newId } from '../../data/newId.ts';

const Panel = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(7.2rem, 1fr));
  gap: 0.1rem 0.5rem;
  margin-top: 0.3rem;
  padding: 0.35rem 0 0.5rem 0.8rem;
  border-left: 5px solid var(--ink);
  & > button {
    justify-self: start;
    min-height: 1.7rem;
    text-align: left;
    line-height: 1.15;
  }
  @media (pointer: coarse) {
    & > button {
      min-height: 2.75rem;
    }
  }
`;

interface AddItemProps {
  page: Page;
  derived: DerivedPage;
  change: (page: Page) => void;
  select: (item: string) => void;
}

const MAX_PAGE_ITEMS = 200;

/** Every construction there is, behind one button: it comes to lie where there is room, to be changed there. An empty page shows them at once. */
export function AddItem({ page, derived, change, select }: AddItemProps) {
  const [isOpen, setOpen] = useState(page.items.length === 0);
  const add = (recipe: RecipeId) => {
    setOpen(false);
    const room = { width: derived.width, height: derived.height, seams: [] };
    const input = recipeOf(recipe).start({ unit: page.unit, mark: derived.mark, room }, newId);
    const id = newId();
    const n = page.items.filter((i) => i.recipe === recipe).length + 1;
    change(
      addWhereFree(
        page,
        derived,
        { id, name: recipeText(recipe).item(n), recipe, input },
        GAP_BETWEEN_ITEMS[page.unit],
      ),
    );
    select(id);
  };
  return (
    <div style={{ marginTop: '0.6rem' }}>
      <Quiet onPress={() => setOpen(!isOpen)} aria-expanded={isOpen} isDisabled={page.items.length >= MAX_PAGE_ITEMS}>
        {isOpen ? '−' : '+'} Put something on the page
      </Quiet>
      {isOpen ? (
        <Panel role="group" aria-label="Put on the page">
          {RECIPE_IDS.map((id) => (
            <Quiet key={id} onPress={() => add(id)} aria-label={`Add ${recipeText(id).title.toLowerCase()}`}>
              {recipeText(id).title}
            </Quiet>
          ))}
        </Panel>
      ) : null}
    </div>
  );
}
