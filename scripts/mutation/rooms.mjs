/**
 * What is measured, a room at a time, and the unit tests that have to notice: a room's own.
 * Anything beyond them (the planner's searches, the table, the journeys) would notice more, but only by the way.
 */
export const rooms = {
  length: { sources: ['length/*.ts'], tests: ['length'] },
  recipes: { sources: ['recipes/**/*.ts'], tests: ['recipes'] },
  page: { sources: ['page/*.ts'], tests: ['page'] },
  stock: { sources: ['stock/*.ts'], tests: ['stock'] },
  cutting: { sources: ['cutting/*.ts'], tests: ['cutting'] },
  rules: {
    sources: ['planner/order/*.ts', 'planner/sheets/score.ts', 'planner/sheets/standing.ts'],
    tests: ['planner/order/written', 'planner/order/shattered', 'planner/order/runs', 'planner/sheets/score'],
  },
};

export const room = () => rooms[process.env.MUTATION_ROOM];
