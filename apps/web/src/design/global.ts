import { createGlobalStyle, css } from 'styled-components';

/** Breakpoints: a phone at the table, a tablet upright or across, a laptop. */
export const NARROW = '@media (max-width: 760px)';
export const TABLET = '@media (max-width: 1180px)';
export const UPRIGHT = '@media (max-width: 960px)';
export const MEDIUM = '@media (max-width: 1080px)';

/** What scrolls sideways darkens at the edge where there is more of it. */
export const sidewaysScroll = (ground: string) => css`
  overflow-x: auto;
  background:
    linear-gradient(90deg, ${ground} 30%, transparent) left / 2.5rem 100% no-repeat local,
    linear-gradient(-90deg, ${ground} 30%, transparent) right / 2.5rem 100% no-repeat local,
    linear-gradient(90deg, #0005, transparent) left / 0.9rem 100% no-repeat scroll,
    linear-gradient(-90deg, #0005, transparent) right / 0.9rem 100% no-repeat scroll,
    ${ground};
`;

/*
 * The room is neutral grey, so that paper is the only strong colour on the screen. Two accents, each with one
 * meaning: cut (here, now) and keep. See docs/design.md.
 */
export const GlobalStyle = createGlobalStyle`
  :root {
    --room: #e6e6e6;
    --table: #cdcdcd;
    --sheet: #f7f7f7;
    --ink: #161616;
    --quiet: #494949;
    --rule: #9a9a9a;
    --faint: #bdbdbd;
    --cut: #b32a0b;
    --keep: #0b6350;
    --figures: 'Bricolage Grotesque', 'Source Sans 3', system-ui, sans-serif;
    --text: 'Source Sans 3', system-ui, sans-serif;
    --s1: 0.875rem;
    --s2: 1rem;
    --s3: 1.375rem;
    --s4: 2.125rem;
    --s5: 3.5rem;
  }
  html[data-returning] #root { visibility: hidden; }
  html:has(#root[inert]) { cursor: progress; }
  *, *::before, *::after { box-sizing: border-box; }
  html { background: var(--room); color: var(--ink); font: 400 var(--s2)/1.4 var(--text); -webkit-text-size-adjust: 100%; }
  body { margin: 0; min-height: 100vh; }
  #root { min-height: 100vh; display: flex; flex-direction: column; }
  h1, h2, h3 { font-family: var(--figures); font-weight: 600; line-height: 1.1; margin: 0; letter-spacing: -0.01em; }
  h1 { font-size: var(--s4); }
  h2 { font-size: var(--s3); }
  h3 { font-size: var(--s2); }
  p { margin: 0; }
  a { color: inherit; text-underline-offset: 3px; }
  ul, ol { margin: 0; padding: 0; list-style: none; }
  button { font: inherit; color: inherit; }
  input, select { font: inherit; color: inherit; }
  :focus-visible { outline: 3px solid var(--ink); outline-offset: 2px; }
  .out-of-sight { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
  @media (pointer: coarse) {
    select:not(#none), summary:not(#none), input:not([type='checkbox'], [type='radio'], #none) { min-height: 2.75rem; }
  }
  @media (prefers-reduced-motion: reduce) { * { animation: none !important; transition: none !important; } }
  @media print { html { background: #fff; } .no-print { display: none !important; } }
`;
