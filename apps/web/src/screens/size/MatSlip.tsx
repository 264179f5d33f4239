import { styled } from 'styled-components';
import { exactText, matName, type Reveal } from '@temnex/core';
import { fullFigure, recipeProblemWords, suggestionWords, sumWords } from '@temnex/words';
import { Quiet } from '../../ui/buttons.tsx';
import { SizeFigure } from '../../ui/Figure.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Notice } from '../../ui/states.tsx';
import type { MatSizing } from './useMatSizing.ts';

const Rows = styled.ol`
  display: grid;
`;
const Row = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 1rem;
  padding: 0.5rem 0 0.6rem;
  border-top: 1px solid var(--rule);
  &:first-child {
    border-top: 2px solid var(--ink);
  }
`;
const Given = styled.div`
  & > span {
    color: var(--quiet);
  }
`;
const Found = styled.div`
  text-align: right;
  & > b {
    font-weight: 400;
    font-size: 1.85rem;
    line-height: 1.15;
  }
`;
const Sums = styled.p`
  font-size: var(--s1);
  line-height: 1.35;
  font-variant-numeric: tabular-nums;
  color: var(--quiet);
`;
const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.4rem 0.7rem;
`;

/** The same values as the drawing, as a list from the outermost mat to the print. */
export function MatSlip({ sizing }: { sizing: MatSizing }) {
  const { answer, input, unit, mark, solved, unknown } = sizing;
  const voice = { mark, figures: 'typeset' } as const;
  const levels = answer?.answer.levels ?? [];
  return (
    <>
      {solved.status === 'refused' ? (
        <div style={{ display: 'grid', gap: '0.5rem', marginBottom: '1rem' }}>
          {solved.problems.map((p, i) => (
            <Notice key={i} kind="block">
              <span>{recipeProblemWords(p, voice)}</span>
            </Notice>
          ))}
          {solved.offers.map((o) => (
            <Quiet key={o.field} onPress={() => takeOffer(sizing, o.field, exactText(o.value, unit))}>
              {o.field.startsWith('print')
                ? `Trim the print's ${o.field.split('.')[1]} to`
                : `Make the ${o.field.split('.')[1]} of ${o.field.split('.')[0]!.replace('mat', 'mat ')} at least`}{' '}
              {fullFigure(o.value, voice)}
            </Quiet>
          ))}
        </div>
      ) : null}
      <Rows aria-label="Sizes" style={solved.status === 'refused' ? { opacity: 0.45 } : undefined}>
        {[...input.mats.keys()].reverse().map((i) => {
          const level = levels[i + 1];
          const sums = (['width', 'height'] as const).flatMap((axis) =>
            answer?.sums[`${matName(i)}.${axis}`] && level
              ? [sumWords(answer.sums[`${matName(i)}.${axis}`]!, level[axis], voice)]
              : [],
          );
          return (
            <Row key={i}>
              <Given>
                <span>mat {i + 1}</span>
                <MatFields sizing={sizing} index={i} />
              </Given>
              <Found>
                <b>{level ? <SizeFigure width={level.width} height={level.height} mark={mark} /> : '–'}</b>
                {sums.map((s) => (
                  <Sums key={s}>{s}</Sums>
                ))}
              </Found>
            </Row>
          );
        })}
        <Row>
          <Given>
            <span>print</span>
            {unknown === 'print' ? null : (
              <Fields>
                <LengthField
                  label="width"
                  value={input.print.width}
                  unit={unit}
                  onCommit={(t) => sizing.setPrint('width', t)}
                  width="4.6rem"
                />
                <LengthField
                  label="height"
                  value={input.print.height}
                  unit={unit}
                  onCommit={(t) => sizing.setPrint('height', t)}
                  width="4.6rem"
                />
              </Fields>
            )}
          </Given>
          <Found>
            <b>{levels[0] ? <SizeFigure width={levels[0].width} height={levels[0].height} mark={mark} /> : '–'}</b>
            {(['width', 'height'] as const).map((axis) => {
              const sum = answer?.sums[`print.${axis}`];
              return sum ? <Sums key={axis}>{sumWords(sum, levels[0]![axis], voice)}</Sums> : null;
            })}
          </Found>
        </Row>
      </Rows>
      {solved.status === 'solved' && solved.suggestions.filter((s) => s.code !== 'off-mark').length ? (
        <div style={{ display: 'grid', gap: '0.5rem', margin: '0.75rem 0' }}>
          {solved.suggestions
            .filter((s) => s.code !== 'off-mark')
            .map((s, i) => (
              <Notice key={i} kind="advice">
                <span>{suggestionWords(s, voice)}</span>
              </Notice>
            ))}
        </div>
      ) : null}
    </>
  );
}

const EDGES = ['left', 'right', 'top', 'bottom'] as const;

function MatFields({ sizing, index }: { sizing: MatSizing; index: number }) {
  const { input, unit, unknown, answer } = sizing;
  const mat = input.mats[index]!;
  const level = answer?.answer.levels[index + 1];
  const sizeGiven = mat.width !== undefined;
  const reveal = mat.reveal;
  const four = reveal?.length === 4;
  const set = (at: number, text: string) => {
    const all: [string, string, string, string] =
      reveal?.length === 4 ? (reveal.map(String) as [string, string, string, string]) : ['', '', '', ''];
    all[at] = text;
    sizing.setReveal(index, all);
  };
  return (
    <Fields>
      {sizeGiven ? (
        <>
          <LengthField
            label="width"
            value={mat.width}
            unit={unit}
            onCommit={(t) => sizing.setSize(index, 'width', t)}
          />
          <LengthField
            label="height"
            value={mat.height}
            unit={unit}
            onCommit={(t) => sizing.setSize(index, 'height', t)}
          />
        </>
      ) : null}
      {four
        ? EDGES.map((edge, at) => (
            <LengthField
              key={edge}
              label={edge}
              value={reveal[at]}
              unit={unit}
              onCommit={(t) => set(at, t)}
              width="4rem"
            />
          ))
        : null}
      {reveal && !four ? (
        <LengthField
          label={reveal.length === 2 ? 'left and right' : 'reveal'}
          value={reveal[0]}
          unit={unit}
          onCommit={(t) => sizing.setReveal(index, reveal.length === 2 ? [t, reveal[1]] : [t])}
          width="4.5rem"
        />
      ) : null}
      {reveal?.length === 2 ? (
        <LengthField
          label="top and bottom"
          value={reveal[1]}
          unit={unit}
          onCommit={(t) => sizing.setReveal(index, [reveal[0], t])}
          width="4.5rem"
        />
      ) : null}
      {reveal ? (
        <Quiet onPress={() => sizing.setReveal(index, four ? [reveal[0]] : spread(reveal))}>
          {four ? 'Even' : 'Four edges'}
        </Quiet>
      ) : null}
      {!reveal && level && unknown === 'mats' ? (
        <Quiet onPress={() => sizing.setReveal(index, [exactText(answer!.answer.gaps[index]!.left, unit)])}>
          By reveal
        </Quiet>
      ) : null}
      <Quiet onPress={() => sizing.removeMat(index)} aria-label={`Remove mat ${index + 1}`}>
        Remove
      </Quiet>
    </Fields>
  );
}

const spread = (reveal: Reveal): Reveal =>
  reveal.length === 1
    ? [reveal[0], reveal[0], reveal[0], reveal[0]]
    : reveal.length === 2
      ? [reveal[0], reveal[0], reveal[1], reveal[1]]
      : reveal;

function takeOffer(sizing: MatSizing, field: string, text: string): void {
  const [layer = '', axis] = field.split('.') as [string, 'width' | 'height'];
  if (layer === 'print') sizing.setPrint(axis, text);
  else sizing.setSize(Number(layer.slice(3)) - 1, axis, text);
}
