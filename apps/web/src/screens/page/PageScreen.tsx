import { useEffect, useRef, useState } from 'react';
import { styled } from 'styled-components';
import { addPanel, addPhoto, derivePage, removePart, takeOffer, type Page, type PageProblem } from '@temnex/core';
import { pageProblemWords, sizeWords, suggestionWords } from '@temnex/words';
import { MEDIUM, NARROW } from '../../theme/global.ts';
import { Block } from '../../ui/Block.tsx';
import { Plain, Quiet, StrongLink } from '../../ui/buttons.tsx';
import { SizeFigure } from '../../ui/Figure.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { newId } from '../../ui/newId.ts';
import { Notice } from '../../ui/states.tsx';
import { Moves } from './Moves.tsx';
import { PagePicture, pageScale } from './PagePicture.tsx';
import { usePageContext } from './PageStation.tsx';
import { PartSlip } from './PartSlip.tsx';
import { Stack } from './Stack.tsx';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 25rem;
  ${MEDIUM} {
    grid-template-columns: minmax(0, 1fr) 21rem;
  }
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Table = styled.div`
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 0.25rem;
  padding: 0.75rem 0.75rem 1rem;
  background: var(--table);
  min-width: 0;
  overflow: clip;
`;
const Slip = styled.div`
  padding: 0.9rem 1.5rem 2rem;
  min-width: 0;
  ${NARROW} {
    padding: 1rem 0.75rem;
  }
`;
const Parts = styled.ol`
  display: flex;
  flex-direction: column-reverse;
  margin-top: 0.3rem;
  & button {
    display: flex;
    width: 100%;
    justify-content: space-between;
    gap: 1rem;
    padding: 0.22rem 0.4rem;
    border: 0;
    border-left: 4px solid transparent;
    background: none;
    text-align: left;
    cursor: pointer;
  }
  & button:hover {
    background: var(--sheet);
  }
  & button[aria-pressed='true'] {
    border-left-color: var(--ink);
    background: var(--sheet);
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  margin-top: 0.75rem;
`;

/** Ways out of a part that cannot be: the nearest size that works, or without it. */
function mends(page: Page, { where, offers }: PageProblem): { words: string; page: Page }[] {
  const layer = [...page.panels, ...page.photos.flatMap((p) => p.mats)].find((l) => l.id === where);
  const outward = offers.filter((o) => !o.field.startsWith('print'));
  // one size that mends both ways at once
  const grown = outward.reduce((doc, o) => takeOffer(doc, where, o.field, o.value), page);
  const after = derivePage(grown).parts.find((p) => p.id === where);
  const mark = derivePage(page).mark;
  return [
    ...(layer && after && grown !== page
      ? [
          {
            words: `Make ${layer.name} ${sizeWords(after.width, after.height, { mark, figures: 'typeset' })}`,
            page: grown,
          },
        ]
      : []),
    ...(layer ? [{ words: `Remove ${layer.name}`, page: removePart(page, layer.id) }] : []),
  ];
}

/** The page and its parts: from above to scale, from the side as a stack, and as a list with every number. */
export function PageScreen() {
  const { editor, derived, drawer, cutParts, id } = usePageContext();
  const { page, change, moves } = editor;
  const [wanted, setSelected] = useState<string | null>(null);
  const part =
    derived.parts.find((p) => p.id === wanted) ?? derived.parts.find((p) => p.kind === 'print') ?? derived.parts[0];
  const table = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 760, height: 560 });
  useEffect(() => {
    const fit = () => {
      const width = table.current?.clientWidth ?? 760;
      setRoom({ width: width - 24, height: Math.max(320, Math.min(window.innerHeight - 240, width)) });
    };
    fit();
    const watch = new ResizeObserver(fit);
    watch.observe(table.current!);
    window.addEventListener('resize', fit);
    return () => {
      watch.disconnect();
      window.removeEventListener('resize', fit);
    };
  }, []);
  const scale = pageScale(derived, room.width, room.height);
  const voice = { mark: derived.mark, figures: 'typeset' } as const;
  const nameOf = (partId: string) =>
    derived.parts.find((p) => p.id === partId)?.name ??
    [...page.panels, ...page.photos.flatMap((p) => p.mats)].find((l) => l.id === partId)?.name;
  const add = (make: typeof addPhoto) => {
    const made = newId();
    change(make(page, made));
    setSelected(made);
  };
  const advice = derived.suggestions.filter(
    (s) => s.suggestion.code !== 'off-mark' && s.suggestion.code !== 'gave-way',
  );
  return (
    <Work>
      <Table ref={table}>
        {derived.parts.length ? (
          <>
            <PagePicture
              derived={derived}
              drawer={drawer}
              scale={scale}
              selected={part?.id ?? null}
              onSelect={setSelected}
            />
            <Stack
              derived={derived}
              drawer={drawer}
              scale={scale}
              selected={part?.id ?? null}
              cutParts={cutParts}
              onSelect={setSelected}
            />
          </>
        ) : null}
      </Table>
      <Slip>
        <h1 className="out-of-sight">{page.name}</h1>
        <NameField label="Page" value={page.name} onCommit={(name) => change({ ...page, name })} />
        <Row>
          <Plain onPress={() => add(addPhoto)} isDisabled={page.photos.length >= 40}>
            Add a photo
          </Plain>
          <Plain onPress={() => add(addPanel)} isDisabled={page.panels.length >= 12}>
            Add a panel
          </Plain>
        </Row>
        {derived.problems.length ? (
          <Block>
            {derived.problems.map((p, i) => (
              <Notice key={i} kind="block">
                <span>
                  <b>{nameOf(p.where) ?? 'Page'}:</b> {pageProblemWords(p, voice, () => nameOf(p.where))}
                </span>
                {mends(page, p).map((m) => (
                  <Quiet key={m.words} onPress={() => change(m.page)}>
                    {m.words}
                  </Quiet>
                ))}
                {editor.canUndo ? <Quiet onPress={editor.undo}>Undo</Quiet> : null}
              </Notice>
            ))}
          </Block>
        ) : null}
        {part ? (
          <Block aria-label="Selected part">
            <PartSlip page={page} derived={derived} part={part} change={change} select={setSelected} />
          </Block>
        ) : null}
        {advice.length ? (
          <Block aria-label="Advice">
            {advice.map((s, i) => (
              <Notice key={i} kind="advice">
                <span>
                  <b>{nameOf(s.where)}:</b> {suggestionWords(s.suggestion, voice, () => nameOf(s.where))}
                </span>
              </Notice>
            ))}
          </Block>
        ) : null}
        <Block>
          <h3>What moved</h3>
          <Moves moves={moves} mark={derived.mark} />
        </Block>
        <Block>
          <h3>All parts, from the top down</h3>
          <Parts>
            {derived.parts.map((p) => (
              <li key={p.id}>
                <button type="button" aria-pressed={p.id === part?.id} onClick={() => setSelected(p.id)}>
                  <span>
                    {p.name}
                    {cutParts.has(p.id) ? ' (cut)' : ''}
                  </span>
                  <SizeFigure width={p.width} height={p.height} mark={derived.mark} bare />
                </button>
              </li>
            ))}
          </Parts>
        </Block>
        <Row>
          <StrongLink to={`/page/${id}/papers`}>Choose papers</StrongLink>
        </Row>
      </Slip>
    </Work>
  );
}
