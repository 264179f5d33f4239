/** The world as the command line sees it; passed in so that tests need no process. */
export interface World {
  readonly out: (text: string) => void;
  readonly err: (line: string) => void;
  readonly now: () => number;
}

/** Exit codes: 0 done, 2 bad input or usage, 3 the plan is short of pieces, or what was said cannot be. */
export const DONE = 0;
export const BAD_INPUT = 2;
export const SHORT = 3;
export const REFUSED = 3;
