// The last step of the build: dist/first.html, the page with its first view in it, shown before any script has run; the
// application then takes it over. Every other address gets the empty page.
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, gzipSync } from 'node:zlib';

const at = (path) => new URL(path, import.meta.url);
const { firstView } = await import('./dist-first/firstView.js');
const { html, styles, kept } = firstView();
const faces = readdirSync(at('dist/assets')).filter((f) =>
  /^(source-sans-3|bricolage-grotesque)-latin-(400|600)-normal.*\.woff2$/.test(f),
);
const page = readFileSync(at('dist/index.html'), 'utf8');
const scripts = [...page.matchAll(/<script type="module"[^>]* src="([^"]+)"><\/script>/g)];
// the last one is the application, what stands before it is what it needs
const application = scripts.at(-1)?.[1];
const preloads = [...page.matchAll(/<link rel="modulepreload"[^>]* href="([^"]+)">/g)];
const [sheet, sheetFile] = /<link rel="stylesheet"[^>]* href="([^"]+)">/.exec(page) ?? [];
const told = { kept, application, parts: [...scripts.slice(0, -1), ...preloads].map(([, href]) => href) };
const begin = readFileSync(at('begin.js'), 'utf8').replace('TOLD', JSON.stringify(told));
const early = [
  ...faces.map((f) => `<link rel="preload" as="font" type="font/woff2" href="/assets/${f}" crossorigin />`),
  // nothing is waited for before the first view is painted
  `<style>${readFileSync(at(`dist${sheetFile}`), 'utf8')}</style>`,
  // the application brings styles of its own and must not take these for its own
  styles.replace(/ data-styled(-version)?="[^"]*"/g, ''),
  `<script>{${begin}}</script>`,
  ...['/api/pages', '/api/demo'].map((path) => `<link rel="preload" as="fetch" href="${path}" crossorigin />`),
];
// it notes what is done by itself
const [noting] = /<script>[^]*?<\/script>/.exec(page) ?? [];
if (!application || !sheet || !noting) throw new Error('the page has no application, no styles, or nothing that notes');
const first = [sheet, noting, ...[...scripts, ...preloads].map(([tag]) => tag)]
  .reduce((left, link) => left.replace(link, ''), page)
  .replace('</head>', () => `${early.join('')}</head>`)
  .replace('<div id="root"></div>', () => `<div id="root">${html}</div>`);
if (first === page || !first.includes(html)) throw new Error('the page has no place for its first view');
writeFileSync(at('dist/first.html'), first);
writeFileSync(at('dist/first.html.br'), brotliCompressSync(first));
writeFileSync(at('dist/first.html.gz'), gzipSync(first));
rmSync(at('dist-first'), { recursive: true });

// what the application needs without the server: all of its own files, by name, each of which has its content in its name
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
