import { Link } from 'react-router';
import { useSaveHabits } from '../../data/habits.ts';
import { Block } from '../../design/Block.tsx';
import { Quiet } from '../../design/buttons.tsx';
import { Choice } from '../../design/Choice.tsx';
import { LengthField } from '../../design/LengthField.tsx';
import { Notice } from '../../design/states.tsx';
import { Tick, Ticks } from '../../design/Tick.tsx';
import { Cutters } from './Cutters.tsx';
import { STACKS } from './stacks.ts';
import type { PageContext } from '../../data/pages/context.ts';

/** Left of a hidden centre's edge to glue by, to begin with. */
const GLUE = { in: '1/2', mm: '12' } as const;

/** The cutter and the keep rule: one person's, remembered. */
export function HabitsForm({ context, again, planned }: { context: PageContext; again: () => void; planned: boolean }) {
  const { habits } = context;
  const save = useSaveHabits();
  const cutter = (patch: Partial<typeof habits.cutter>) =>
    save.mutate({ ...habits, cutter: { ...habits.cutter, ...patch } });
  const keep = (patch: Partial<typeof habits.keep>) => save.mutate({ ...habits, keep: { ...habits.keep, ...patch } });
  const wide = { '--field': '6.5rem' } as React.CSSProperties;
  return (
    <Block>
      <h3>My trimmer and habits</h3>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: '0.6rem 0.9rem', marginTop: '0.4rem', ...wide }}>
        <LengthField
          label="longest cut"
          value={habits.cutter.reach ?? ''}
          unit={habits.unit}
          none="no limit"
          onCommit={(reach) => cutter({ reach })}
          onEmpty={() => cutter({ reach: null })}
        />
        <LengthField
          label="narrowest to hold"
          value={habits.cutter.narrowest}
          unit={habits.unit}
          options={{ allow: 'zero' }}
          onCommit={(narrowest) => cutter({ narrowest })}
        />
        <LengthField
          label="lost per cut"
          value={habits.cutter.kerf}
          unit={habits.unit}
          options={{ allow: 'zero' }}
          onCommit={(kerf) => cutter({ kerf })}
        />
        <LengthField
          label="keep from, short side"
          value={habits.keep.shorter}
          unit={habits.unit}
          options={{ allow: 'zero' }}
          onCommit={(shorter) => keep({ shorter })}
        />
        <LengthField
          label="keep from, long side"
          value={habits.keep.longer}
          unit={habits.unit}
          options={{ allow: 'zero' }}
          onCommit={(longer) => keep({ longer })}
        />
        <LengthField
          label="cuts longer than set by"
          value={habits.cutter.long}
          unit={habits.unit}
          options={{ allow: 'negative' }}
          onCommit={(long) => cutter({ long })}
        />
        <Choice
          label="sheets cut at once"
          value={String(habits.cutter.stack)}
          options={[...new Set([...STACKS, String(habits.cutter.stack)])].map((n) => ({
            id: n,
            name: n === '1' ? 'one' : n,
          }))}
          onChange={(n) => cutter({ stack: Number(n) })}
        />
      </div>
      <Ticks>
        <Tick checked={habits.cutter.knife} onChange={() => cutter({ knife: !habits.cutter.knife })}>
          knife and ruler for what it cannot cut
        </Tick>
        <Tick checked={habits.cutter.stop} onChange={() => cutter({ stop: !habits.cutter.stop })}>
          its cuts can stop short of the edge
        </Tick>
        <Tick
          checked={habits.centres !== null}
          onChange={() => save.mutate({ ...habits, centres: habits.centres === null ? GLUE[habits.unit] : null })}
        >
          use the hidden centres of mats and bases
        </Tick>
        {habits.centres === null ? null : (
          <LengthField
            label="left to glue by, all round"
            value={habits.centres}
            unit={habits.unit}
            onCommit={(centres) => save.mutate({ ...habits, centres })}
          />
        )}
      </Ticks>
      <Cutters habits={habits} save={save.mutate} />
      {save.error ? (
        <Notice kind="block">
          <span>{save.error.message}</span>
        </Notice>
      ) : null}
      {planned ? (
        <p style={{ marginTop: '0.5rem' }}>
          <Quiet onPress={again}>Plan it again</Quiet>
          <Link
            to={`/page/${context.id}/papers`}
            style={{ marginLeft: '0.75rem', fontSize: 'var(--s1)', fontWeight: 600 }}
          >
            Change papers
          </Link>
        </p>
      ) : null}
    </Block>
  );
}
