// How one room is measured (see rooms.mjs); started by scripts/mutation.mjs.
import { mutated, room } from './rooms.mjs';

const name = process.env.MUTATION_ROOM;

export default {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  jest: { projectType: 'custom', configFile: 'scripts/mutation/jest.config.mjs', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  mutate: mutated(room().sources, Number(process.env.MUTATION_ONE_IN ?? 1)),
  // What is said is held by the tests of packages/words and by the eye.
  mutator: { excludedMutations: ['StringLiteral'] },
  jsonReporter: { fileName: `.mutation/${name}.json` },
  reporters: ['json', 'progress-append-only'],
  concurrency: 2,
  timeoutMS: 20000,
  // modules loaded anew for each run are never given back
  maxTestRunnerReuse: 40,
  tempDirName: `.mutation/sandbox-${name}`,
  ignorePatterns: ['dist', 'e2e', 'docs', 'data', 'apps', 'benchmarks', 'test-results', '.mutation'],
  warnings: { slow: false },
};
