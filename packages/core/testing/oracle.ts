/* For benchmarks: what the best of all plans of a tiny job amounts to. */
export { bruteForce, type Best } from './bruteForce.ts';
export { compileJob } from '../src/planner/blanks/compile.ts';
