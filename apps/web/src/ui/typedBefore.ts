declare global {
  /** Noted by the page itself (index.html); the first view notes more (begin.js). */
  var typedBefore: (() => string) | undefined;
}

/** What was typed while nothing answered yet, once: its text, and whether Enter came after it. */
export function typedBefore(): { readonly text: string; readonly entered: boolean } {
  const [text = '', ...more] = (globalThis.typedBefore?.() ?? '').split('\n');
  return { text: text.trimStart(), entered: more.length > 0 };
}
