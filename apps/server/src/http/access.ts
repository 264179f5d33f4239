import { createHash } from 'node:crypto';
import express, { type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import { PICTURE_TYPES } from '@temnex/contract';
import { PAIRING_MESSAGES, renderPairingPage } from './pairingPage.ts';
import { RequestRefusal } from './requestRefusal.ts';
import { COOKIE, type DeviceAccess } from './deviceAccess.ts';

const LOCAL = /^(?:127\.0\.0\.1|localhost|\[::1\])(?::\d+)?$/;
const LOOPBACK = /^(?:127\.|::1$|::ffff:127\.)/;

const CHANGES = new Set(['POST', 'PUT', 'PATCH', 'DELETE']);
const OWN = new Set(['same-origin', 'none']);
/** So long a device is let in without another code: half a year, in seconds. */
const LET_IN = 180 * 86_400;

const refuse = (response: Response, refused: RequestRefusal): void =>
  void response.status(refused.status).json(refused.refusal);

/**
 * Only this server's own pages may talk to it: a foreign Host (a rebound name) or another Origin (another site in the same
 * browser, on another local port too) is refused. What changes something is JSON, which no other site can send unasked. Where
 * it is shared, its own addresses on the network are its names too, and whoever comes from elsewhere must have been let in.
 */
export const accessMiddleware =
  (sharing: DeviceAccess | null) =>
  (request: Request, response: Response, next: NextFunction): void => {
    const host = request.headers.host ?? '';
    const origin = request.headers.origin;
    const site = request.headers['sec-fetch-site'];
    const own = LOCAL.test(host) || sharing?.addresses.includes(host.replace(/:\d+$/, ''));
    const other = origin !== undefined && origin !== `http://${host}`;
    // a link to a page of ours is no request to the server's data
    const asksFor = isApi(request) ? String(site ?? 'none') : 'none';
    if (!own || other || !OWN.has(asksFor))
      return refuse(response, new RequestRefusal('forbidden', 'Only the pages of this server may use it.'));
    const here = LOOPBACK.test(request.socket.remoteAddress ?? '') && LOCAL.test(host);
    if (!here && !sharing) return refuse(response, new RequestRefusal('forbidden', 'This server is not shared.'));
    if (!here && sharing) {
      const device = sharing.deviceOf(tokenOf(request));
      if (!device) return answerUnpaired(sharing, request, response);
      sharing.answering(device.id, response);
      (request as DeviceRequest).device = device;
      // said before what it sends is read
      if (/^\/api\/backup(?!\/copies)/.test(request.path.toLowerCase())) return refuse(response, makeDeviceRefusal());
    }
    const { types, refused } = sentAs(request);
    if (CHANGES.has(request.method) && hasBody(request) && !request.is([...types])) return refuse(response, refused());
    next();
  };

/** Paths are the same in whatever letters, as they are to what answers them. */
const isApi = (request: Request): boolean => request.path.toLowerCase().startsWith('/api');

/** A request of a device that was let in; of this machine itself there is none. */
export type DeviceRequest = Request & { device?: { readonly id: string; readonly name: string } };

/** Backups are made and put back on the computer itself. */
export const makeDeviceRefusal = (): RequestRefusal =>
  new RequestRefusal('forbidden', 'That is done on the computer itself.');

const tokenOf = (request: Request): string =>
  /(?:^|;\s*)temnex_device=([\w-]{43})(?:;|$)/.exec(request.headers.cookie ?? '')?.[1] ?? '';

/** What is answered to whoever has not been let in: the door, and nothing else. */
function answerUnpaired(sharing: DeviceAccess, request: Request, response: Response): void {
  response.setHeader('cache-control', 'no-store');
  if (request.method === 'POST' && request.path === '/door') return submitPairingCode(sharing, request, response);
  const isPage = request.method === 'GET' && !isApi(request) && !/\.\w+$/.test(request.path);
  if (!isPage)
    return refuse(
      response,
      new RequestRefusal('not-let-in', 'This device has not been let in. Open the address anew.'),
    );
  const code = typeof request.query.code === 'string' ? request.query.code.replace(/\D/g, '').slice(0, 6) : '';
  showDoor(response, 401, renderPairingPage(code, '', ''));
}

function showDoor(response: Response, status: number, page: string): void {
  response.setHeader('content-security-policy', DOOR_POLICY);
  response.setHeader('x-content-type-options', 'nosniff');
  // with no-referrer its form would come from nowhere (Origin: null), and be refused
  response.setHeader('referrer-policy', 'same-origin');
  response.status(status).type('html').send(page);
}
const DOOR_POLICY =
  "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

/** Reads a code, and lets in or answers late. */
function submitPairingCode(sharing: DeviceAccess, request: Request, response: Response): void {
  express.urlencoded({ extended: false, limit: '2kb', parameterLimit: 4 })(request, response, (error?: unknown) => {
    const body = (request.body ?? {}) as { code?: unknown; name?: unknown };
    const text = (value: unknown) => (typeof value === 'string' ? value.trim() : '');
    const name = text(body.name).replace(/\p{Cc}/gu, '').slice(0, 40); // prettier-ignore
    if (error) return showDoor(response, 400, renderPairingPage('', '', PAIRING_MESSAGES.wrong));
    const admitted = sharing.admit(text(body.code), name || 'a device', request.socket.remoteAddress ?? '');
    if (!admitted.ok) {
      const status = admitted.why === 'locked' ? 429 : 401;
      setTimeout(
        () => showDoor(response, status, renderPairingPage('', name, PAIRING_MESSAGES[admitted.why])),
        admitted.wait,
      ).unref();
      return;
    }
    response.cookie(COOKIE, admitted.token, { httpOnly: true, sameSite: 'strict', maxAge: LET_IN * 1000, path: '/' });
    response.redirect(303, '/');
  });
}

/** What may be sent where, and what is said of anything else. None of it can be sent by a page of another site without being asked first. */
function sentAs(request: Request): { readonly types: readonly string[]; readonly refused: () => RequestRefusal } {
  const path = request.path.toLowerCase();
  if (path.startsWith('/api/pictures/') || (path === '/api/photos' && request.method === 'POST'))
    return {
      types: PICTURE_TYPES,
      refused: () => new RequestRefusal('no-picture', 'Only JPEG, PNG and WebP pictures are taken in.'),
    };
  if (path === '/api/backup/look')
    return {
      types: ['application/zip'],
      refused: () => new RequestRefusal('bad-input', 'A backup is sent as a ZIP file.'),
    };
  return {
    types: ['application/json'],
    refused: () =>
      new RequestRefusal('not-json', 'What changes something is sent as JSON (content-type: application/json).'),
  };
}

const hasBody = (request: Request): boolean =>
  request.headers['transfer-encoding'] !== undefined || Number(request.headers['content-length'] ?? 0) > 0;

/**
 * Strict content-security policy. Styles may be inline because styled-components writes its rules into the page; of scripts set
 * into a page only those that are given.
 */
export const securityHeaders = (scripts: readonly string[]) =>
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
