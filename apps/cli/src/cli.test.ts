import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { planSchema, readJob, verifyPlan } from '@temnex/core/planner';
import { banners, base, layer, page as pageOf, photo } from '@temnex/core/testing';
import { run } from './run.ts';

const folder = mkdtempSync(join(tmpdir(), 'temnex-cli-'));
const file = (name: string, content: unknown) => {
  const path = join(folder, name);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
};
async function temnex(...args: string[]) {
  let out = '';
  let err = '';
  const code = await run(args, { out: (t) => (out += t), err: (l) => (err += `${l}\n`), now: () => performance.now() });
  return { code, out, err };
}
const job = {
  format: 'temnex-job',
  version: 1,
  papers: [{ id: 'p', name: 'Gust' }],
  plan: { nodes: 20 },
  stock: [{ id: 's', paper: 'p', width: '12', height: '12' }],
  pieces: [{ id: 'm', name: 'mat', width: '4', height: '6', quantity: 2, papers: ['p'] }],
};

describe('temnex plan', () => {
  test('a plan that holds on standard output, a picture a sheet, exit 0', async () => {
    const { code, out, err } = await temnex('plan', file('job.json', job), '--svg', join(folder, 'svg'));
    expect({ code, err }).toEqual({ code: 0, err: '' });
    const plan = planSchema.parse(JSON.parse(out));
    const read = readJob(job);
    expect(read.ok && verifyPlan(read.job, plan)).toEqual([]);
    expect(readdirSync(join(folder, 'svg'))).toEqual(['sheet-A.svg']);
    expect(readFileSync(join(folder, 'svg', 'sheet-A.svg'), 'utf8')).toContain('<svg');
  });
  test('short of paper: the plan all the same, the reason, exit 3', async () => {
    const { code, out, err } = await temnex(
      'plan',
      file('short.json', { ...job, pieces: [{ ...job.pieces[0], width: '13' }] }),
    );
    expect(code).toBe(3);
    expect(JSON.parse(out).status).toBe('short');
    expect(err).toBe('2 × mat: no Gust reaches 13; the longest is 12\n');
  });
  test.each([
    [
      'bad.json',
      { ...job, pieces: [job.pieces[0], { ...job.pieces[0], id: 'n', width: '4 1/0' }] },
      'pieces[1].width: "4 1/0" is not a length\n',
    ],
    ['not.json', '{ kites', 'not.json: is not JSON'],
    [
      'from.json',
      { ...job, pieces: [{ ...job.pieces[0], from: { stock: 't', x: 0, y: 0 } }] },
      'pieces[0].from.stock: there is no stock "t"',
    ],
  ])('%s: one line that names the field, exit 2', async (name, content, line) => {
    const { code, out, err } = await temnex('plan', file(name, content));
    expect({ code, out }).toEqual({ code: 2, out: '' });
    expect(err).toContain(line);
    expect(err.trim().split('\n')).toHaveLength(1);
  });
});

describe('options of plan', () => {
  test('--aims: three plans; --earlier: an earlier plan is kept; an unknown option is refused', async () => {
    const path = file('aims.json', { ...job, plan: { nodes: 50 } });
    const { code, out } = await temnex('plan', path, '--aims');
    expect(code).toBe(0);
    const plans = JSON.parse(out) as { aim: string }[];
    expect(plans.map((p) => p.aim)).toEqual(['least-paper', 'easiest-cuts', 'largest-offcuts']);
    const again = await temnex('plan', path, '--earlier', file('earlier.json', plans[0]));
    expect(JSON.parse(again.out).sheets).toEqual(JSON.parse(JSON.stringify(plans[0])).sheets);
    expect((await temnex('plan', path, '--earlier', file('none.json', {}))).code).toBe(2);
    expect((await temnex('plan', path, '--glue')).code).toBe(2);
  });
});

describe('what people hand it', () => {
  test('a mark of byte order at the beginning is no fault', async () =>
    expect((await temnex('plan', file('bom.json', `\uFEFF${JSON.stringify(job)}`))).code).toBe(0));
  test('pictures onto a file, and an earlier plan a thousand levels deep: a line, exit 2', async () => {
    const path = file('job.json', job);
    const onto = await temnex('plan', path, '--svg', path);
    expect([onto.code, onto.err]).toEqual([2, `${path}: is no folder, and none can be made there\n`]);
    const deep = file('deep.json', `${'['.repeat(5000)}${']'.repeat(5000)}`);
    const earlier = await temnex('plan', path, '--earlier', deep);
    expect([earlier.code, earlier.err]).toEqual([2, `${deep}: is nested more than 400 levels deep\n`]);
  });
  test('controls in a name leave the pictures well-formed', async () => {
    const odd = { ...job, pieces: [{ ...job.pieces[0], name: 'm\u0000a\u0008t \ud800' }] };
    await temnex('plan', file('odd.json', odd), '--svg', join(folder, 'odd'));
    const text = readFileSync(join(folder, 'odd', 'sheet-A.svg'), 'utf8');
    expect(text).toContain('mat');
    expect([...text].filter((c) => c < ' ' && c !== '\n')).toEqual([]);
  });
});

describe('temnex size and schema', () => {
  test('reveals that were worked out', async () => {
    const mat = { id: 'm', reveal: { style: 'footer' as const }, width: '4 3/4', height: '6' };
    const page = pageOf(photo('p', ['4 1/4', '4 3/4'], [mat as never]));
    expect((await temnex('size', file('footer.json', page))).out).toContain(
      'p, mat 1: reveals left 1/4, right 1/4, top 1/4, bottom 1\n',
    );
  });
  test('every part with its sum', async () => {
    const page = pageOf(base([layer('a', '3/8')], { names: { a: 'field' } }), banners('pennants', {}));
    const { code, out } = await temnex('size', file('page.json', page));
    expect(code).toBe(0);
    expect(out).toContain('field: 11 1/4 x 11 1/4   [12 − 3/8 − 3/8 = 11 1/4;');
    expect(out).toContain('pennants, no. 3: 2 x 6');
    expect(out).toContain('pennants: cut a notch 1 deep, its tip 1 from the side');
  });
  test('a page that cannot be, exit 2', async () => {
    const page = pageOf(base([layer('a', '7')]));
    const { code, err } = await temnex('size', file('no.json', page));
    expect(code).toBe(2);
    expect(err).toContain('not all is here: base cannot be made as it is');
    expect(err).toContain('Nothing is left');
    expect((await temnex('size', file('bad-page.json', { ...page, mark: '1/7' }))).code).toBe(2);
  });
  test('a page of an earlier version is read as well', async () => {
    const old = { format: 'temnex-page', version: 1, name: 'p', unit: 'in', mark: '1/16', width: '8', height: '8' };
    const page = { ...old, base: { name: 'base', paper: null }, panels: [], photos: [] };
    expect(await temnex('size', file('old.json', page))).toMatchObject({ code: 0, out: 'base: 8 x 8\n' });
  });
  test.each(['page', 'job', 'plan'])('schema %s is JSON Schema', async (name) => {
    const { code, out } = await temnex('schema', name);
    expect(code).toBe(0);
    expect(JSON.parse(out)).toMatchObject({ $schema: expect.stringContaining('json-schema.org'), type: 'object' });
  });
  test.each([[], ['fly'], ['plan'], ['plan', 'a', '--svg'], ['schema', 'kite']])(
    '%j: usage, exit 2',
    async (...args) => {
      expect((await temnex(...args)).code).toBe(2);
    },
  );
});
