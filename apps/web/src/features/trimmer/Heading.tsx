import { memo } from 'react';
import { styled } from 'styled-components';
import { NARROW } from '../../design/global.ts';
import { canSpeak } from './speech.ts';
import { Quiet, QuietLink } from '../../design/buttons.tsx';
import { TopRow } from './Frame.tsx';

interface HeadingProps {
  title: string;
  /** How it stands with the server; nothing where all is as it should be. */
  says: string;
  aloud: boolean;
  setAloud: (aloud: boolean) => void;
  keys: () => void;
  back: string;
}
/** Said, and shown where there is room. */
const Wide = styled.span`
  ${NARROW} {
    position: absolute;
    width: 1px;
    overflow: hidden;
    clip-path: inset(50%);
    white-space: nowrap;
  }
`;
/** What is cut, how it stands with the server, and the way out. */
export const Heading = memo(function Heading({ title, says, aloud, setAloud, keys, back }: HeadingProps) {
  return (
    <TopRow>
      <h1>{title}</h1>
      {says ? <span role="status">{says}</span> : null}
      {canSpeak() ? (
        <Quiet onPress={() => setAloud(!aloud)} aria-pressed={aloud}>
          {aloud ? 'Stop reading aloud' : 'Read aloud'}
        </Quiet>
      ) : null}
      <Quiet onPress={keys}>Keys</Quiet>
      <QuietLink to={back}>
        Leave<Wide>, go on later</Wide>
      </QuietLink>
    </TopRow>
  );
});
