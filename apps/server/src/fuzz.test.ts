import { expect, test } from '@jest/globals';
import { fuzz } from './fuzz.ts';
import { testServer } from './testing.ts';

const from = Number(process.env.TEMNEX_FUZZ_FROM ?? 1);
const count = Number(process.env.TEMNEX_FUZZ ?? 120);

test(
  `${count} requests that should not be made: none ends in a 500, none leaves a list that cannot be read`,
  async () => {
    const server = await testServer();
    const { asked, taken, faults } = await fuzz(server.app, from, count);
    expect(faults).toEqual([]);
    expect(asked).toBe(count);
    // it is no use if everything is turned away at the door
    expect(taken).toBeGreaterThan(count / 20);
    await server.stop();
  },
  120_000 + count * 150,
);
