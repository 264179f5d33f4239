import { styled } from 'styled-components';
import {
  RECIPE_IDS,
  addItem,
  derivePage,
  freeSpot,
  lengthOf,
  moveTo,
  recipeOf,
  type DerivedPage,
  type Page,
  type RecipeId,
} from '@temnex/core';
import { recipeWords } from '@temnex/words';
import { Quiet } from '../../ui/buttons.tsx';
import { newId } from '../../ui/newId.ts';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.5rem;
  margin-top: 0.6rem;
`;

interface AddItemProps {
  page: Page;
  derived: DerivedPage;
  change: (page: Page) => void;
  select: (item: string) => void;
}

const MOST = 200;
/** Left between what is new and what lies beside it. */
const GAP = { in: lengthOf('1/4 in'), mm: lengthOf('6 mm') } as const;

/** A button for every construction there is: it comes to lie where there is room, to be changed there. */
export function AddItem({ page, derived, change, select }: AddItemProps) {
  const add = (recipe: RecipeId) => {
    const room = { width: derived.width, height: derived.height, seams: [] };
    const input = recipeOf(recipe).start({ unit: page.unit, mark: derived.mark, room }, newId);
    const id = newId();
    const n = page.items.filter((i) => i.recipe === recipe).length + 1;
    const added = addItem(page, { id, name: recipeWords(recipe).item(n), recipe, input });
    const after = derivePage(added, undefined, derived);
    const size = recipeOf(recipe).beneath === null ? after.items.get(id)?.box : undefined;
    const spot = size ? freeSpot(derived, size, GAP[page.unit]) : null;
    change(spot ? moveTo(added, after, id, spot) : added);
    select(id);
  };
  return (
    <Row role="group" aria-label="Put on the page">
      {RECIPE_IDS.map((id) => (
        <Quiet
          key={id}
          onPress={() => add(id)}
          isDisabled={page.items.length >= MOST}
          aria-label={`Add ${recipeWords(id).title.toLowerCase()}`}
        >
          + {recipeWords(id).title}
        </Quiet>
      ))}
    </Row>
  );
}
