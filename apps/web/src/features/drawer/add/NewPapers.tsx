import { styled } from 'styled-components';
import type { PaperFace } from '@temnex/core/stock';
import { formatCount } from '@temnex/words';
import { ColourField } from '../../../widgets/stock/ColourField.tsx';

const Looks = styled.ul`
  & > li {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    padding: 0.25rem 0;
  }
`;
interface NewPapersProps {
  names: readonly string[];
  /** The face that a paper of this name gets. */
  faceOf: (name: string) => PaperFace;
  say: (name: string, face: PaperFace) => void;
}

/** Papers that the rows name and the drawer does not know: they get a face in the colour of their name. */
export function NewPapers({ names, faceOf, say }: NewPapersProps) {
  if (!names.length) return null;
  return (
    <section>
      <h3>{formatCount(names.length, 'new paper')}</h3>
      <p>They get a plain face in the colour of their name; more can be said of them later.</p>
      <Looks>
        {names.slice(0, 40).map((name) => (
          <li key={name}>
            <ColourField
              label={`ground of ${name}`}
              shown=""
              value={faceOf(name).look.ground}
              onCommit={(ground) => say(name, { ...faceOf(name), look: { pattern: 'plain', ground, ink: ground } })}
            />
            <span>{name}</span>
          </li>
        ))}
      </Looks>
      {names.length > 40 ? <p>and {names.length - 40} more</p> : null}
    </section>
  );
}
