import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import { RequestRefusal } from './requestRefusal.ts';

/** The one place where errors become answers. What nobody foresaw is logged, and told without detail. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  private readonly log = new Logger('error');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const refused = this.refusedFor(error);
    response.status(refused.status).json(refused.refusal);
  }

  private refusedFor(error: unknown): RequestRefusal {
    if (error instanceof RequestRefusal) return error;
    const said = error instanceof HttpException ? error.getStatus() : (error as { status?: unknown })?.status;
    const status = typeof said === 'number' ? said : 500;
    if (status === 413) {
      const most = (error as { limit?: unknown }).limit;
      const mb = typeof most === 'number' ? Math.round(most / 2 ** 20) : 8;
      return new RequestRefusal('too-large', `That is more than can be saved at once (${mb} MB).`);
    }
    if (status === 415)
      return new RequestRefusal(
        'not-json',
        'The request is in an encoding or character set that is not understood; send it as UTF-8.',
      );
    if (isFull(error))
      return new RequestRefusal(
        'no-space',
        'There is no space left on the disk; nothing was saved. Make some and try again.',
      );
    if (isBusy(error))
      return new RequestRefusal(
        'busy',
        'Another program has held the database for too long; nothing was saved. Close it, or try again in a moment.',
      );
    if (isTaken(error))
      return new RequestRefusal('bad-input', 'id: there is something of this id already.', { field: 'id' });
    if (isReadOnly(error))
      return new RequestRefusal(
        'failed',
        'What is kept cannot be written to; nothing was saved. Look at the rights of its files and folder.',
      );
    if (status === 404 || status === 403) return new RequestRefusal('not-found', 'There is nothing at this address.');
    if (status >= 400 && status < 500)
      return new RequestRefusal('bad-input', 'The request is not JSON, or its address is none.');
    this.log.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    return new RequestRefusal(
      'failed',
      'Something went wrong on our side; nothing was changed. The log of the server says more.',
    );
  }
}

const saysOf = (error: unknown): string => {
  const { code = '', message = '', cause } = error as { code?: string; message?: string; cause?: unknown };
  return `${code} ${message} ${cause ? saysOf(cause) : ''}`;
};
const isFull = (error: unknown): boolean => /ENOSPC|SQLITE_FULL|disk is full/i.test(saysOf(error));
const isBusy = (error: unknown): boolean => /SQLITE_BUSY|database is locked/i.test(saysOf(error));
/** An id that exists already. */
const isTaken = (error: unknown): boolean =>
  /SQLITE_CONSTRAINT_(PRIMARYKEY|UNIQUE)|UNIQUE constraint/i.test(saysOf(error));
const isReadOnly = (error: unknown): boolean =>
  /SQLITE_READONLY|readonly database|SQLITE_CANTOPEN|EACCES|EPERM|EROFS|EEXIST|ENOTDIR/i.test(saysOf(error));
