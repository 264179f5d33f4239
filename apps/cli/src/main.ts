#!/usr/bin/env node
import { run } from './run.ts';

const code = await run(process.argv.slice(2), {
  out: (text) => void process.stdout.write(text),
  err: (text) => void process.stderr.write(`${text}\n`),
  now: () => performance.now(),
});
process.exitCode = code;
