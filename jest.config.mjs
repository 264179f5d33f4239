/** One project a kind of code: the pure packages, the server (decorators), the web (a DOM). */
const swc = (extra) => ({
  '^.+\\.tsx?$': [
    '@swc/jest',
    {
      module: { type: 'es6' },
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', tsx: true, decorators: true },
        transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: 'automatic' }, ...extra },
      },
    },
  ],
});
const shared = { extensionsToTreatAsEsm: ['.ts', '.tsx'], transform: swc({}) };
const node = {
  testEnvironment: 'node',
  testEnvironmentOptions: { customExportConditions: ['@temnex/source', 'node', 'node-addons'] },
};

export default {
  // how long something takes is measured by benchmarks, never here: this only ends what would never come
  testTimeout: 120_000,
  projects: [
    { displayName: 'packages', roots: ['<rootDir>/packages', '<rootDir>/apps/cli/src'], ...shared, ...node },
    { displayName: 'server', roots: ['<rootDir>/apps/server/src'], ...shared, ...node },
    {
      displayName: 'web',
      roots: ['<rootDir>/apps/web/src'],
      ...shared,
      setupFiles: ['<rootDir>/apps/web/jest.setup.mjs'],
      setupFilesAfterEnv: ['<rootDir>/apps/web/jest.waits.mjs'],
      testEnvironment: 'jsdom',
      testEnvironmentOptions: { customExportConditions: ['@temnex/source', 'browser'] },
    },
  ],
};
