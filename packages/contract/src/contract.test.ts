import { describe, expect, test } from '@jest/globals';
import { NO_TRIM, DEFAULT_HABITS } from '@temnex/core/stock';
import { emptyPage } from '@temnex/core/page';
import {
  ROUTES,
  bareRequestSchema,
  basisSchema,
  changeStockSchema,
  createPageSchema,
  newMovementSchema,
  newPaperSchema,
  newStockSchema,
  openApi,
  printQuerySchema,
  savePageSchema,
} from './index.ts';

const id = 'request-1';
const stock = { id, paper: 'p', unit: 'in', width: '5 1/2', height: '3', quantity: 1, kind: 'scrap' };
const face = {
  side: 'A',
  name: 'dots',
  direction: 'none',
  along: 'height',
  look: { pattern: 'dots', ground: '#ffffff', ink: '#000000' },
};

describe('what web and server say to each other', () => {
  test.each<[string, { safeParse: (v: unknown) => { success: boolean } }, unknown, unknown]>([
    [
      'a new page',
      createPageSchema,
      { id, document: emptyPage('p') },
      { id, document: { ...emptyPage('p'), mark: '1/7' } },
    ],
    ['a request without an id', createPageSchema, { id, document: emptyPage('p') }, { document: emptyPage('p') }],
    ['an id that is none', bareRequestSchema, { id }, { id: 'a b' }],
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
    ['new stock, the rest is usual', newStockSchema, stock, { ...stock, origin: null }],
    ['new stock with margins', newStockSchema, { ...stock, trim: NO_TRIM }, { ...stock, trim: { left: 'wide' } }],
    ['a change of stock', changeStockSchema, { reserved: true }, { quantity: 2 }],
    ['more of it', newMovementSchema, { id, why: 'added', by: 2 }, { id, why: 'added', by: -2 }],
    ['counted again', newMovementSchema, { id, why: 'corrected', to: 0 }, { id, why: 'corrected', by: 1 }],
    ['a new paper', newPaperSchema, { id, name: 'Gust', sides: [face] }, { id, name: '', sides: [face] }],
    [
      'what an order is made from',
      basisSchema,
      { pageVersion: 1, papers: { p: 3 }, habits: 0, cuts: [] },
      { pageVersion: 1 },
    ],
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
      expect('requestBody' in described).toBe((route.body ?? route.sends) !== undefined);
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
  test('tells the form of everything in the habits: a length is a text or a number, and none is missing', () => {
    interface Form {
      type: string | string[];
      properties?: Record<string, Form>;
    }
    const { requestBody } = document.paths['/api/habits']!.put as unknown as {
      requestBody: { content: Record<string, { schema: Form }> };
    };
    const { properties } = requestBody.content['application/json']!.schema;
    expect(properties!.cutter!.properties!.kerf!.type).toEqual(['string', 'number']);
    expect(properties!.cutter!.properties!.reach!.type).toEqual(['string', 'number', 'null']);
    const names = (form: Form | undefined) => Object.keys(form?.properties ?? {}).sort();
    expect(Object.keys(properties!).sort()).toEqual([...Object.keys(DEFAULT_HABITS), 'order', 'others'].sort());
    expect(names(properties!.cutter)).toEqual([...Object.keys(DEFAULT_HABITS.cutter), 'name'].sort());
    expect(names(properties!.keep)).toEqual(Object.keys(DEFAULT_HABITS.keep).sort());
  });
});
