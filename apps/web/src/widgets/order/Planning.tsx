import { useEffect, useState } from 'react';
import { styled } from 'styled-components';
import { Quiet } from '../../design/buttons.tsx';

const Stack = styled.div`
  display: grid;
  gap: 0.6rem;
  justify-items: start;
  margin: 0.9rem 0;
`;
const Progress = styled.div<{ $share: number }>`
  height: 6px;
  background: linear-gradient(90deg, var(--ink) ${(p) => p.$share * 100}%, var(--faint) 0);
`;

interface PlanningProps {
  startedAt: number;
  seconds: number;
  stop: () => void;
  what?: string;
  stopWords?: string;
}
/** How far planning has come, with a way to take what there is. */
export function Planning({
  startedAt,
  seconds,
  stop,
  what = 'Looking for a better one',
  stopWords = 'Stop, this will do',
}: PlanningProps) {
  const [now, setNow] = useState(() => performance.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(performance.now()), 100);
    return () => clearInterval(timer);
  }, []);
  const share = Math.min(1, (now - startedAt) / (seconds * 1000));
  return (
    <Stack role="status">
      <Progress
        $share={share}
        style={{ width: '100%' }}
        role="progressbar"
        aria-label="Looking for a better plan"
        aria-valuenow={Math.round(share * 100)}
        aria-valuemin={0}
        aria-valuemax={100}
      />
      <span>
        {what} <Quiet onPress={stop}>{stopWords}</Quiet>
      </span>
    </Stack>
  );
}
