// The last step of the build: dist/first.html, the page with its first view in it, shown before any script has run; the
// application then takes it over. Every other address gets the empty page.
import { readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, gzipSync } from 'node:zlib';

const at = (path) => new URL(path, import.meta.url);
const { firstView } = await import('./dist-first/firstView.js');
const { html, styles } = firstView();
const faces = readdirSync(at('dist/assets')).filter((f) =>
  /^(source-sans-3|bricolage-grotesque)-latin-(400|600)-normal.*\.woff2$/.test(f),
);
const early = [
  ...faces.map((f) => `<link rel="preload" as="font" type="font/woff2" href="/assets/${f}" crossorigin />`),
  ...['/api/pages', '/api/demo'].map((path) => `<link rel="preload" as="fetch" href="${path}" crossorigin />`),
];
const page = readFileSync(at('dist/index.html'), 'utf8');
const [script, application] = /<script type="module"[^>]* src="([^"]+)"><\/script>/.exec(page) ?? [];
if (!script) throw new Error('the page has no application');
// the application brings styles of its own and must not take these for its own
const own = styles.replace(/ data-styled(-version)?="[^"]*"/g, '');
const first = page
  .replace(script, `<link rel="modulepreload" crossorigin href="${application}">`)
  .replace(
    '</head>',
    `${early.join('')}${own}<script src="/first.js" data-application="${application}"></script></head>`,
  )
  .replace('<div id="root"></div>', `<div id="root">${html}</div>`);
if (first === page || !first.includes(html)) throw new Error('the page has no place for its first view');
writeFileSync(at('dist/first.html'), first);
writeFileSync(at('dist/first.html.br'), brotliCompressSync(first));
writeFileSync(at('dist/first.html.gz'), gzipSync(first));
rmSync(at('dist-first'), { recursive: true });
