import 'reflect-metadata';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { and, eq } from 'drizzle-orm';
import type { Paper, PaperFace } from '@temnex/core/stock';
import { planJob, readJob, seededRandom } from '@temnex/core/planner';
import type { NewStock } from '@temnex/contract';
import { CuttingService } from './cutting/cutting.service.ts';
import { openDatabase } from './database/database.ts';
import { cuttings, movements, pages, plans, stock } from './database/schema.ts';
import type { Database } from './database/types.ts';
import { demoPages } from './demo/demoPages.ts';
import { StepsService } from './drawer/steps.service.ts';
import { HabitsService } from './habits/habits.service.ts';
import { PagesService } from './pages/pages.service.ts';
import { PapersService } from './papers/papers.service.ts';
import { PlansService } from './plans/plans.service.ts';

/*
 * `npm run year -- FOLDER`: a year of use, seeded: 10 000 items in a drawer of 250 papers, 300 pages and 300 cuttings. All of it goes
 * through the services that the interface asks, so that it is what a year would leave; only the days are set afterwards.
 */

export const YEAR = { papers: 250, items: 10_000, pages: 300, cuttings: 300, open: 40 } as const;
type Counts = { readonly [K in keyof typeof YEAR]: number };

const FIRST_WORDS = ['Gale', 'Swell', 'Marram', 'Dune', 'Shingle', 'Haar', 'Squall', 'Tide', 'Lugworm', 'Samphire', 'Breaker', 'Mooring', 'Headland', 'Sandbar', 'Fulmar', 'Curlew', 'Whelk', 'Driftwood', 'Bollard', 'Pennant', 'Spinnaker', 'Halyard', 'Windsock', 'Foghorn', 'Limpet']; // prettier-ignore
const SECOND_WORDS = ['teal', 'rust', 'cream', 'navy', 'coral', 'sand', 'olive', 'lilac', 'kraft', 'mint'];
const GROUNDS = ['#2f8a8c', '#a8502a', '#f4ecd8', '#20315c', '#ee7f65', '#dcc99a', '#7c7d37', '#c0a8d8', '#b98f5f', '#a8dcc0']; // prettier-ignore
const PATTERNS = ['plain', 'stripes', 'dots', 'waves', 'checks', 'clouds', 'grass'] as const;
const PLACES = ['box 1', 'box 2', 'box 3', 'box 4', 'tall folder', 'tray 1', 'tray 2', 'window shelf'];

/** Fills a database that is empty; tells now and then how far it is. */
export function liveAYear(db: Database, seed: number, counts: Counts, tell: (what: string) => void): void {
  const R = seededRandom(seed);
  const upTo = (n: number) => Math.floor(R() * n);
  const pick = <T>(list: readonly T[]): T => list[upTo(list.length)]!;
  const day = (n: number) => new Date(Date.UTC(2025, 8, 1 + n)).toISOString().slice(0, 10);
  let ids = 0;
  const id = (what: string) => `year-${what}-${++ids}`;
  const [pagesOf, papersOf, steps] = [new PagesService(db), new PapersService(db), new StepsService(db)];
  const habits = new HabitsService(db);
  const plansOf = new PlansService(db, pagesOf, papersOf, habits);
  const cutting = new CuttingService(db, plansOf, pagesOf, papersOf, habits);

  const papers = Array.from({ length: counts.papers }, (_, i): Paper => {
    const at = i % FIRST_WORDS.length;
    const tone = Math.floor(i / FIRST_WORDS.length) % SECOND_WORDS.length;
    const pattern = PATTERNS[(i * 3) % PATTERNS.length]!;
    const direction =
      pattern === 'stripes' ? 'two-way' : pattern === 'grass' || pattern === 'clouds' ? 'one-way' : 'none';
    const shade = (hex: string, by: number) =>
      `#${[1, 3, 5]
        .map((c) =>
          Math.max(0, Math.min(255, parseInt(hex.slice(c, c + 2), 16) + by))
            .toString(16)
            .padStart(2, '0'),
        )
        .join('')}`;
    const ground = shade(GROUNDS[tone]!, upTo(40) - 20);
    const front: PaperFace = {
      side: 'A',
      name: pattern,
      direction,
      along: 'height',
      look: { pattern, ground, ink: shade(ground, 55), scale: pick(['small', 'medium', 'large'] as const) },
    };
    const back: PaperFace = { side: 'B', name: 'plain', direction: 'none', along: 'height', look: { pattern: 'plain', ground: shade(ground, 25), ink: ground } }; // prettier-ignore
    return {
      id: id('paper'),
      name: `${FIRST_WORDS[at]} ${SECOND_WORDS[tone]}`,
      sides: R() < 0.6 ? [front, back] : [front],
      weight: pick([120, 160, 190, 216, 250]),
      place: pick(PLACES),
      price: 60 + upTo(120),
    };
  });
  steps.take({ id: id('step'), says: 'put-in', papers: [...papers] });
  // every paper has sheets to cut from; the rest is what a drawer fills up with
  const items: NewStock[] = [];
  const size = (n: number) => `${Math.floor(n / 16)}${n % 16 ? ` ${n % 16}/16` : ''}`.replace(/^0 /, '');
  const put = (paper: Paper, more: Partial<NewStock>) =>
    items.push({
      id: id('item'),
      paper: paper.id,
      unit: 'in',
      width: '12',
      height: '12',
      quantity: 1,
      kind: 'sheet',
      came: day(upTo(360)),
      ...(R() < 0.2 ? { place: pick(PLACES) } : {}),
      ...more,
    });
  for (const paper of papers) put(paper, { quantity: 20 });
  while (items.length < counts.items) {
    const paper = pick(papers);
    const kind = R();
    if (kind < 0.1) put(paper, { quantity: 1 + upTo(4) });
    else if (kind < 0.13) put(paper, { kind: 'pad', width: '6', height: '6', quantity: 4 + upTo(20) });
    else if (kind < 0.2) put(paper, { kind: 'branding', height: '1/2' });
    else if (kind < 0.27) put(paper, { kind: 'strip', width: size(8 + upTo(16)), height: size(64 + upTo(128)) });
    else if (kind < 0.3) {
      const [w, h] = [3 + upTo(8), 3 + upTo(8)];
      const [cw, ch] = [1 + upTo(w - 2), 1 + upTo(h - 2)];
      const outline = [[0, 0], [w, 0], [w, h - ch], [w - cw, h - ch], [w - cw, h], [0, h]] as [number, number][]; // prettier-ignore
      put(paper, { kind: 'scrap', width: String(w), height: String(h), outline });
    } else put(paper, { kind: 'scrap', width: size(16 + upTo(176)), height: size(16 + upTo(144)) });
  }
  for (let from = 0; from < items.length; from += 2000) {
    steps.take({ id: id('step'), says: 'put-in', put: items.slice(from, from + 2000) });
    tell(`${Math.min(items.length, from + 2000)} of ${items.length} items`);
  }
  // pages as the example has them, each in papers of its own
  const models = demoPages();
  const made = Array.from({ length: counts.pages }, (_, i) => {
    const { document } = models[i % models.length]!;
    const used = [...new Set([...JSON.stringify(document).matchAll(/"(demo-[a-z]+)"/g)].map(([, name]) => name!))];
    const others = new Map(used.map((name) => [name, pick(papers).id]));
    const text = JSON.stringify(document).replace(/"(demo-[a-z]+)"/g, (whole, name: string) =>
      others.has(name) ? `"${others.get(name)}"` : whole,
    );
    const page = { ...(JSON.parse(text) as typeof document), name: `${document.name}, ${day(i)}` };
    return pagesOf.create({ id: id('page'), document: page }).id;
  });
  tell(`${made.length} pages`);
  let cut = 0;
  for (const [i, page] of made.entries()) {
    // the last ones lie open; some of the others were cut, taken back and cut again
    if (i >= counts.pages - counts.open || cut >= counts.cuttings) break;
    const again = i < counts.open ? 2 : 1;
    for (let n = 0; n < again && cut < counts.cuttings; n++) {
      const { basis, job } = plansOf.asked(page, 'least-paper');
      const read = readJob(job);
      if (!read.ok) throw new Error(JSON.stringify(read.issues[0]));
      const plan = planJob({ ...read.job, nodes: 3 }, { now: () => 0 });
      const stored = plansOf.store(page, { id: id('plan'), basis, plan });
      const done = cutting.cut(stored.id, { id: id('cut') });
      cut++;
      if (n + 1 < again) cutting.undo(done.id, id('undo'));
      const at = `${day(20 + i)}T10:00:00.000Z`;
      db.update(cuttings).set({ cutAt: at }).where(eq(cuttings.id, done.id)).run();
      db.update(movements)
        .set({ at })
        .where(and(eq(movements.cutting, done.id), eq(movements.why, 'used')))
        .run();
      db.update(plans).set({ createdAt: at }).where(eq(plans.id, stored.id)).run();
      for (const kept of done.kept)
        db.update(stock)
          .set({ came: at.slice(0, 10) })
          .where(eq(stock.id, kept))
          .run();
    }
    db.update(pages)
      .set({ updatedAt: `${day(20 + i)}T11:00:00.000Z` })
      .where(eq(pages.id, page))
      .run();
    if (cut % 50 === 0) tell(`${cut} of ${counts.cuttings} cuttings`);
  }
  tell(`${cut} cuttings`);
}

/** As a command: makes the year in a folder that has none, to be opened with TEMNEX_DATA. */
export function yearIn(folder: string): void {
  const file = join(resolve(folder), 'temnex.sqlite');
  if (existsSync(file)) throw new Error(`${file} is there already. Give another folder, or move it away.`);
  const { db, close } = openDatabase(file);
  liveAYear(db, 2026, YEAR, (what) => console.log(what));
  close();
  console.log(`Done. Look at it with TEMNEX_DATA=${folder} npm start`);
}
