import { describe, expect, test } from '@jest/globals';
import { NO_TRIM, USUAL_HABITS, emptyPage } from '@temnex/core';
import {
  ROUTES,
  changeStockSchema,
  createPageSchema,
  newPaperSchema,
  newStockSchema,
  openApi,
  printQuerySchema,
  savePageSchema,
  storePlanSchema,
} from './index.ts';

const stock = { paper: 'p', unit: 'in', width: '5 1/2', height: '3', quantity: 1, kind: 'scrap' };
const face = {
  side: 'A',
  name: 'dots',
  direction: 'none',
  along: 'height',
  look: { pattern: 'dots', ground: '#ffffff', ink: '#000000' },
};

describe('what web and server say to each other', () => {
  test.each<[string, { safeParse: (v: unknown) => { success: boolean } }, unknown, unknown]>([
    ['a new page', createPageSchema, { document: emptyPage('p') }, { document: { ...emptyPage('p'), mark: '1/7' } }],
    [
      'a save names its version',
      savePageSchema,
      { version: 1, document: emptyPage('p') },
      { document: emptyPage('p') },
    ],
    [
      'a save of version 0',
      savePageSchema,
      { version: 3, document: emptyPage('p') },
      { version: 0, document: emptyPage('p') },
    ],
    ['new stock, the rest is usual', newStockSchema, stock, { ...stock, id: 'mine' }],
    ['new stock with margins', newStockSchema, { ...stock, trim: NO_TRIM }, { ...stock, trim: { left: 'wide' } }],
    ['a change of stock', changeStockSchema, { quantity: 2 }, { width: '3' }],
    ['a new paper', newPaperSchema, { name: 'Gust', sides: [face] }, { name: '', sides: [face] }],
    ['a plan to store', storePlanSchema.pick({ pageVersion: true }), { pageVersion: 1 }, { pageVersion: 1.5 }],
    ['a paper for the printer', printQuerySchema, {}, { paper: 'a9' }],
  ])('%s', (_, schema, good, bad) => {
    expect(schema.safeParse(good).success).toBe(true);
    expect(schema.safeParse(bad).success).toBe(false);
  });
});

describe('the description of the API', () => {
  const document = openApi('1.2.3') as {
    openapi: string;
    info: { version: string };
    paths: Record<
      string,
      Record<
        string,
        { parameters: { name: string; in: string }[]; requestBody?: object; responses: Record<string, object> }
      >
    >;
    components: { schemas: object };
  };
  test('has every route, with its parameters, body and answers', () => {
    expect([document.openapi, document.info.version]).toEqual(['3.1.0', '1.2.3']);
    for (const route of ROUTES) {
      const described = document.paths[route.path]![route.method]!;
      const names = [...route.path.matchAll(/\{(\w+)\}/g)].map((m) => m[1]);
      expect(described.parameters.filter((p) => p.in === 'path').map((p) => p.name)).toEqual(names);
      expect('requestBody' in described).toBe(route.body !== undefined);
      expect(Object.keys(described.responses)).toEqual([route.answer ? '200' : '204', 'default']);
    }
  });
  test('is JSON, with every reference answered in it', () => {
    const text = JSON.stringify(document);
    for (const [, name] of text.matchAll(/"#\/components\/schemas\/([^"]+)"/g))
      expect(Object.keys(document.components.schemas)).toContain(name);
    expect(text).not.toContain('"#/$defs');
    expect(JSON.parse(text)).toEqual(document);
  });
  test('tells the form of a length', () =>
    expect(JSON.stringify(document.paths['/api/habits']!.put)).toContain('reach'));
  test('usual habits are what it describes', () => expect(USUAL_HABITS.cutter).toHaveProperty('reach'));
});
