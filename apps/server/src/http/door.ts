import { createHash } from 'node:crypto';
import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import { PICTURE_TYPES } from '@temnex/contract';
import { Refused } from './refused.ts';

const LOCAL = /^(?:127\.0\.0\.1|localhost|\[::1\])(?::\d+)?$/;

const CHANGES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);
const OWN = new Set(['same-origin', 'none']);

/**
 * Only this server's own pages may talk to it: a foreign Host (a rebound name) or another Origin (another site in the same
 * browser, on another local port too) is refused. What changes something is JSON, which no other site can send unasked.
 */
export function localOnly(request: Request, response: Response, next: NextFunction): void {
  const host = request.headers.host ?? '';
  const origin = request.headers.origin;
  const site = request.headers['sec-fetch-site'];
  const refuse = (refused: Refused) => void response.status(refused.status).json(refused.refusal);
  const other = origin !== undefined && origin !== `http://${host}`;
  // a link to a page of ours is no request to the server's data
  const asksFor = request.path.startsWith('/api') ? String(site ?? 'none') : 'none';
  if (!LOCAL.test(host) || other || !OWN.has(asksFor))
    return refuse(new Refused('forbidden', 'Only the pages of this server may use it.'));
  if (CHANGES.has(request.method) && hasBody(request) && !request.is([...sentAs(request)]))
    return refuse(
      request.path.startsWith('/api/pictures/')
        ? new Refused('no-picture', 'Only JPEG, PNG and WebP pictures are taken in.')
        : new Refused('not-json', 'What changes something is sent as JSON (content-type: application/json).'),
    );
  next();
}

/** Pictures have a door of their own. None of these types can be sent by a page of another site without being asked first. */
const sentAs = (request: Request): readonly string[] =>
  request.path.startsWith('/api/pictures/') ? PICTURE_TYPES : ['application/json'];

const hasBody = (request: Request): boolean =>
  request.headers['transfer-encoding'] !== undefined || Number(request.headers['content-length'] ?? 0) > 0;

/**
 * Strict content-security policy. Styles may be inline because styled-components writes its rules into the page; of scripts set
 * into a page only those that are given.
 */
export const headers = (scripts: readonly string[]) =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: [
          "'self'",
          ...scripts.map((text) => `'sha256-${createHash('sha256').update(text).digest('base64')}'` as const),
        ],
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
