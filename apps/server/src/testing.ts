import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { createApplication } from './application.ts';

/** A server over a real database file of its own, for tests. */
export interface TestServer {
  readonly app: NestExpressApplication;
  readonly http: ReturnType<NestExpressApplication['getHttpServer']>;
  readonly file: string;
  stop(): Promise<void>;
}

/** `share`: addresses under which other devices may come. */
export async function testServer(demo = true, share?: readonly string[]): Promise<TestServer> {
  const folder = mkdtempSync(join(tmpdir(), 'temnex-'));
  const file = join(folder, 'test.sqlite');
  const { app, database } = await createApplication({
    databaseFile: file,
    demo,
    quiet: true,
    ...(share ? { share } : {}),
  });
  await app.init();
  return {
    app,
    http: app.getHttpServer(),
    file,
    stop: async () => {
      await app.close();
      database.close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
