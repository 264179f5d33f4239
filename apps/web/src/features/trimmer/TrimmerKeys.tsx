import { CAUTION } from '@temnex/words';
import { KeyList } from '../../design/KeyList.tsx';
import { Plain } from '../../design/buttons.tsx';
import { Panel } from './Frame.tsx';

const KEYS: readonly (readonly [keys: readonly string[], does: string])[] = [
  [['Space', 'Enter', '→', 'Page down'], 'it is done, the next step; a foot switch sends Page down'],
  [['←', 'Page up', 'U'], 'it is not done after all, one step back'],
  [['W'], 'I cut it wrong'],
  [['M'], 'it came out as …'],
  [['R'], 'read the step aloud'],
  [['?'], 'this sheet'],
  [['Esc'], 'back to the cut'],
];

/** What one may press at the trimmer, and what to mind. */
export function TrimmerKeys({ onClose }: { onClose: () => void }) {
  return (
    <Panel aria-label="Keys at the trimmer">
      <h2>Keys</h2>
      <KeyList>
        {KEYS.map(([keys, does]) => (
          <div key={does} style={{ display: 'contents' }}>
            <dt>
              {keys.map((k) => (
                <kbd key={k} style={{ marginRight: '0.3rem' }}>
                  {k}
                </kbd>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
        <dt>swipe</dt>
        <dd>to the left: done; to the right: back</dd>
      </KeyList>
      <p style={{ maxWidth: '44rem', marginBottom: '1.2rem' }}>{CAUTION}</p>
      <Plain onPress={onClose} autoFocus>
        Back to the cut
      </Plain>
    </Panel>
  );
}
