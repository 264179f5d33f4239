// The unit tests of one room (see rooms.mjs). As CommonJS, whose modules are loaded in half the time: they are loaded anew for each fault.
import all from '../../jest.config.mjs';
import { room } from './rooms.mjs';

const { displayName: _displayName, extensionsToTreatAsEsm: _asEsm, ...packages } = all.projects[0];
const asCommonJs = ([files, [swc, options]]) => [files, [swc, { ...options, module: { type: 'commonjs' } }]];

export default {
  ...packages,
  transform: Object.fromEntries(Object.entries(packages.transform).map(asCommonJs)),
  // the same as CommonJS
  moduleNameMapper: { '^culori/fn$': 'culori' },
  rootDir: '../..',
  roots: ['<rootDir>/packages/core/src'],
  testMatch: room().tests.map((at) => `<rootDir>/packages/core/src/${at}{/**/*,}.test.ts`),
};
