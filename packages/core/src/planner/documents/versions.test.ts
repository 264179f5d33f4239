import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { verifyPlan } from '../check/verifyPlan.ts';
import { withBlocks } from './blocks.ts';
import { jobSchema, type JobDocument } from './jobDocument.ts';
import { planSchema } from './plan.ts';
import { readJob } from './readJob.ts';

const fixture = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`../../../fixtures/${name}.json`, import.meta.url), 'utf8'));

describe('a job and its plan of every version are kept, and still read', () => {
  const versions = [...jobSchema.shape.version.values];
  test('plans have the versions of jobs', () => {
    expect([...planSchema.shape.version.values]).toEqual(versions);
  });
  test.each(versions)('version %i', (version) => {
    const plan = planSchema.parse(fixture(`plan-${version}`));
    const asked = fixture(`job-${version}`) as JobDocument;
    expect(readJob(asked).ok).toBe(true);
    const read = readJob(withBlocks(asked, plan.blocks));
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    expect(plan.blocks !== undefined).toBe(version === 3);
    expect([read.job.version, plan.version]).toEqual([version, version]);
    expect(plan.status).toBe('complete');
    expect(verifyPlan(read.job, plan)).toEqual([]);
    // and a plan is held against its job: with a piece more it is short
    const [first, ...others] = read.job.pieces;
    expect(
      verifyPlan({ ...read.job, pieces: [{ ...first!, quantity: first!.quantity + 1 }, ...others] }, plan),
    ).not.toEqual([]);
  });
});
