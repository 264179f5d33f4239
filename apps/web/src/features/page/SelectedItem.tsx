import { styled } from 'styled-components';
import {
  findRowNeighbours,
  movePart,
  removeItem,
  renamePart,
  spaceEvenly,
  type Axis,
  type DerivedPage,
  type Part,
} from '@temnex/core/page';
import type { Voice } from '@temnex/words';
import type { PageFacts } from '../../data/pages/context.ts';
import { Quiet } from '../../design/buttons.tsx';
import { NameField } from '../../design/NameField.tsx';
import { Tick } from '../../design/Tick.tsx';
import { layerHandOf, type ConstructionEditor } from '../../widgets/construction/constructionEditor.ts';
import { FieldPanel } from '../../widgets/construction/FieldPanel.tsx';
import { Follows } from './Follows.tsx';
import { MustSee } from './MustSee.tsx';
import { PaperWindow } from './PaperWindow.tsx';
import { PhotoOfPart } from './PhotoOfPart.tsx';
import { PlaceFields } from './PlaceFields.tsx';

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  margin-top: 0.75rem;
`;

interface SelectedItemProps {
  item: DerivedPage['items'] extends ReadonlyMap<string, infer Own> ? Own : never;
  /** Which of its parts is selected; null where none of them is known yet. */
  part: Part | null;
  made: ConstructionEditor;
  context: Pick<PageFacts, 'editor' | 'derived' | 'drawer' | 'settled'>;
  voice: Voice;
  /** Whether the fields for its place are open. */
  placing: boolean;
  setPlacing: (open: boolean) => void;
  /** Whether its layers are pressed and dragged over, and not the item moved. */
  handling: boolean;
  setHandling: (on: boolean) => void;
  /** It is removed. */
  leave: () => void;
}

/** All that can be said of the item that is selected, and what can be done with it. */
export function SelectedItem({
  item,
  part,
  made,
  context,
  voice,
  placing,
  setPlacing,
  handling,
  setHandling,
  leave,
}: SelectedItemProps) {
  const { editor, derived, drawer, settled } = context;
  const { page, change } = editor;
  const spaced = (axis: Axis) => {
    if (findRowNeighbours(derived, item.item.id, axis).length > 1)
      return spaceEvenly(page, derived, item.item.id, axis);
    return null;
  };
  const rows = { across: spaced('across'), upDown: spaced('upDown') };
  return (
    <>
      {part ? (
        <NameField
          label={part.entry ? 'Layer' : 'Name'}
          value={part.entry ? part.name : item.item.name}
          onCommit={(name) => change(renamePart(page, part, name))}
        />
      ) : null}
      <FieldPanel made={made} only={part ? (part.entry ? part.group : 'unlisted') : null} />
      {part && !part.piece && part.role === 'print' ? (
        <PhotoOfPart key={part.id} page={page} derived={derived} part={part} change={change} />
      ) : null}
      {part?.piece && part.wish && part.shape ? (
        <PaperWindow key={part.id} part={part} drawer={drawer} settled={settled} voice={voice} />
      ) : null}
      {part?.piece ? <MustSee page={page} part={part} change={change} /> : null}
      <PlaceFields page={page} derived={derived} item={item.item} change={change} open={placing} setOpen={setPlacing} />
      <Follows key={item.item.id} page={page} derived={derived} here={item} change={change} />
      {layerHandOf(made) ? (
        <Row>
          <Tick checked={handling} onChange={() => setHandling(!handling)}>
            Work on its parts by hand
          </Tick>
        </Row>
      ) : null}
      <Row>
        {rows.across ? <Quiet onPress={() => change(rows.across!)}>Space evenly across</Quiet> : null}
        {rows.upDown ? <Quiet onPress={() => change(rows.upDown!)}>Space evenly up and down</Quiet> : null}
        {part ? (
          <>
            <Quiet onPress={() => change(movePart(page, derived, { ...part, entry: null }, 1))}>
              Higher on the page
            </Quiet>
            <Quiet onPress={() => change(movePart(page, derived, { ...part, entry: null }, -1))}>Lower</Quiet>
          </>
        ) : null}
        <Quiet
          onPress={() => {
            change(removeItem(page, derived, item.item.id));
            leave();
          }}
        >
          Remove {item.item.name}
        </Quiet>
      </Row>
    </>
  );
}
