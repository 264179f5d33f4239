import { refusalSchema, type Refusal } from '@temnex/contract';
import type { z } from 'zod';

/** A refusal of the server, with its sentence as the message. */
export class ServerRefusal extends Error {
  readonly refusal: Refusal;

  constructor(refusal: Refusal) {
    super(refusal.message);
    this.refusal = refusal;
  }
}

/** The server could not be reached, so nobody knows whether it did what it was asked. */
export class ServerUnreachable extends Error {
  constructor() {
    super('The Temnex server does not answer. Is it still running? What you typed is still here.');
  }
}

/**
 * Asks the server and checks what it answers with the schema that both have. Throws ServerRefusal, Unreachable, or an Error with
 * a sentence where the answer is not what it should be.
 */
export async function requestJson<T>(
  method: string,
  path: string,
  answer: z.ZodType<T> | null,
  body?: unknown,
  /** Is told whether the answer is one of before, because the server did not answer now. */
  seenBefore?: (before: boolean) => void,
): Promise<T> {
  let response: Response;
  const sent =
    body instanceof Blob ? { type: body.type, body } : { type: 'application/json', body: JSON.stringify(body) };
  try {
    response = await fetch(path, {
      method,
      ...(body === undefined ? {} : { headers: { 'content-type': sent.type }, body: sent.body }),
    });
  } catch {
    throw new ServerUnreachable();
  }
  if (response.status === 204) return undefined as T;
  if (!response.ok) throw await refusalOf(response);
  const said: unknown = await response.json().catch(() => null);
  if (!answer) return undefined as T;
  const read = answer.safeParse(said);
  if (read.success) {
    seenBefore?.(response.headers.get('x-temnex-seen') === 'before');
    return read.data;
  }
  const [issue] = read.error.issues;
  throw new Error(`The server answered something unexpected (${issue?.path.join('.')}). Open the page anew.`);
}

/** Asks the server for a file. Throws ServerRefusal or Unreachable. */
export async function requestFile(path: string, body: unknown): Promise<Blob> {
  let response: Response;
  try {
    response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  } catch {
    throw new ServerUnreachable();
  }
  if (response.ok) return response.blob();
  throw await refusalOf(response);
}

/** What a refused answer says. */
async function refusalOf(response: Response): Promise<ServerRefusal> {
  const refusal = refusalSchema.safeParse(await response.json().catch(() => null));
  return new ServerRefusal(
    refusal.success ? refusal.data : { code: 'failed', message: `The server answered ${response.status}.` },
  );
}
