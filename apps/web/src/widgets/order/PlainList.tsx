import { useState } from 'react';
import { styled } from 'styled-components';
import type { Job, Plan } from '@temnex/core/planner';
import { formatCutList } from '@temnex/words';
import { Quiet } from '../../design/buttons.tsx';

const Copied = styled.pre`
  margin: 0.4rem 0;
  font: 400 var(--s1) / 1.45 var(--text);
  font-variant-numeric: tabular-nums;
  white-space: pre-wrap;
`;

/** The cuts as a list of plain words, to be copied. */
export function PlainList({ job, plan, voice }: { job: Job; plan: Plan; voice: Parameters<typeof formatCutList>[1] }) {
  const [copied, setCopied] = useState(false);
  return (
    <>
      <Copied>{formatCutList(job, voice, plan)}</Copied>
      <Quiet
        onPress={() =>
          void navigator.clipboard.writeText(formatCutList(job, { ...voice, figures: 'plain' }, plan)).then(
            () => setCopied(true),
            () => setCopied(false),
          )
        }
      >
        {copied ? 'Copied' : 'Copy the list'}
      </Quiet>
    </>
  );
}
