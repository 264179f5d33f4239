#!/usr/bin/env node
import { run } from './run.ts';

// whoever reads it has read enough: `temnex schema page | head`
process.stdout.on('error', (error: { code?: string }) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit(0);
});
const code = await run(process.argv.slice(2), {
  out: (text) => void process.stdout.write(text),
  err: (text) => void process.stderr.write(`${text}\n`),
  now: () => performance.now(),
});
process.exitCode = code;
