import { useMemo, useState } from 'react';
import { styled } from 'styled-components';
import { PATTERNS, sayStock, type Drawer, type Look, type PaperFace, type Unit } from '@temnex/core';
import { KIND_WORDS, SCREEN, oddWords, saidWords } from '@temnex/words';
import { useDrawerStep, useUndoStep } from '../api/queries.ts';
import { Plain, Quiet } from '../ui/buttons.tsx';
import { Choice } from '../ui/Choice.tsx';
import { newId } from '../ui/newId.ts';
import { SayLine } from '../ui/SayLine.tsx';
import { Notice } from '../ui/states.tsx';
import { Swatch } from '../ui/Swatch.tsx';
import { ColourField } from './ColourField.tsx';
import { placesIn } from './places.ts';
import { DIRECTIONS, plainBack } from './PaperSlip.tsx';

const Faces = styled.fieldset`
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.5rem 0.8rem;
  margin: 0 0 0.75rem;
  padding: 0.6rem 0;
  border: 0;
  border-bottom: 1px solid var(--rule);
  & legend {
    padding: 0;
    font-size: var(--s1);
    color: var(--quiet);
  }
  &&& label {
    grid-column: auto;
    font-size: var(--s1);
    color: var(--quiet);
  }
  &&& input[type='color'] {
    width: 3rem;
    min-height: 2.25rem;
    padding: 0;
  }
`;

/** One line adds a sheet or a scrap; a paper not known yet is described where it stands. The last line comes again with ↑. */
export function AddPaper({ drawer, unit, onPutIn }: { drawer: Drawer; unit: Unit; onPutIn?: (step: string) => void }) {
  const step = useDrawerStep();
  const undo = useUndoStep();
  const [done, setDone] = useState<{ step: string; line: string; says: string } | null>(null);
  const [look, setLook] = useState<Look>({ pattern: 'plain', ground: '#c9b48a', ink: '#7a6a45' });
  const [direction, setDirection] = useState<PaperFace['direction']>('none');
  const [back, setBack] = useState<'none' | 'plain'>('none');
  const papers = drawer.papers.map(({ id, name }) => ({ id, name }));
  const places = useMemo(() => placesIn(drawer), [drawer]);
  const faceA: PaperFace = { side: 'A', name: look.pattern, direction, along: 'height', look };
  const understand = (text: string) => {
    if (!text.trim()) return null;
    const said = sayStock(text, papers, unit, places);
    if (!said.ok) return { ok: false, says: saidWords(said, SCREEN) };
    if (!said.paper && !said.paperWords)
      return { ok: false, says: `A ${KIND_WORDS[said.kind]} of ${said.width} × ${said.height}: which paper?` };
    const many = said.quantity > 1 ? `${said.quantity} × ` : '';
    return {
      ok: true,
      says: `${many}${KIND_WORDS[said.kind]}, ${said.width} × ${said.height}${said.outline ? oddWords(said.outline.length) : ''}, ${said.paper ? said.paper.name : `a new paper called ${said.paperWords}: say how it looks, and yes, below`}${said.place ? `, in ${said.place}` : ''}`,
    };
  };
  const isNew = (text: string): boolean => {
    const said = sayStock(text, papers, unit, places);
    return said.ok && !said.paper && said.paperWords !== '';
  };
  const say = async (text: string, sure: boolean): Promise<boolean> => {
    const said = sayStock(text, papers, unit, places);
    // a new paper is made once it was seen and said yes to
    if (!said.ok || (!said.paper && !sure)) return false;
    const paper = said.paper?.id ?? newId();
    try {
      const { id } = await step.mutateAsync({
        says: 'put-in',
        ...(said.paper
          ? {}
          : {
              papers: [
                { id: paper, name: said.paperWords, sides: back === 'plain' ? [faceA, plainBack(faceA)] : [faceA] },
              ],
            }),
        put: [
          {
            ...{ id: newId(), paper, unit, width: said.width, height: said.height },
            ...{ quantity: said.quantity, kind: said.kind },
            ...(said.outline ? { outline: said.outline } : {}),
            ...(said.place ? { place: said.place } : {}),
          },
        ],
      });
      setDone({ step: id, line: text, says: understand(text)!.says });
      onPutIn?.(id);
      return true;
    } catch {
      return false;
    }
  };
  const trouble = step.error ?? undo.error;
  return (
    <>
      <SayLine
        label="Add a sheet or a scrap in one line; an odd scrap with “less 5 x 5”, or “corners 0 x 0, 9 x 0, 4 x 7”"
        example="scrap 5 1/2 x 3 teal x2"
        action="Put in"
        understand={understand}
        onSay={say}
        last={done?.line ?? null}
        more={(text, yes) =>
          isNew(text) ? (
            <Faces>
              <legend>How the new paper looks</legend>
              <Swatch face={faceA} size={44} />
              {(['ground', 'ink'] as const).map((part) => (
                <ColourField
                  key={part}
                  label={part === 'ground' ? 'ground' : 'print'}
                  shown={part === 'ground' ? 'ground' : 'print'}
                  value={look[part]}
                  onCommit={(colour) => setLook({ ...look, [part]: colour })}
                />
              ))}
              <Choice
                label="side A"
                value={look.pattern}
                options={PATTERNS.map((id) => ({ id, name: id }))}
                onChange={(pattern) => setLook({ ...look, pattern })}
              />
              <Choice label="its direction" value={direction} options={DIRECTIONS} onChange={setDirection} />
              <Choice
                label="side B"
                value={back}
                options={[
                  { id: 'none', name: 'not usable' },
                  { id: 'plain', name: 'plain' },
                ]}
                onChange={setBack}
              />
              <Plain onPress={yes} isDisabled={step.isPending}>
                Yes, a new paper
              </Plain>
            </Faces>
          ) : null
        }
      />
      {done ? (
        <Notice kind="advice">
          <span role="status">In: {done.says}.</span>
          <Quiet onPress={() => void say(done.line, false)} isDisabled={step.isPending}>
            Once more
          </Quiet>
          <Quiet onPress={() => undo.mutate(done.step, { onSuccess: () => setDone(null) })} isDisabled={undo.isPending}>
            Take it out again
          </Quiet>
        </Notice>
      ) : null}
      {trouble ? (
        <Notice kind="block">
          <span>{trouble.message}</span>
        </Notice>
      ) : null}
    </>
  );
}
