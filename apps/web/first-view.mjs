// The last step of the build: dist/first.html, the page with a picture of its first view in it, painted before any script has
// run. The picture is inert: its fields can be typed in only once the application has replaced it. Every other address gets
// the empty page.
import { createHash } from 'node:crypto';
import { copyFileSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, gzipSync } from 'node:zlib';

const at = (path) => new URL(path, import.meta.url);
const { renderFirstView } = await import('./dist-first/firstView.js');
const { html, styles, kept } = renderFirstView();
const faces = readdirSync(at('dist/assets')).filter((f) =>
  /^(source-sans-3|bricolage-grotesque)-latin-(400|600)-normal.*\.woff2$/.test(f),
);
const page = readFileSync(at('dist/index.html'), 'utf8');
const [sheet, sheetFile] = /<link rel="stylesheet"[^>]* href="([^"]+)">/.exec(page) ?? [];
if (!sheet) throw new Error('the page has no styles');
const early = [
  ...faces.map((f) => `<link rel="preload" as="font" type="font/woff2" href="/assets/${f}" crossorigin />`),
  // Nothing is waited for before the first view is painted.
  `<style>${readFileSync(at(`dist${sheetFile}`), 'utf8')}</style>`,
  // The application brings styles of its own and must not take these for its own.
  styles.replace(/ data-styled(-version)?="[^"]*"/g, ''),
  // People who were here before find what they left, so the picture for newcomers stays hidden from them.
  `<script>try { if (localStorage.getItem(${JSON.stringify(kept)}) !== null) document.documentElement.dataset.returning = ''; } catch {}</script>`,
  ...['/api/pages', '/api/demo'].map((path) => `<link rel="preload" as="fetch" href="${path}" crossorigin />`),
];
const first = page
  .replace(sheet, '')
  .replace('</head>', () => `${early.join('')}</head>`)
  .replace('<div id="root"></div>', () => `<div id="root" inert>${html}</div>`);
if (!first.includes(html)) throw new Error('the page has no place for its first view');
writeFileSync(at('dist/first.html'), first);
writeFileSync(at('dist/first.html.br'), brotliCompressSync(first));
writeFileSync(at('dist/first.html.gz'), gzipSync(first));
rmSync(at('dist-first'), { recursive: true });

// The licences of the faces go with them.
mkdirSync(at('dist/licences'), { recursive: true });
for (const face of ['bricolage-grotesque', 'source-sans-3'])
  copyFileSync(at(`../../node_modules/@fontsource/${face}/LICENSE`), at(`dist/licences/${face}.txt`));

// What the application needs without the server: all of its own files, each with the hash of its content in its name.
const assets = readdirSync(at('dist/assets'))
  .filter((f) => !/\.(br|gz|woff)$/.test(f))
  .map((f) => `/assets/${f}`);
const version = createHash('sha256').update(assets.join()).update(page).digest('hex').slice(0, 12);
const worker = readFileSync(at('sw.js'), 'utf8');
if (!worker.includes("'ASSETS'") || !worker.includes('VERSION'))
  throw new Error('the service worker has no place for its files');
writeFileSync(
  at('dist/sw.js'),
  worker.replace("'ASSETS'", () => JSON.stringify(assets)).replace('shell-VERSION', `shell-${version}`),
);
