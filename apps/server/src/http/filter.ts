import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import { Refused } from './refused.ts';

/** The one place where errors become answers. What nobody foresaw is logged, and told without detail. */
@Catch()
export class AnswerErrors implements ExceptionFilter {
  private readonly log = new Logger('error');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const refused = this.refusedFor(error);
    response.status(refused.status).json(refused.refusal);
  }

  private refusedFor(error: unknown): Refused {
    if (error instanceof Refused) return error;
    const status =
      error instanceof HttpException ? error.getStatus() : ((error as { status?: unknown })?.status ?? 500);
    if (status === 413) return new Refused('too-large', 'That is more than can be saved at once (8 MB).');
    if (status === 404) return new Refused('not-found', 'There is nothing at this address.');
    if (status === 400) return new Refused('bad-input', 'The request is not JSON.');
    this.log.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    return new Refused(
      'failed',
      'Something went wrong on our side; nothing was changed. The log of the server says more.',
    );
  }
}
