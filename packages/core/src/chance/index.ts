export { seededRandom } from './seededRandom.ts';
