// npm run year -- FOLDER: a seeded year of use (10 000 items, 300 pages, 300 cuttings) in a folder of its own, to open with TEMNEX_DATA.
import { build, install } from './ready.mjs';

const [folder] = process.argv.slice(2);
if (!folder) {
  console.error('Say where: npm run year -- FOLDER');
  process.exit(1);
}
install();
build();
const { yearIn } = await import('../apps/server/dist/year.js');
try {
  yearIn(folder);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
