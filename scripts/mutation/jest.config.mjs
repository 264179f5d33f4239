// The unit tests of one room (see rooms.mjs).
import all from '../../jest.config.mjs';
import { room } from './rooms.mjs';

const { displayName: _displayName, ...packages } = all.projects[0];

export default {
  ...packages,
  rootDir: '../..',
  roots: ['<rootDir>/packages/core/src'],
  testMatch: room().tests.map((at) => `<rootDir>/packages/core/src/${at}{/**/*,}.test.ts`),
};
