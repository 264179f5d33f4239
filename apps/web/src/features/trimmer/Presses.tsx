import { useLayoutEffect, useMemo, useRef } from 'react';
import { DoneButton, Foot, LargeButton } from './Frame.tsx';

interface PressesProps {
  back: () => void;
  done: () => void;
  canBack: boolean;
  cutting: boolean;
  open: (panel: 'wrong' | 'measured') => void;
  /** All of it is cut: it is put down. */
  end: (() => void) | null;
}
/** What one presses with an elbow. What they do is asked when they are pressed: they stay as they are from step to step. */
export function Presses({ back, done, canBack, cutting, open, end }: PressesProps) {
  const now = useRef({ back, done, end });
  useLayoutEffect(() => {
    now.current = { back, done, end };
  });
  const isEnd = end !== null;
  return useMemo(
    () => (
      <Foot>
        <LargeButton onPress={() => now.current.back()} isDisabled={!canBack}>
          Back
        </LargeButton>
        <LargeButton onPress={() => open('wrong')} isDisabled={!cutting}>
          I cut it wrong
        </LargeButton>
        <LargeButton onPress={() => open('measured')} isDisabled={!cutting}>
          It came out as …
        </LargeButton>
        {isEnd ? (
          <DoneButton onPress={() => now.current.end?.()}>Put it down</DoneButton>
        ) : (
          <DoneButton onPress={() => now.current.done()} isDisabled={!cutting}>
            Done
          </DoneButton>
        )}
      </Foot>
    ),
    [canBack, cutting, isEnd, open],
  );
}
