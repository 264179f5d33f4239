import { chromium } from '@playwright/test';
const [url, out, w = '1280', h = '800', ...acts] = process.argv.slice(2);
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
});
const p = await b.newPage({ viewport: { width: +w, height: +h }, hasTouch: +w < 500 });
p.on('console', (m) => m.type() === 'error' && console.log('console', m.text().slice(0, 300)));
p.on('pageerror', (e) => console.log('pageerror', String(e).slice(0, 400)));
await p.goto(url);
await p.waitForLoadState('networkidle');
await p.waitForTimeout(400);
for (const a of acts) {
  await new Function('p', `return (async()=>{${a}})()`)(p);
  await p.waitForTimeout(300);
}
await p.screenshot({ path: out });
await b.close();
