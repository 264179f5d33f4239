import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { styled } from 'styled-components';
import { MARK_NAMES, type MarkName } from '@temnex/core/length';
import { recipeOf, parseRecipeLine, type RecipeId } from '@temnex/core/recipes';
import { addItem, emptyPage, startPage } from '@temnex/core/page';
import { recipeText } from '@temnex/words';
import { usePageStore } from '../../data/pages/pageStore.ts';
import { useCreatePage, usePages } from '../../data/pages/queries.ts';
import { ConstructionDrawing } from '../../widgets/construction/ConstructionDrawing.tsx';
import { FieldPanel } from '../../widgets/construction/FieldPanel.tsx';
import { MEDIUM, NARROW, UPRIGHT } from '../../design/global.ts';
import { useScrollToTop } from '../../design/useScrollToTop.ts';
import { Quiet, Strong } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { KeysSheet } from '../../design/KeysSheet.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { newId } from '../../data/newId.ts';
import { LineInput } from '../../design/LineInput.tsx';
import { Notice } from '../../design/states.tsx';
import { StationNav } from '../../design/StationNav.tsx';
import { useUndoKeys } from '../../design/useUndoKeys.ts';
import { stationsOf } from '../../widgets/pages/stations.ts';
import { Chooser } from './Chooser.tsx';
import { GoOnWith } from './GoOnWith.tsx';
import { PagesOnTable } from './PagesOnTable.tsx';
import { PaperCheck } from './PaperCheck.tsx';
import { parseFirstLine } from './parseFirstLine.tsx';
import { useAddStockLine } from './useAddStockLine.ts';
import { useSizing } from './useSizing.ts';

const Say = styled.div`
  position: relative;
  padding: 0.6rem 1.5rem 0;
  ${NARROW} {
    padding: 0.6rem 0.75rem 0;
  }
`;
const Work = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 27rem;
  min-height: 30rem;
  border-top: 1px solid var(--rule);
  ${MEDIUM} {
    grid-template-columns: minmax(0, 1fr) 23rem;
  }
  /* a tablet upright has the drawing above, as large as it is wide, and the list under it */
  ${UPRIGHT} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Slip = styled.div`
  padding: 1rem 1.5rem 1.25rem;
  ${NARROW} {
    padding: 1rem 0.75rem;
  }
`;
const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.6rem 1.1rem;
  margin-bottom: 0.9rem;
`;
const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.6rem 0.9rem;
  margin-top: 0.9rem;
`;
const Hint = styled.p`
  margin-top: 0.6rem;
  font-size: var(--s1);
  color: var(--quiet);
`;

/** The first view: one construction by itself, its numbers typed on the drawing, whichever of them is unknown worked out. */
export function SizeScreen() {
  useScrollToTop();
  const state = useSizing();
  const { made, sizing } = state;
  const pages = usePages();
  const create = useCreatePage();
  const store = usePageStore();
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [target, setTarget] = useState('new');
  const [paper, setPaper] = useState('');
  const { put, putIn } = useAddStockLine(made.table.unit);
  useEffect(() => {
    document.title = 'Work out sizes · Temnex';
  }, []);
  // what was chosen from the pictures, once
  const { state: arrived } = useLocation() as { state: { make?: RecipeId; say?: string } | null };
  const { choose } = state;
  useEffect(() => {
    if (!arrived?.make) return;
    choose(arrived.make);
    void navigate('/', { replace: true, state: null });
  }, [arrived, choose, navigate]);
  // what a scrap would still give, said as if it had been typed
  const sayIt = useEffectEvent((line: string) => void say(line));
  useEffect(() => {
    const line = arrived?.say;
    if (!line) return;
    sayIt(line);
    void navigate('/', { replace: true, state: null });
  }, [arrived, navigate]);
  useUndoKeys(state.undo, state.redo);
  const latest = pages.data?.find((p) => !p.pattern);
  const stations = useMemo(
    () =>
      latest
        ? stationsOf(latest.id, {
            papers: latest.stage !== 'sizing',
            order: !['sizing', 'papers'].includes(latest.stage),
          })
        : [{ to: '/', name: 'Work out sizes', reached: true }],
    [latest],
  );
  const { table, recipe } = made;
  const words = recipeText(recipe);
  const onward = made.solved.status === 'solved' ? recipeOf(recipe).onward(made.input, table, newId) : [];

  const say = (line: string): boolean | Promise<boolean> => {
    const sheet = parseRecipeLine(line, table, newId)?.sheet;
    if (sheet) setPaper(`${sheet.width} x ${sheet.height}`);
    return state.say(line) || putIn(line);
  };
  const putOnPage = async () => {
    setTrouble(null);
    try {
      const item = (n: number) => ({ id: newId(), name: words.item(n), recipe, input: made.input });
      if (target === 'new') {
        const { room, markName } = sizing;
        const empty = { ...emptyPage('New page', table.unit), mark: markName, ground: room };
        const page = startPage(empty, item(1), (other) => recipeText(other).item(1), newId);
        return void navigate(`/page/${(await create.mutateAsync(page)).id}`);
      }
      const put = await store.update(target, (page) =>
        page.unit === table.unit ? addItem(page, item(page.items.filter((i) => i.recipe === recipe).length + 1)) : null,
      );
      if (!put) return setTrouble('That page is in another unit. Switch the marks here to its unit first.');
      void navigate(`/page/${target}`);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'Not put on a page.');
    }
  };

  return (
    <>
      <StationNav
        stations={stations}
        aside={
          <Quiet onPress={state.undo} isDisabled={!state.canUndo}>
            Undo
          </Quiet>
        }
      />
      <KeysSheet stations={stations} />
      <main>
        <h1 className="out-of-sight">Work out sizes</h1>
        <Say>
          <LineInput
            label="Say it in one line"
            example="mat 1/8 1/4 around 4 x 6, or 5 banners 1 3/8 x 4 1/2"
            action="Take it"
            understand={(text) => parseFirstLine(text, table, state.choose)}
            onSay={say}
          />
          {put ? (
            <Notice kind={put.ok ? 'advice' : 'block'}>
              <span>{put.says}</span>
            </Notice>
          ) : null}
          <GoOnWith />
        </Say>
        <Chooser chosen={recipe} table={table} choose={state.choose} />
        <Work>
          <ConstructionDrawing made={made} label={words.title} />
          <Slip>
            <Bar>
              <LengthField
                label="Page width"
                value={sizing.room.width}
                unit={table.unit}
                onCommit={(text) => state.setRoom('width', text)}
                width="4.4rem"
              />
              <LengthField
                label="Page height"
                value={sizing.room.height}
                unit={table.unit}
                onCommit={(text) => state.setRoom('height', text)}
                width="4.4rem"
              />
              <Choice
                label="Marks"
                value={sizing.markName}
                options={MARK_NAMES.map((name) => ({ id: name, name: name.includes('mm') ? name : `${name} in` }))}
                onChange={(name: MarkName) => state.setMark(name)}
              />
            </Bar>
            <FieldPanel made={made} />
            <Hint>Empty a number to have it worked out; type over a worked-out one to give it.</Hint>
            <Foot>
              <Strong onPress={() => void putOnPage()} isDisabled={made.solved.status !== 'solved' || create.isPending}>
                Put it on a page
              </Strong>
              {pages.data?.length ? (
                <Choice
                  label="Which page"
                  value={target}
                  options={[{ id: 'new', name: 'a new page' }, ...pages.data.map((p) => ({ id: p.id, name: p.name }))]}
                  onChange={setTarget}
                />
              ) : null}
              {onward.map(({ recipe: next, input }) => (
                <Quiet key={next} onPress={() => state.replace(next as RecipeId, input)}>
                  {recipeText(next as RecipeId).title} round it
                </Quiet>
              ))}
            </Foot>
            {trouble ? (
              <Notice kind="block">
                <span>{trouble}</span>
              </Notice>
            ) : null}
            <Foot>
              <PaperCheck made={made} text={paper} setText={setPaper} />
            </Foot>
          </Slip>
        </Work>
        <PagesOnTable />
      </main>
    </>
  );
}
