import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { PICTURE_LIMIT_MB, PICTURE_TYPES } from '@temnex/contract';
import express, { type NextFunction, type Request, type Response } from 'express';
import compressed from 'express-static-gzip';
import { AppModule } from './app.module.ts';
import { openDatabase, type OpenDatabase } from './database/database.ts';
import { DemoService } from './demo/demo.service.ts';
import { accessMiddleware, securityHeaders } from './http/access.ts';
import { ErrorFilter } from './http/errorFilter.ts';
import { DeviceAccess } from './http/deviceAccess.ts';
import { RequestRefusal } from './http/requestRefusal.ts';

export interface ServerOptions {
  readonly databaseFile: string;
  /** Folder of the built interface; left out, only the API answers. */
  readonly site?: string;
  /** Whether a database that is new gets the demo. */
  readonly demo: boolean;
  /** The addresses of this machine under which other devices may come, by a code; left out: only this machine itself. */
  readonly share?: readonly string[];
  readonly quiet?: boolean;
}

/** A cutting order from a very full drawer is the largest thing that is sent. */
const BODY_LIMIT = '8mb';

/** So long a line that is not used stays open, in milliseconds. */
const KEPT_ALIVE = 75_000;

/** The application, not yet listening. Closing it closes the database. */
export async function createApplication(
  options: ServerOptions,
): Promise<{ app: NestExpressApplication; database: OpenDatabase }> {
  const database = openDatabase(options.databaseFile);
  const sharing = options.share ? new DeviceAccess(database.db, options.share) : null;
  const pictures = join(dirname(options.databaseFile), 'pictures');
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(database.db, pictures, sharing), {
    logger: options.quiet ? false : ['error', 'warn'],
    bodyParser: false,
    forceCloseConnections: true,
  });
  // a browser that sends something on a line that is closed just then is told nothing of it: lines are kept longer than it waits
  app.getHttpServer().keepAliveTimeout = KEPT_ALIVE;
  app.disable('x-powered-by');
  app.use(accessMiddleware(sharing), securityHeaders(scriptsIn(options.site)), express.json({ limit: BODY_LIMIT }));
  app.use(['/api/pictures', '/api/photos'], express.raw({ type: [...PICTURE_TYPES], limit: `${PICTURE_LIMIT_MB}mb` }));
  if (options.site && existsSync(options.site)) serveSite(app, options.site);
  app.useGlobalFilters(new ErrorFilter());
  if (database.fresh && options.demo) app.get(DemoService).put(randomUUID());
  return { app, database };
}

/** The scripts that the build set into the pages themselves. */
function scriptsIn(site: string | undefined): string[] {
  if (!site) return [];
  const pages = ['index.html', 'first.html'].map((name) => join(site, name)).filter((page) => existsSync(page));
  const texts = pages.map((page) => readFileSync(page, 'utf8'));
  return texts.flatMap((text) => [...text.matchAll(/<script>([^]*?)<\/script>/g)].map(([, script]) => script!));
}

/** The built interface: hashed files for good, as they were compressed when it was built, and its one page for every address that is not the API's. */
function serveSite(app: NestExpressApplication, site: string): void {
  app.use(
    '/assets',
    compressed(join(site, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: { immutable: true, maxAge: '1y' },
    }),
    (_request: Request, response: Response) => {
      const refused = new RequestRefusal('not-found', 'There is nothing at this address.');
      response.status(refused.status).json(refused.refusal);
    },
  );
  app.use(express.static(site, { index: false }));
  const page = join(site, 'index.html');
  // the first view is made when the application is built, and compressed then too
  const first = compressed(site, {
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    index: false,
    serveStatic: { cacheControl: false, setHeaders: (response) => response.setHeader('cache-control', 'no-cache') },
  });
  if (existsSync(join(site, 'first.html')))
    app.use((request: Request, response: Response, next: NextFunction) => {
      if (request.method !== 'GET' || request.path !== '/') return next();
      request.url = '/first.html';
      first(request, response, next);
    });
  app.use((request: Request, response: Response, next: NextFunction) => {
    const isPage =
      request.method === 'GET' && !request.path.toLowerCase().startsWith('/api') && !/\.\w+$/.test(request.path);
    if (isPage) response.sendFile(page, { headers: { 'cache-control': 'no-cache' } });
    else next();
  });
}
