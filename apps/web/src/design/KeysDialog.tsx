import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import { styled } from 'styled-components';
import { RECIPE_IDS, recipeOf } from '@temnex/core/recipes';
import { recipeText } from '@temnex/words';
import { Plain } from './buttons.tsx';
import { KeyList } from './KeyList.tsx';
import type { Station } from './StationNav.tsx';

const Veil = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 20;
  display: grid;
  place-items: center;
  background: #16161680;
`;
const Sheet = styled(Modal)`
  width: min(46rem, calc(100vw - 2rem));
  max-height: calc(100dvh - 2rem);
  overflow: auto;
  padding: 1.75rem 2rem;
  background: var(--sheet);
  border: 2px solid var(--ink);
  & h3 {
    font-size: var(--s2);
  }
  & li {
    list-style: none;
    margin-bottom: 0.15rem;
  }
`;

/** The keys that work everywhere; fetched when it is asked for. */
export default function KeysDialog({ stations, close }: { stations: readonly Station[]; close: () => void }) {
  return (
    <Veil isOpen onOpenChange={(open) => !open && close()} isDismissable>
      <Sheet>
        <Dialog style={{ outline: 'none' }}>
          <Heading slot="title" style={{ fontSize: 'var(--s3)' }}>
            Keys
          </Heading>
          <KeyList>
            {stations.map((s, i) => (
              <div key={s.to} style={{ display: 'contents' }}>
                <dt>
                  <kbd>{i + 1}</kbd>
                </dt>
                <dd>
                  {s.name}
                  {i === 0 ? ' (with Alt, whatever has the focus)' : ''}
                </dd>
              </div>
            ))}
            <dt>
              <kbd>0</kbd>
            </dt>
            <dd>The drawer</dd>
            <dt>
              <kbd>/</kbd>
            </dt>
            <dd>the line that takes shorthand</dd>
            <dt>
              <kbd>Ctrl Z</kbd>
            </dt>
            <dd>undo a change to the page; with Shift, redo</dd>
            <dt>
              <kbd>Enter</kbd> <kbd>Esc</kbd>
            </dt>
            <dd>take a typed length, or put the old one back</dd>
            <dt>
              <kbd>=</kbd>
            </dt>
            <dd>in a number that was worked out: its sum</dd>
            <dt>
              <kbd>?</kbd>
            </dt>
            <dd>this sheet</dd>
          </KeyList>
          <h3>In one line</h3>
          <KeyList>
            {RECIPE_IDS.map((id) => (
              <div key={id} style={{ display: 'contents' }}>
                <dt>{recipeText(id).title}</dt>
                <dd>
                  <ul>
                    {recipeOf(id).phrases.map((line) => (
                      <li key={line}>{line}</li>
                    ))}
                  </ul>
                </dd>
              </div>
            ))}
          </KeyList>
          <Plain slot="close" autoFocus>
            Close
          </Plain>
        </Dialog>
      </Sheet>
    </Veil>
  );
}
