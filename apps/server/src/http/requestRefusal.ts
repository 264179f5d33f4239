import type { Refusal } from '@temnex/contract';

const STATUS: Readonly<Record<Refusal['code'], number>> = {
  'bad-input': 400,
  'not-found': 404,
  stale: 409,
  'out-of-date': 409,
  'in-use': 409,
  'plan-refused': 422,
  'stock-changed': 409,
  'already-cut': 409,
  'nothing-cut': 409,
  'already-undone': 409,
  'offcut-used': 409,
  'still-wanted': 409,
  'too-large': 413,
  'not-json': 415,
  'no-picture': 415,
  unreadable: 422,
  'no-space': 507,
  busy: 503,
  forbidden: 403,
  'not-let-in': 401,
  failed: 500,
};

/** A refusal with a sentence for people; the filter turns it into an answer. */
export class RequestRefusal extends Error {
  readonly refusal: Refusal;
  readonly status: number;

  constructor(code: Refusal['code'], message: string, more: Omit<Refusal, 'code' | 'message'> = {}) {
    super(message);
    this.refusal = { code, message, ...more };
    this.status = STATUS[code];
  }
}

export const notFound = (what: string): RequestRefusal =>
  new RequestRefusal('not-found', `There is no such ${what}; it may have been removed.`);
