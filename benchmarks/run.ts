import { drawer } from './drawer.ts';
import { limits } from './limits.ts';
import { machine } from './machine.ts';
import { others } from './others.ts';
import { photos } from './photos.ts';
import { planning } from './planning.ts';
import { quality } from './quality.ts';
import { screen } from './screen.ts';
import { sizing } from './sizing.ts';
import { together } from './together.ts';
import { trimmer } from './trimmer.ts';
import { year } from './year.ts';

const ALL = { sizing, planning, limits, quality, others, screen, drawer, together, year, trimmer, photos };
const wanted = process.argv.slice(2);
console.log(machine());
for (const [name, measure] of Object.entries(ALL)) {
  if (wanted.length && !wanted.includes(name)) continue;
  console.log(`\n## ${name}`);
  for await (const line of measure()) console.log(line);
}
