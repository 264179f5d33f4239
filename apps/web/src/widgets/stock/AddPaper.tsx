import { useMemo, useState } from 'react';
import { styled } from 'styled-components';
import type { Unit } from '@temnex/core/length';
import { PATTERNS, guessFace, parseStockLine, type Drawer, type PaperFace } from '@temnex/core/stock';
import { STOCK_KIND_LABELS, SCREEN, describeOddShape, describeLineProblem } from '@temnex/words';
import { useDrawerStep, useUndoStep } from '../../data/stock/queries.ts';
import { Quiet } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { newId } from '../../data/newId.ts';
import { LineInput } from '../../design/LineInput.tsx';
import { Notice } from '../../design/states.tsx';
import { Swatch } from '../../design/Swatch.tsx';
import { ColourField } from './ColourField.tsx';
import { listPlacesIn } from './places.ts';
import { DIRECTIONS, makePlainBack } from './PaperPanel.tsx';

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

interface NewPaper {
  readonly name: string;
  readonly face: PaperFace;
  readonly back: 'none' | 'plain';
}

/** How a paper that is not known yet looks: what was guessed from its name, to be changed where it is wrong. */
function NewPaperLook({ paper, onChange }: { paper: NewPaper; onChange: (paper: NewPaper) => void }) {
  const { face, back } = paper;
  const changeFace = (change: Partial<PaperFace>) => onChange({ ...paper, face: { ...face, ...change } });
  const changeLook = (change: Partial<PaperFace['look']>) => changeFace({ look: { ...face.look, ...change } });
  return (
    <Faces>
      <legend>How {paper.name} looks; guessed from its name</legend>
      <Swatch face={face} size={44} />
      <ColourField
        label="ground"
        shown="ground"
        value={face.look.ground}
        onCommit={(ground) => changeLook({ ground })}
      />
      <ColourField label="print" shown="print" value={face.look.ink} onCommit={(ink) => changeLook({ ink })} />
      <Choice
        label="side A"
        value={face.look.pattern}
        options={PATTERNS.map((id) => ({ id, name: id }))}
        onChange={(pattern) => changeFace({ name: pattern, look: { ...face.look, pattern } })}
      />
      <Choice
        label="its direction"
        value={face.direction}
        options={DIRECTIONS}
        onChange={(direction) => changeFace({ direction })}
      />
      <Choice
        label="side B"
        value={back}
        options={[
          { id: 'none', name: 'not usable' },
          { id: 'plain', name: 'plain' },
        ]}
        onChange={(side) => onChange({ ...paper, back: side })}
      />
    </Faces>
  );
}

/** One line adds a sheet or a scrap; a paper not known yet is described where it stands. The last line comes again with ↑. */
export function AddPaper({ drawer, unit, onPutIn }: { drawer: Drawer; unit: Unit; onPutIn?: (step: string) => void }) {
  const step = useDrawerStep();
  const undo = useUndoStep();
  const [done, setDone] = useState<{ step: string; line: string; says: string } | null>(null);
  // How a new paper looks is guessed from its name until somebody says it; the next one is guessed anew.
  const [described, setDescribed] = useState<NewPaper | null>(null);
  const papers = drawer.papers.map(({ id, name }) => ({ id, name }));
  const places = useMemo(() => listPlacesIn(drawer), [drawer]);
  const paperCalled = (name: string): NewPaper =>
    described?.name === name ? described : { name, face: guessFace(name), back: 'none' };
  const understand = (text: string) => {
    if (!text.trim()) return null;
    const said = parseStockLine(text, papers, unit, places);
    if (!said.ok) return { ok: false, says: describeLineProblem(said, SCREEN) };
    if (!said.paper && !said.paperWords)
      return { ok: false, says: `A ${STOCK_KIND_LABELS[said.kind]} of ${said.width} × ${said.height}: which paper?` };
    const many = said.quantity > 1 ? `${said.quantity} × ` : '';
    return {
      ok: true,
      says: `${many}${STOCK_KIND_LABELS[said.kind]}, ${said.width} × ${said.height}${said.outline ? describeOddShape(said.outline.length) : ''}, ${said.paper ? said.paper.name : `a new paper called ${said.paperWords}`}${said.place ? `, in ${said.place}` : ''}`,
    };
  };
  const newName = (text: string): string | null => {
    const said = parseStockLine(text, papers, unit, places);
    return said.ok && !said.paper && said.paperWords ? said.paperWords : null;
  };
  const say = async (text: string): Promise<boolean> => {
    const said = parseStockLine(text, papers, unit, places);
    if (!said.ok || (!said.paper && !said.paperWords)) return false;
    const paper = said.paper?.id ?? newId();
    const { face, back } = paperCalled(said.paperWords);
    try {
      const { id } = await step.mutateAsync({
        says: 'put-in',
        ...(said.paper
          ? {}
          : {
              papers: [
                { id: paper, name: said.paperWords, sides: back === 'plain' ? [face, makePlainBack(face)] : [face] },
              ],
            }),
        put: [
          {
            id: newId(),
            paper,
            unit,
            width: said.width,
            height: said.height,
            quantity: said.quantity,
            kind: said.kind,
            ...(said.outline ? { outline: said.outline } : {}),
            ...(said.place ? { place: said.place } : {}),
          },
        ],
      });
      setDescribed(null);
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
      <LineInput
        label="Add a sheet or a scrap in one line; an odd scrap with “less 5 x 5”, or “corners 0 x 0, 9 x 0, 4 x 7”"
        example="scrap 5 1/2 x 3 teal x2"
        action="Put in"
        understand={understand}
        onSay={say}
        last={done?.line ?? null}
        more={(text) => {
          const name = newName(text);
          return name === null ? null : <NewPaperLook paper={paperCalled(name)} onChange={setDescribed} />;
        }}
      />
      {done ? (
        <Notice kind="advice">
          <span role="status">In: {done.says}.</span>
          <Quiet onPress={() => void say(done.line)} isDisabled={step.isPending}>
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
