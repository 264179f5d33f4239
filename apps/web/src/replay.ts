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
}

type Control = HTMLInputElement | HTMLSelectElement | HTMLButtonElement;
/** As begin.js names them: it stands in the page by itself and can call nothing of the application's. */
const nameOf = (control: Control): string | null =>
  control.getAttribute('aria-label') ?? (control.labels?.[0] ?? control).textContent;
/** By name, for what was done before may have brought others. */
const controlOf = (root: ParentNode, { name, at }: Done): Control | undefined =>
  [...root.querySelectorAll<Control>('input, select, button')].filter((control) => nameOf(control) === name)[at];

/**
 * What was done to the view that stood there before any script had run is done to the one that has taken its place, in order:
 * the focus and what was typed at once, so that the next key goes where it is meant to.
 */
export async function replay(root: ParentNode, done: readonly Done[]): Promise<void> {
  for (const one of done) {
    const acts = one.do === 'click' || one.do === 'keydown' || one.do === 'key';
    // first what was typed is taken in
    if (acts) await settled();
    const control = controlOf(root, one);
    if (one.do === 'key') press(document.body, one.value);
    if (!control) continue;
    if (one.do === 'focusin') control.focus();
    else if (one.do === 'input') type(control, one.value);
    else if (one.do === 'click') control.click();
    else if (control instanceof HTMLInputElement) enter(control);
    if (acts) await settled();
  }
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
