import { flushSync } from 'react-dom';

/** One thing that somebody did in the first view before the application answered: to which control, by its name and which of those. */
export interface Done {
  readonly do: string;
  readonly name: string;
  readonly at: number;
  /** What stood in the control then; of a key pressed beside all of them, which. */
  readonly value: string;
}

declare global {
  /** Noted by the page itself (begin.js); gives what was done so far, and notes no more. */
  var doneBefore: (() => Done[]) | undefined;
  /** Whether something was pressed or entered so far. */
  var actedBefore: (() => boolean) | undefined;
}

type Control = HTMLInputElement | HTMLSelectElement | HTMLButtonElement;
/** As begin.js names them: it stands in the page by itself and can call nothing of the application's. */
const nameOf = (control: Control): string | null =>
  control.getAttribute('aria-label') ?? (control.labels?.[0] ?? control).textContent;
/** By name, for what was done before may have brought others. */
const controlOf = (root: ParentNode, { name, at }: Done): Control | undefined =>
  [...root.querySelectorAll<Control>('input, select, button')].filter((control) => nameOf(control) === name)[at];

/**
 * What was done to the view that stood there before any script had run is done to the one that has taken its place. At once: the focus
 * is where it was last, with what was typed there since it was last entered, so that the next key goes where it is meant to. Then the
 * rest, in order, each thing once what came before has come to rest. Who goes on meanwhile comes first: the focus stays where they put
 * it, and a field keeps what they typed into it.
 */
export async function replay(
  root: ParentNode,
  done: readonly Done[],
  ready: () => Promise<void> = async () => {},
): Promise<void> {
  const meanwhile = listen();
  const last = done.findLast((one) => one.do === 'focusin');
  const here = (one: Done) => last !== undefined && one.name === last.name && one.at === last.at;
  const from = done.findLastIndex((one) => here(one) && acts(one));
  const typing = done.findLast((one, i) => i > from && here(one) && one.do === 'input');
  const focus = () => {
    const control = last && controlOf(root, last);
    if (control && document.activeElement !== control && !meanwhile.went()) meanwhile.mine(() => control.focus());
    return control;
  };
  const there = focus();
  if (there && typing) meanwhile.mine(() => type(there, typing.value));
  let standing = false;
  for (const [i, one] of done.entries()) {
    if (one.do === 'focusin' || (there && i > from && here(one) && one.do === 'input')) continue;
    // first what was typed is taken in, and there is what it is done with
    if (acts(one)) {
      await ready();
      await settled();
      standing = true;
    }
    const control = controlOf(root, one);
    const act = () => {
      if (one.do === 'key') press(document.body, one.value);
      if (!control) return;
      if (one.do === 'input') {
        if (!meanwhile.typed(control)) type(control, one.value);
      } else if (one.do === 'click') control.click();
      else if (control instanceof HTMLInputElement) enter(control);
    };
    // what comes of it is there before the next thing is done: what is typed hangs on what stands in the field
    meanwhile.mine(standing ? () => flushSync(act) : act);
    if (acts(one)) await settled();
  }
  // it may have come only now
  focus();
  meanwhile.end();
}

const acts = (one: Done): boolean => one.do === 'click' || one.do === 'keydown' || one.do === 'key';

/** Where somebody goes and what they type while what was done before is being done. */
function listen() {
  const typed = new Set<EventTarget>();
  let [went, mine] = [false, false];
  const note = ({ type, target }: Event) => {
    if (mine) return;
    went = true;
    if (type === 'input' && target) typed.add(target);
  };
  const noted = ['focusin', 'input', 'pointerdown'];
  for (const type of noted) addEventListener(type, note, true);
  return {
    mine: (act: () => void) => {
      mine = true;
      act();
      mine = false;
    },
    went: () => went,
    typed: (control: EventTarget) => typed.has(control),
    end: () => {
      for (const type of noted) removeEventListener(type, note, true);
    },
  };
}

const settled = () => new Promise((resolve) => setTimeout(resolve));

function type(control: Element & { value: string }, text: string): void {
  // past the value that the application remembers having set
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(control), 'value')!.set!.call(control, text);
  control.dispatchEvent(new Event(control instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
  // where the next letter goes
  if (control instanceof HTMLInputElement && control.type === 'text')
    control.setSelectionRange(text.length, text.length);
}

function enter(field: HTMLInputElement): void {
  if (press(field, 'Enter') && field.form) field.form.requestSubmit();
}

/** Whether nothing took the key for itself. */
const press = (on: HTMLElement, key: string): boolean =>
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
