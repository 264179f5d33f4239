import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import { Refused } from './refused.ts';

const LOCAL = /^(?:127\.0\.0\.1|localhost|\[::1\])(?::\d+)?$/;

/**
 * Only this computer's own pages may talk to the server: a foreign Host (a rebound name) or Origin (another site in
 * the same browser) is refused.
 */
export function localOnly(request: Request, response: Response, next: NextFunction): void {
  const host = request.headers.host ?? '';
  const origin = request.headers.origin;
  const foreign = !LOCAL.test(host) || (origin !== undefined && !LOCAL.test(origin.replace(/^https?:\/\//, '')));
  if (!foreign) return next();
  const refused = new Refused('forbidden', 'Only pages on this computer may use this server.');
  response.status(refused.status).json(refused.refusal);
}

/** Strict content-security policy. Styles may be inline because styled-components writes its rules into the page. */
export const headers = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'none'"],
      scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
      workerSrc: ["'self'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      fontSrc: ["'self'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      connectSrc: ["'self'"],
      manifestSrc: ["'self'"],
      formAction: ["'none'"],
      baseUri: ["'none'"],
      frameAncestors: ["'none'"],
    },
  },
  strictTransportSecurity: false,
  crossOriginEmbedderPolicy: false,
});
