import { ticks, type Mark } from '@temnex/core/length';
import type { TrimmerStepText } from '@temnex/words';
import { Figure, SizeFigure } from '../../design/Figure.tsx';
import { StepText } from './Frame.tsx';

/** A step in words: what is to be done, what the fence is set to, what comes off and where it goes, what to mind. */
export function StepInWords({ words, mark }: { words: TrimmerStepText; mark: Mark }) {
  return (
    <StepText>
      <p className="out-of-sight" role="status">
        {words.spoken}
      </p>
      <h2>{words.head}</h2>
      {words.before.length ? (
        <ul data-says="before">
          {words.before.map((first) => (
            <li key={first}>{first}</li>
          ))}
        </ul>
      ) : null}
      <p>{words.hold}</p>
      {words.setting !== null ? (
        <p data-says="setting">
          <Figure length={ticks(words.setting)} mark={mark} bare />
        </p>
      ) : null}
      {words.size ? (
        <p data-says="size">
          <SizeFigure width={ticks(words.size.width)} height={ticks(words.size.height)} mark={mark} bare />
        </p>
      ) : null}
      {words.off ? (
        <p data-says="off">
          {words.setting === null ? null : <small>comes off</small>}
          {words.off}
          {words.goes ? <span>{words.goes}</span> : null}
        </p>
      ) : words.goes ? (
        <p>{words.goes}</p>
      ) : null}
      {words.rest ? <p data-says="rest">{words.rest}</p> : null}
      {words.notes.map((note) => (
        <p key={note}>
          <b>{note}</b>
        </p>
      ))}
      {words.cautions.map((caution) => (
        <p data-says="caution" key={caution}>
          {caution}
        </p>
      ))}
    </StepText>
  );
}
