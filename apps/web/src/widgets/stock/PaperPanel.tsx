import { styled } from 'styled-components';
import { PATTERNS, SCALES, coloursOf, type Paper, type PaperFace } from '@temnex/core/stock';
import type { ChangePaper } from '@temnex/contract';
import { Quiet } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { NameField } from '../../design/NameField.tsx';
import { Swatch } from '../../design/Swatch.tsx';
import { FacePicture } from './FacePicture.tsx';
import { Facts } from './PaperFacts.tsx';
import { ColourField } from './ColourField.tsx';

const Sides = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 2rem;
  padding: 0.4rem 0 0.7rem;
`;
const Side = styled.fieldset`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.4rem 0.7rem;
  min-width: 0;
  margin: 0;
  padding: 0;
  border: 0;
  & > legend {
    padding: 0 0 0.2rem;
    font-size: var(--s1);
    color: var(--quiet);
  }
`;
export const DIRECTIONS: { id: PaperFace['direction']; name: string }[] = [
  { id: 'none', name: 'no direction' },
  { id: 'two-way', name: 'two ways (stripes)' },
  { id: 'one-way', name: 'one way (has an up)' },
];

/** A second side that nobody has described: plain, in the ground of the first. */
export const makePlainBack = (front: PaperFace): PaperFace => ({
  side: front.side === 'A' ? 'B' : 'A',
  name: 'plain',
  direction: 'none',
  along: 'height',
  look: { pattern: 'plain', ground: front.look.ground, ink: front.look.ground },
});

/** What is known of a paper, without what the server counts of it. */
const known = ({ id, name, sides, weight, seeThrough, place, price, pack }: Paper): Paper => ({
  id,
  name,
  sides,
  ...(weight === undefined ? {} : { weight }),
  ...(seeThrough === undefined ? {} : { seeThrough }),
  ...(place === undefined ? {} : { place }),
  ...(price === undefined ? {} : { price }),
  ...(pack === undefined ? {} : { pack }),
});

interface PaperSlipProps {
  paper: Paper;
  change: (change: ChangePaper & { id: string }) => void;
  remove: (id: string) => void;
}

/** What a paper is: its name, how its faces look and run, and whether it has two. */
export function PaperPanel({ paper, change, remove }: PaperSlipProps) {
  const { id, name, sides: _sides, ...facts } = known(paper);
  const sides = (faces: readonly PaperFace[]) => change({ id, name, ...facts, sides: [...faces] });
  const face = (side: PaperFace['side'], part: Partial<PaperFace>) =>
    sides(paper.sides.map((f) => (f.side === side ? { ...f, ...part } : f)));
  const [front] = paper.sides;
  return (
    <>
      <NameField
        label="call it otherwise"
        value={paper.name}
        onCommit={(called) => change({ ...known(paper), name: called })}
      />
      <Sides>
        {paper.sides.map((f) => (
          <Side key={f.side}>
            <legend>
              side {f.side}, {f.name}
            </legend>
            <Swatch face={f} size={44} />
            {(['ground', 'ink'] as const).map((part) => (
              <ColourField
                key={part}
                label={`${part === 'ground' ? 'ground' : 'print'} of side ${f.side} of ${paper.name}`}
                shown={part === 'ground' ? 'ground' : 'print'}
                value={f.look[part]}
                onCommit={(colour) => face(f.side, { look: { ...f.look, [part]: colour } })}
              />
            ))}
            <Choice
              label={`print on side ${f.side} of ${paper.name}`}
              shown="shows"
              value={f.look.pattern}
              options={PATTERNS.map((id) => ({ id, name: id }))}
              onChange={(pattern) =>
                face(f.side, {
                  look: { ...f.look, pattern },
                  // called by what it showed, it is called by what it shows
                  ...(f.name === f.look.pattern ? { name: pattern } : {}),
                })
              }
            />
            <Choice
              label={`direction of side ${f.side} of ${paper.name}`}
              shown="runs"
              value={f.direction}
              options={DIRECTIONS}
              onChange={(direction) => face(f.side, { direction })}
            />
            {f.direction !== 'none' ? (
              <Choice
                label={`edge along which side ${f.side} of ${paper.name} runs`}
                shown="along its"
                value={f.along}
                options={[
                  { id: 'height', name: 'height' },
                  { id: 'width', name: 'width' },
                ]}
                onChange={(along) => face(f.side, { along })}
              />
            ) : null}
            {f.look.pattern === 'plain' || f.look.picture ? null : (
              <Choice
                label={`how large the print on side ${f.side} of ${paper.name} is`}
                shown="its print is"
                value={f.look.scale ?? 'medium'}
                options={SCALES.map((id) => ({ id, name: id }))}
                onChange={(scale) => face(f.side, { look: { ...f.look, scale } })}
              />
            )}
            <FacePicture face={f} paper={paper.name} change={(part) => face(f.side, part)} />
            <MainColours face={f} paper={paper.name} change={(colours) => face(f.side, colours)} />
            {paper.sides.length > 1 && f !== front ? (
              <Quiet
                onPress={() => sides(paper.sides.filter((s) => s !== f))}
                aria-label={`Side ${f.side} of ${paper.name} is not usable`}
              >
                Not usable
              </Quiet>
            ) : null}
          </Side>
        ))}
      </Sides>
      <Facts paper={paper} change={(more) => change({ ...known(paper), ...more })} />
      {front && paper.sides.length === 1 ? (
        <Quiet onPress={() => sides([front, makePlainBack(front)])}>Its other side can be used too</Quiet>
      ) : null}
      <Quiet onPress={() => remove(paper.id)} aria-label={`Take ${paper.name} out with all there is of it`}>
        Take this paper out
      </Quiet>
    </>
  );
}

/** So many main colours can be said of a face. */
const MAX_MAIN_COLOURS = 6;

/** The colours that a face is found by: its ground and its print, until others are said. */
function MainColours({
  face,
  paper,
  change,
}: {
  face: PaperFace;
  paper: string;
  change: (part: Pick<PaperFace, 'colours'>) => void;
}) {
  const all = coloursOf(face);
  const others = face.colours ?? [];
  return (
    <>
      {others.map((colour, i) => (
        <ColourField
          key={i}
          label={`main colour ${i + 1} of side ${face.side} of ${paper}`}
          shown={`colour ${i + 1}`}
          value={colour}
          onCommit={(to) => change({ colours: others.map((c, at) => (at === i ? to : c)) })}
        />
      ))}
      {all.length < MAX_MAIN_COLOURS ? (
        <Quiet
          onPress={() => change({ colours: [...all, all.at(-1)!] })}
          aria-label={`One more main colour of side ${face.side} of ${paper}`}
        >
          One more colour
        </Quiet>
      ) : null}
      {others.length > 1 ? (
        <Quiet
          onPress={() => change({ colours: others.slice(0, -1) })}
          aria-label={`One main colour less of side ${face.side} of ${paper}`}
        >
          One less
        </Quiet>
      ) : null}
    </>
  );
}
