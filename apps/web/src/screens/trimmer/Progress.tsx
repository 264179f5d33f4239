import { memo } from 'react';
import { styled } from 'styled-components';
import type { TrimmerStep } from '@temnex/core';
import { count } from '@temnex/words';

/*
 * How far one has come, as a ruler: a long mark for each cut, a short one for what is done between, the black edge as far as
 * all is done.
 */
const Rule = styled.div`
  position: relative;
  height: 14px;
  border-bottom: 1.5px solid var(--ink);
  & > i {
    position: absolute;
    bottom: 0;
    width: 1.5px;
    background: var(--ink);
  }
  & > b {
    position: absolute;
    left: 0;
    bottom: -1px;
    height: 6px;
    background: var(--ink);
  }
`;
const Line = styled.p`
  font-size: var(--s1);
  font-variant-numeric: tabular-nums;
`;
/** More marks than this would be a grey bar. */
const MOST_MARKS = 160;

const Marks = memo(function Marks({ steps }: { steps: readonly TrimmerStep[] }) {
  if (steps.length > MOST_MARKS) return null;
  return steps.map((s, i) => (
    <i key={i} style={{ left: `${((i + 1) / steps.length) * 100}%`, height: s.do === 'cut' ? 12 : 6 }} />
  ));
});

export function Progress({ steps, at }: { steps: readonly TrimmerStep[]; at: number }) {
  const cuts = steps.filter((s) => s.do === 'cut').length;
  const made = steps.slice(0, at).filter((s) => s.do === 'cut').length;
  const sheets = steps
    .slice(at)
    .reduce((n, s) => n + (s.do === 'take' ? s.sheets.length : s.do === 'whole' ? 1 : 0), 0);
  const share = steps.length ? at / steps.length : 1;
  const left = [cuts - made ? count(cuts - made, 'cut') : '', sheets ? `${count(sheets, 'sheet')} to take` : ''].filter(
    Boolean,
  );
  return (
    <div>
      <Rule
        role="progressbar"
        aria-label="How far this order is cut"
        aria-valuenow={at}
        aria-valuemin={0}
        aria-valuemax={steps.length}
      >
        <Marks steps={steps} />
        <b style={{ width: `${share * 100}%` }} />
      </Rule>
      <Line>
        {at < steps.length ? `step ${at + 1} of ${steps.length}` : `all ${steps.length} steps done`}
        {left.length ? ` · ${left.join(', ')} left` : ''}
      </Line>
    </div>
  );
}
