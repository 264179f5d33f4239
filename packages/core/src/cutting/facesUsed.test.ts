import { expect, test } from '@jest/globals';
import { planJob, readJob, type JobDocument } from '../planner/index.ts';
import { collectFacesOnPage, collectFacesUsed } from './index.ts';

const document: JobDocument = {
  format: 'temnex-job',
  version: 1,
  plan: { nodes: 20 },
  papers: [
    { id: 'teal', sides: [{ side: 'A' }, { side: 'B' }] },
    { id: 'rust', sides: [{ side: 'A' }, { side: 'B' }] },
  ],
  stock: [
    { id: 'one', paper: 'teal', width: '5', height: '7', kind: 'scrap' },
    { id: 'two', paper: 'rust', width: '7', height: '5', kind: 'scrap' },
  ],
  pieces: [
    { id: 'p/m', width: '4', height: '6', quantity: 2, papers: ['teal', 'rust'], side: 'B', priority: 2 },
    { id: 'p/m spare', width: '4', height: '6', papers: ['teal', 'rust'], side: 'B', priority: 1 },
  ],
};

test('the faces that the copies really come from, second choices among them', () => {
  const read = readJob(document);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob(read.job, { now: () => 0 });
  const used = collectFacesUsed(read.job, plan);
  expect([...(used.get('p/m') ?? [])].sort((a, b) => (a.paper < b.paper ? -1 : 1))).toEqual([
    { paper: 'rust', side: 'B', count: 1 },
    { paper: 'teal', side: 'B', count: 1 },
  ]);
  expect(used.has('p/m spare')).toBe(false);
  // what is cut already is what it is
  const cut = { piece: 'p/m', unit: 'in', width: '4', height: '6', paper: 'rust', side: 'A' } as const;
  expect(collectFacesOnPage([cut], { job: read.job, plan }).get('p/m')).toEqual({ paper: 'rust', side: 'A' });
  expect(collectFacesOnPage([], { job: read.job, plan }).get('p/m')?.side).toBe('B');
  expect(collectFacesOnPage([], null).size).toBe(0);
});

test('what comes out of an opening counts, and each face by itself', () => {
  const read = readJob({
    ...document,
    stock: [
      { id: 'one', paper: 'teal', width: '8', height: '10', kind: 'scrap' },
      { id: 'two', paper: 'teal', width: '2', height: '2', kind: 'scrap' },
    ],
    pieces: [
      {
        id: 'ring',
        width: '8',
        height: '10',
        papers: ['teal'],
        side: 'A',
        opening: { x: '1', y: '1', width: '6', height: '8' },
      },
      { id: 'tag', width: '3', height: '8', quantity: 2, papers: ['teal'], side: 'A' },
      { id: 'dot', width: '2', height: '2', papers: ['teal'], side: 'B' },
      { id: 'none', width: '11', height: '11', papers: ['teal'] },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob({ ...read.job, nodes: 60 }, { now: () => 0 });
  expect(Object.fromEntries(collectFacesUsed(read.job, plan))).toEqual({
    ring: [{ paper: 'teal', side: 'A', count: 1 }],
    tag: [{ paper: 'teal', side: 'A', count: 2 }],
    dot: [{ paper: 'teal', side: 'B', count: 1 }],
  });
  // a spare shows the face of the piece that it is one more of, once that is not known otherwise
  const spare = { ...read.job, pieces: read.job.pieces.map((p) => (p.id === 'dot' ? { ...p, id: 'dot spare' } : p)) };
  const again = planJob({ ...spare, nodes: 60 }, { now: () => 0 });
  expect(collectFacesOnPage([], { job: spare, plan: again }).get('dot')).toEqual({ paper: 'teal', side: 'B' });
  const first = { piece: 'dot', unit: 'in', width: '2', height: '2', paper: 'rust', side: 'A' } as const;
  const second = { ...first, paper: 'teal' };
  expect(collectFacesOnPage([first, second], null).get('dot')).toEqual({ paper: 'rust', side: 'A' });
});
