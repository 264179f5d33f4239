import { memo } from 'react';
import { styled } from 'styled-components';
import { findPress, type Press, type TrimmerStep } from '@temnex/core/trimmer';
import { formatCount } from '@temnex/words';

/*
 * How far one has come, as a ruler: a long mark for each step that cuts, a short one for what is done between, the black edge as far as
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
const MAX_MARKS = 160;

const Marks = memo(function Marks({ steps, presses }: { steps: readonly TrimmerStep[]; presses: readonly Press[] }) {
  if (presses.length > MAX_MARKS) return null;
  return presses.map(({ from, to }, i) => {
    const cuts = steps.slice(from, to).some((s) => s.do === 'cut');
    return <i key={from} style={{ left: `${((i + 1) / presses.length) * 100}%`, height: cuts ? 12 : 6 }} />;
  });
});

interface ProgressProps {
  steps: readonly TrimmerStep[];
  /** The steps that are done at once: a step, to those who press. */
  presses: readonly Press[];
  at: number;
}

export function Progress({ steps, presses, at }: ProgressProps) {
  const cuts = steps.filter((s) => s.do === 'cut').length;
  const made = steps.slice(0, at).filter((s) => s.do === 'cut').length;
  const sheets = steps
    .slice(at)
    .reduce((n, s) => n + (s.do === 'take' ? s.sheets.length : s.do === 'whole' ? 1 : 0), 0);
  const done = findPress(presses, at);
  const share = presses.length ? done / presses.length : 1;
  const left = [
    cuts - made ? formatCount(cuts - made, 'cut') : '',
    sheets ? `${formatCount(sheets, 'sheet')} to take` : '',
  ].filter(Boolean);
  return (
    <div>
      <Rule
        role="progressbar"
        aria-label="How far this order is cut"
        aria-valuenow={done}
        aria-valuemin={0}
        aria-valuemax={presses.length}
      >
        <Marks steps={steps} presses={presses} />
        <b style={{ width: `${share * 100}%` }} />
      </Rule>
      <Line>
        {done < presses.length ? `step ${done + 1} of ${presses.length}` : `all ${presses.length} steps done`}
        {left.length ? ` · ${left.join(', ')} left` : ''}
      </Line>
    </div>
  );
}
