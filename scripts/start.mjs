// npm start: installs what is missing, builds what is stale, starts the server and opens the address.
import { spawn } from 'node:child_process';
import { build, install, root } from './ready.mjs';

install();
build();
const server = spawn(
  process.execPath,
  ['--disable-warning=ExperimentalWarning', 'apps/server/dist/main.js', ...process.argv.slice(2)],
  {
    cwd: root,
    stdio: ['inherit', 'pipe', 'inherit'],
  },
);
server.stdout.on('data', (chunk) => {
  process.stdout.write(chunk);
  const address = /http:\/\/\S+/.exec(String(chunk))?.[0];
  if (address && process.stdout.isTTY && !process.env.CI) open(address);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

/** Opens the address where there is a browser; says nothing where there is none. */
function open(address) {
  const command = { darwin: 'open', win32: 'explorer' }[process.platform] ?? 'xdg-open';
  spawn(command, [address], { stdio: 'ignore', detached: true })
    .on('error', () => {})
    .unref();
}
