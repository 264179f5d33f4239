// npm run dev: everything rebuilds as files change. The interface is at Vite's address, the server behind it.
import { spawn } from 'node:child_process';
import { build, install, root } from './ready.mjs';

install();
build();
const children = [
  ['node_modules/typescript-native/bin/tsc', '-b', '-w', '--preserveWatchOutput'],
  ['--watch', '--disable-warning=ExperimentalWarning', 'apps/server/dist/main.js'],
  ['node_modules/vite/bin/vite.js', 'apps/web', '--config', 'apps/web/vite.config.ts'],
].map((args) => spawn(process.execPath, args, { cwd: root, stdio: 'inherit' }));
const stop = () => children.forEach((c) => c.kill());
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
for (const child of children) child.on('exit', stop);
