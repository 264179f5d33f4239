// Set into the page of the first view when it is built (first-view.mjs): under what is kept, the application, its parts.
const { kept, application, parts } = TOLD;
// Somebody who was here before sees what they left, not the view for somebody new: theirs takes a moment more.
let known = false;
try {
  known = localStorage.getItem(kept) !== null;
} catch {
  // nothing is kept here
}
if (known) document.documentElement.dataset.known = '';
// what somebody does before the application answers is noted, and done by it then (src/replay.ts)
const done = [];
const nameOf = (control) => control.getAttribute('aria-label') ?? (control.labels?.[0] ?? control).textContent;
const note = (event) => {
  const control = event.target.closest('input, select, button, form');
  if (event.type === 'keydown' && !control && !event.ctrlKey && !event.metaKey && !event.altKey) {
    // the line that takes shorthand is there already; other keys wait
    if (event.key === '/') document.querySelector('[data-say-line]')?.focus();
    else if (/^[?\d]$/.test(event.key)) done.push({ do: 'key', name: '', at: -1, value: event.key });
    else return;
    return event.preventDefault();
  }
  if (!control || (event.type === 'keydown' && event.key !== 'Enter')) return;
  if (event.type === 'submit') return event.preventDefault();
  const name = nameOf(control);
  const alike = [...document.querySelectorAll('#root :is(input, select, button)')].filter((c) => nameOf(c) === name);
  if (alike.includes(control)) done.push({ do: event.type, name, at: alike.indexOf(control), value: control.value });
};
const noted = ['focusin', 'input', 'click', 'keydown', 'submit'];
for (const type of noted) addEventListener(type, note, true);
globalThis.doneBefore = () => {
  for (const type of noted) removeEventListener(type, note, true);
  return done.splice(0);
};
// whether something was pressed or entered: that may need all of the application at once
globalThis.actedBefore = () => done.some((one) => one.do === 'click' || one.do === 'keydown' || one.do === 'key');
// the application is fetched and begun once what is there already has been painted, and never before all of the page is there:
// kept by the browser it may come sooner than the rest of the page
const whole = new Promise((there) => {
  if (document.readyState === 'loading') addEventListener('DOMContentLoaded', there, { once: true });
  else there();
});
const begin = () => {
  for (const href of [...parts, application])
    document.head.append(Object.assign(document.createElement('link'), { rel: 'modulepreload', href }));
  void whole.then(() => import(application));
};
if (known) begin();
else requestAnimationFrame(() => setTimeout(begin));
