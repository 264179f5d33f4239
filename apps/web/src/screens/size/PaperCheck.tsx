import { useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { exactText, fitMatToPaper, parseSize } from '@temnex/core';
import { figure, sizeWords } from '@temnex/words';
import { Quiet } from '../../ui/buttons.tsx';
import type { MatSizing } from './useMatSizing.ts';

export const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 0.75rem;
  & label {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & input {
    width: 7rem;
    min-height: 2.25rem;
    padding: 0.1rem 0.5rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 600 1.1rem/1.2 var(--figures);
    font-feature-settings: 'frac';
  }
`;

/** Whether the outermost mat comes from a paper at hand, and how far to trim the print if it does not. */
export function PaperCheck({ sizing }: { sizing: MatSizing }) {
  const [text, setText] = useState('');
  const { answer, unit, mark, input } = sizing;
  const size = text.trim() ? parseSize(text, unit) : null;
  const levels = answer?.answer.levels;
  const voice = { mark, figures: 'typeset' } as const;
  const mat = levels?.at(-1);
  const fit =
    size?.ok && levels && mat && input.mats.length
      ? fitMatToPaper(levels[0]!, mat, { width: size.value.width.ticks, height: size.value.height.ticks })
      : null;
  const trimmed = fit && !fit.fits ? fit.trim : null;
  return (
    <Line>
      <TextField value={text} onChange={setText} style={{ display: 'contents' }}>
        <Label>Does it come from a paper of</Label>
        <Input placeholder="6 x 6" autoComplete="off" />
      </TextField>
      <span aria-live="polite">
        {size && !size.ok ? 'A size, such as 6 x 6' : null}
        {fit?.fits ? `Yes${fit.turned ? ', turned' : ''}.` : null}
        {fit && !fit.fits && trimmed ? (
          <>
            The mat is too long by{' '}
            {[fit.over.width, fit.over.height]
              .filter((o) => o > 0)
              .map((o) => figure(o, voice))
              .join(' and ')}
            .{' '}
            {trimmed.print.width > 0 && trimmed.print.height > 0 && input.print.width !== undefined ? (
              <Quiet
                onPress={() =>
                  sizing.replace({
                    ...input,
                    print: {
                      ...input.print,
                      width: exactText(trimmed.print.width, unit),
                      height: exactText(trimmed.print.height, unit),
                    },
                  })
                }
              >
                Trim the print to {sizeWords(trimmed.print.width, trimmed.print.height, voice)}; the mat is then{' '}
                {sizeWords(trimmed.mat.width, trimmed.mat.height, voice)}
              </Quiet>
            ) : null}
          </>
        ) : null}
      </span>
    </Line>
  );
}
