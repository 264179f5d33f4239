import { useState } from 'react';
import { Input, Label, TextField } from 'react-aria-components';
import { exactText, parseSize, photo, type PhotoInput } from '@temnex/core';
import { figure, recipeProblemWords, sizeWords } from '@temnex/words';
import { Quiet } from '../../ui/buttons.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { Line } from './PaperCheck.tsx';
import type { MatSizing } from './useMatSizing.ts';

/** What is known of the print itself: its printed border, and what becomes of it as another size. */
export function PrintCheck({ sizing }: { sizing: MatSizing }) {
  const [border, setBorder] = useState<string | undefined>(undefined);
  const [size, setSize] = useState('');
  const { unit, mark, answer, input } = sizing;
  const print = answer?.answer.levels[0];
  const voice = { mark, figures: 'typeset' } as const;
  const wanted = size.trim() ? parseSize(size, unit) : null;
  if (!print) return null;
  const given: PhotoInput = {
    print: { width: exactText(print.width, unit), height: exactText(print.height, unit), known: 'measured' },
    image: {},
    ...(border ? { border } : {}),
  };
  const bare = photo.solve(given, { unit, mark });
  const cropped = (keep: 'fill' | 'whole') => {
    if (!wanted?.ok) return null;
    const crop = {
      width: wanted.width,
      height: wanted.height,
      keep,
      across: 'centre' as const,
      upDown: 'centre' as const,
    };
    const result = photo.solve({ ...given, crop }, { unit, mark });
    return result.status === 'solved' ? result.answer.crop : null;
  };
  const [fill, whole] = [cropped('fill'), cropped('whole')];
  const image = bare.status === 'solved' ? bare.answer.image : null;
  return (
    <>
      <Line>
        <LengthField
          label="White border printed round it"
          value={border}
          unit={unit}
          options={{ allow: 'zero' }}
          onCommit={setBorder}
          width="4.5rem"
        />
        <span aria-live="polite">
          {bare.status === 'refused' ? recipeProblemWords(bare.problems[0]!, voice) : null}
          {border && image ? (
            <>
              The picture in it is {sizeWords(image.width, image.height, voice)}.{' '}
              {input.print.width !== undefined ? (
                <Quiet
                  onPress={() => {
                    sizing.replace({
                      ...input,
                      print: {
                        ...input.print,
                        width: exactText(image.width, unit),
                        height: exactText(image.height, unit),
                      },
                    });
                    setBorder(undefined);
                  }}
                >
                  Trim it off
                </Quiet>
              ) : null}
            </>
          ) : null}
        </span>
      </Line>
      <Line>
        <TextField value={size} onChange={setSize} style={{ display: 'contents' }}>
          <Label>As a print of</Label>
          <Input placeholder={unit === 'in' ? '8 x 10' : '200 x 250'} autoComplete="off" />
        </TextField>
        <span aria-live="polite">
          {wanted && !wanted.ok ? 'A size, such as 8 x 10' : null}
          {fill && whole ? (
            <>
              To fill it: {sizeWords(fill.scaled.width, fill.scaled.height, voice)}, losing{' '}
              {lossWords(fill.lost, (n) => figure(n, voice))}. With nothing lost:{' '}
              {sizeWords(whole.scaled.width, whole.scaled.height, voice)}, short by{' '}
              {figure(Math.max(whole.short.width, whole.short.height), voice)}.
            </>
          ) : null}
        </span>
      </Line>
    </>
  );
}

function lossWords(
  lost: Readonly<Record<'left' | 'right' | 'top' | 'bottom', number>>,
  say: (n: number) => string,
): string {
  if (lost.left || lost.right) return `${say(lost.left)} left and ${say(lost.right)} right`;
  if (lost.top || lost.bottom) return `${say(lost.top)} at the top and ${say(lost.bottom)} at the bottom`;
  return 'nothing';
}
