import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useNavigate } from 'react-router';
import { styled } from 'styled-components';
import { MARKS, lengthOf } from '@temnex/core/length';
import type { RecipeId, LayoutContext } from '@temnex/core/recipes';
import { suggestConstructions, recipeText } from '@temnex/words';
import { LayersPicture } from '../../widgets/construction/LayersPicture.tsx';
import { startAll, type StartedConstruction } from '../../widgets/construction/startAll.ts';
import { NARROW } from '../../design/global.ts';
import { KeysSheet } from '../../design/KeysSheet.tsx';
import { Empty } from '../../design/states.tsx';
import { StationNav } from '../../design/StationNav.tsx';

const Find = styled.label`
  display: grid;
  gap: 0.2rem;
  max-width: 34rem;
  padding: 0.9rem 1.5rem 0.6rem;
  & > span {
    font: 600 var(--s3) / 1.2 var(--figures);
  }
  & > input {
    min-height: 2.75rem;
    padding: 0.2rem 0.8rem;
    border: 1.5px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 400 1.15rem/1.2 var(--text);
  }
  ${NARROW} {
    padding: 0.9rem 0.75rem 0.6rem;
  }
`;
/** Pictures lie on the table, so that light paper shows; rules between them, as on a cutting mat. */
const Wall = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11.5rem, 1fr));
  margin: 0 1.5rem 1.5rem;
  border-top: 2px solid var(--ink);
  & > li {
    border-bottom: 1px solid var(--rule);
  }
  ${NARROW} {
    grid-template-columns: repeat(2, minmax(0, 1fr));
    margin: 0 0.75rem 1rem;
  }
`;
const One = styled.button`
  display: grid;
  grid-template-rows: auto auto 1fr;
  justify-items: start;
  gap: 0.15rem;
  width: 100%;
  height: 100%;
  padding: 0 0.8rem 0.9rem 0;
  border: 0;
  background: none;
  text-align: left;
  font: 400 var(--s1) / 1.3 var(--text);
  cursor: pointer;
  & > svg {
    width: 100%;
    height: auto;
    background: var(--table);
  }
  & > b {
    margin-top: 0.4rem;
    font: 600 1.2rem/1.15 var(--figures);
  }
  &:hover > b,
  &:focus-visible > b {
    text-decoration: underline;
    text-decoration-thickness: 2px;
    text-underline-offset: 3px;
  }
`;
const [WIDE, HIGH, PAGE] = [216, 176, 150];

/** On a page of the usual size, whatever page one is at. */
const TABLE: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: lengthOf('12', 'in'), height: lengthOf('12', 'in'), seams: [] },
};

/** Every construction as paper on one page, at one scale, with what one can ask of it; found by typing too. */
export function ChooseScreen() {
  const [said, setSaid] = useState('');
  const navigate = useNavigate();
  const wall = useRef<HTMLUListElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const drawn = useMemo(() => new Map(startAll(TABLE).map((one) => [one.id, one])), []);
  const found = suggestConstructions(said);
  useEffect(() => {
    document.title = 'Choose a construction · Temnex';
  }, []);
  const choose = (make: RecipeId) => void navigate('/', { state: { make } });

  /** The arrows go from picture to picture; up and down to the one that lies nearest there. */
  const onKeyDown = (e: KeyboardEvent) => {
    // what is typed over the pictures is looked for
    const letter = e.key.length === 1 && e.key !== ' ' && e.key !== '/' && e.key !== '?' && !/\d/.test(e.key);
    if (letter && !e.ctrlKey && !e.metaKey && !e.altKey && e.target instanceof HTMLButtonElement)
      field.current?.focus();
    const pictures = [...(wall.current?.querySelectorAll('button') ?? [])];
    const at = pictures.indexOf(document.activeElement as HTMLButtonElement);
    const here = pictures[at]?.getBoundingClientRect();
    const step = { ArrowRight: 1, ArrowLeft: -1 }[e.key];
    let next: HTMLButtonElement | undefined;
    if (e.key === 'ArrowDown' && at < 0) next = pictures[0];
    else if (step && at >= 0) next = pictures[at + step];
    else if (here && (e.key === 'ArrowDown' || e.key === 'ArrowUp')) {
      const down = e.key === 'ArrowDown';
      const beyond = pictures.filter((p) => {
        const { top } = p.getBoundingClientRect();
        return down ? top > here.top + 1 : top < here.top - 1;
      });
      const far = (p: HTMLElement) => {
        const { left, top } = p.getBoundingClientRect();
        return Math.abs(top - here.top) * 10 + Math.abs(left - here.left);
      };
      next = beyond.sort((a, b) => far(a) - far(b))[0];
    }
    if (!next) return;
    e.preventDefault();
    next.focus();
  };

  return (
    <>
      <StationNav stations={STATIONS} />
      <KeysSheet stations={STATIONS} />
      <main onKeyDown={onKeyDown}>
        <h1 className="out-of-sight">Choose a construction</h1>
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (found[0]) choose(found[0]);
          }}
        >
          <Find>
            <span>What do you want to make?</span>
            <input
              ref={field}
              autoFocus
              value={said}
              onChange={(e) => setSaid(e.target.value)}
              placeholder="such as a row of banners, a frame, something for the whole page"
              autoComplete="off"
              spellCheck={false}
              data-say-line
            />
          </Find>
        </form>
        <p className="out-of-sight" aria-live="polite">
          {said ? `${found.length} found` : ''}
        </p>
        {found.length ? (
          <Wall ref={wall} aria-label="Constructions">
            {found.map((id) => (
              <li key={id}>
                <One type="button" onClick={() => choose(id)}>
                  <Picture started={drawn.get(id)!} />
                  <b>{recipeText(id).title}</b>
                  <span>{recipeText(id).asks}</span>
                </One>
              </li>
            ))}
          </Wall>
        ) : (
          <Empty title="None of these is called that">
            <p>Try what it looks like: a frame, a band, strips, a mat.</p>
          </Empty>
        )}
      </main>
    </>
  );
}

const STATIONS = [{ to: '/', name: 'Work out sizes', reached: true }];

/** On the page it would lie on, drawn as a faint outline, so that all are seen at one scale. */
function Picture({ started: { laid } }: { started: StartedConstruction }) {
  const scale = PAGE / TABLE.room.width;
  const [left, top] = [(WIDE - PAGE) / 2, (HIGH - PAGE) / 2];
  const [width, height] = laid ? [laid.size.width * scale, laid.size.height * scale] : [0, 0];
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} aria-hidden="true">
      <rect x={left} y={top} width={PAGE} height={PAGE} fill="none" stroke="var(--rule)" strokeDasharray="2 4" />
      {laid ? <LayersPicture laid={laid} scale={scale} x={(WIDE - width) / 2} y={(HIGH + height) / 2} thin /> : null}
    </svg>
  );
}
