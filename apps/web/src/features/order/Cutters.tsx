import { useState } from 'react';
import { styled } from 'styled-components';
import { MARKS, formatExactLength, parseLength, ticks } from '@temnex/core/length';
import type { Habits } from '@temnex/core/stock';
import { computeCalibration, type StripMeasured } from '@temnex/core/trimmer';
import { formatLength } from '@temnex/words';
import { Plain, Quiet } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { NameField } from '../../design/NameField.tsx';
import { STACKS } from './stacks.ts';

const One = styled.div`
  margin-top: 0.8rem;
  padding-left: 0.7rem;
  border-left: 3px solid var(--rule);
`;
const Fields = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.9rem;
  margin-top: 0.4rem;
  --field: 6.5rem;
`;
const Strip = styled.details`
  margin-top: 0.4rem;
  & > p {
    margin: 0.3rem 0;
    font-size: var(--s1);
    line-height: 1.35;
  }
`;

type Other = NonNullable<Habits['others']>[number];
/** So many beside the first. */
const MAX_FURTHER_CUTTERS = 4;
/** What strips to be measured are set to: short, middle and long, so that one that is off by a share shows too. */
const SET = { in: ['1', '3', '6'], mm: ['25', '75', '150'] } as const;

/** Further cutters, each with its own figures; what the first cannot cut is taken to them, the first that can. */
export function Cutters({ habits, save }: { habits: Habits; save: (habits: Habits) => void }) {
  const others = habits.others ?? [];
  const set = (list: readonly Other[]) => {
    const { others: _were, ...rest } = habits;
    save(list.length ? { ...rest, others: [...list] } : rest);
  };
  const change = (at: number, patch: Partial<Other>) =>
    set(others.map((one, i) => (i === at ? { ...one, ...patch } : one)));
  return (
    <>
      <CalibrationStrip
        name={habits.cutter.name ?? 'the trimmer'}
        unit={habits.unit}
        onTake={(long) => save({ ...habits, cutter: { ...habits.cutter, long } })}
      />
      {others.map((one, i) => (
        <One key={i} role="group" aria-label={`Cutter ${one.name}`}>
          <NameField
            label={`cutter ${i + 2}`}
            value={one.name}
            onCommit={(name) => change(i, { name: name.slice(0, 40) })}
          />
          <Fields>
            <LengthField
              label={`longest cut of ${one.name}`}
              shown="longest cut"
              value={one.reach ?? ''}
              unit={habits.unit}
              none="no limit"
              onCommit={(reach) => change(i, { reach })}
              onEmpty={() => change(i, { reach: null })}
            />
            <LengthField
              label={`narrowest to hold with ${one.name}`}
              shown="narrowest to hold"
              value={one.narrowest}
              unit={habits.unit}
              options={{ allow: 'zero' }}
              onCommit={(narrowest) => change(i, { narrowest })}
            />
            <LengthField
              label={`${one.name} cuts longer than set by`}
              shown="cuts longer than set by"
              value={one.long}
              unit={habits.unit}
              options={{ allow: 'negative' }}
              onCommit={(long) => change(i, { long })}
            />
            <Choice
              label={`sheets cut at once by ${one.name}`}
              shown="sheets at once"
              value={String(one.stack)}
              options={[...new Set([...STACKS, String(one.stack)])].map((n) => ({
                id: n,
                name: n === '1' ? 'one' : n,
              }))}
              onChange={(n) => change(i, { stack: Number(n) })}
            />
          </Fields>
          <CalibrationStrip name={one.name} unit={habits.unit} onTake={(long) => change(i, { long })} />
          <Quiet
            onPress={() => set(others.filter((_, at) => at !== i))}
            aria-label={`${one.name} is not used any more`}
          >
            Not used any more
          </Quiet>
        </One>
      ))}
      {others.length < MAX_FURTHER_CUTTERS ? (
        <Quiet
          onPress={() =>
            set([
              ...others,
              {
                name: `cutter ${others.length + 2}`,
                reach: null,
                narrowest: habits.cutter.narrowest,
                stack: 1,
                long: 0,
              },
            ])
          }
        >
          One more cutter
        </Quiet>
      ) : null}
    </>
  );
}

/** Strips cut to be measured: what they say of a cutter is taken over with a press. */
function CalibrationStrip({
  name,
  unit,
  onTake,
}: {
  name: string;
  unit: Habits['unit'];
  onTake: (long: string | number) => void;
}) {
  const [measured, setMeasured] = useState<Readonly<Record<string, string>>>({});
  const strips = SET[unit].flatMap((set): StripMeasured[] => {
    const said = measured[set];
    const read = said === undefined ? null : parseLength(said, unit);
    return read?.ok ? [{ set, measured: said! }] : [];
  });
  const found = computeCalibration(strips, unit);
  const voice = { mark: unit === 'in' ? MARKS['1/64'] : MARKS['0.5 mm'], figures: 'typeset' } as const;
  const says = !found
    ? ''
    : found.long === 0
      ? 'It cuts as it is set.'
      : `It cuts ${formatLength(Math.abs(found.long), voice)} ${found.long > 0 ? 'longer' : 'shorter'} than it is set.`;
  // further apart than anybody measures wrong: 1/32 in
  const apart = found !== null && found.apart > MARKS['1/32'].step;
  return (
    <Strip>
      <summary>Cut strips to measure {name}</summary>
      <p>
        From a scrap, cut one strip at each of these settings and measure it as well as you can. Fingers behind the
        guard: hold the wide part, not the strip.
      </p>
      <Fields>
        {SET[unit].map((set) => (
          <LengthField
            key={set}
            label={`strip set to ${set}, by ${name}, measures`}
            shown={`set to ${set}`}
            value={measured[set]}
            unit={unit}
            onCommit={(text) => setMeasured({ ...measured, [set]: text })}
          />
        ))}
      </Fields>
      {found ? (
        <p role="status">
          {says}
          {apart
            ? ` But the strips are up to ${formatLength(found.apart, voice)} apart: the fence may be loose. Tighten it and cut them again.`
            : ''}
        </p>
      ) : null}
      {found && !apart && strips.length > 1 ? (
        <Plain
          onPress={() => {
            onTake(found.long === 0 ? 0 : formatExactLength(ticks(found.long), unit));
            setMeasured({});
          }}
        >
          Take it over
        </Plain>
      ) : null}
    </Strip>
  );
}
