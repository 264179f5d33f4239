import type { Refusal } from '@temnex/contract';

/** A refusal of the server, with its sentence as the message. */
export class ServerRefusal extends Error {
  readonly refusal: Refusal;

  constructor(refusal: Refusal) {
    super(refusal.message);
    this.refusal = refusal;
  }
}

/** Asks the server. Throws ServerRefusal, or an Error with a sentence when it cannot be reached. */
export async function ask<T>(method: string, path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    throw new Error('The Temnex server does not answer. Is it still running? What you typed is still here.');
  }
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer as T;
  throw new ServerRefusal(
    (answer as Refusal | null) ?? { code: 'failed', message: `The server answered ${response.status}.` },
  );
}
