import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApplication } from './application.ts';
import { lockFolder } from './database/folderLock.ts';
import { UnusableDatabase } from './database/database.ts';
import { listOwnAddresses } from './http/deviceAccess.ts';
import { PapersService } from './papers/papers.service.ts';

const here = dirname(fileURLToPath(import.meta.url));
const asked = process.env.TEMNEX_PORT ?? '4310';
const port = Number(asked);
if (!/^\d+$/.test(asked) || port > 65_535) {
  console.error(`TEMNEX_PORT is "${asked}"; it must be a number from 1 to 65535, or 0 for any that is free.`);
  process.exit(1);
}
const data = process.env.TEMNEX_DATA ?? join(here, '../../../data');

const share = process.argv.includes('--share') || process.env.TEMNEX_SHARE === 'yes';
const options = {
  databaseFile: join(data, 'temnex.sqlite'),
  site: join(here, '../../web/dist'),
  demo: process.env.TEMNEX_DEMO !== 'no',
  ...(share ? { share: listOwnAddresses() } : {}),
};
const refused = (error: unknown): never => {
  console.error(error instanceof UnusableDatabase ? error.message : error);
  process.exit(1);
};
// a folder that cannot be written to is told in the database's own words
const alone = await lockFolder(data).catch((error: unknown) =>
  error instanceof UnusableDatabase ? refused(error) : null,
);
const { app, database } = await createApplication(options).catch((error: unknown) => {
  alone?.leave();
  return refused(error);
});
if (database.copy) console.log(`The database is brought up to date; as it was, it is kept in ${database.copy}`);
try {
  await app.listen(port, share ? '0.0.0.0' : '127.0.0.1');
  const address = app.getHttpServer().address() as { port: number };
  alone?.setAddress(`http://127.0.0.1:${address.port}`);
  void app.get(PapersService).warm();
  console.log(`Temnex is at http://127.0.0.1:${address.port}`);
  for (const own of options.share ?? [])
    console.log(`Other devices in the room come in at http://${own}:${address.port}, by a code from “Other devices”`);
} catch (error) {
  const { code } = error as { code?: string };
  if (code === 'EADDRINUSE') console.error(`Port ${port} is taken; set TEMNEX_PORT to another one.`);
  else if (code === 'EACCES')
    console.error(`Port ${port} may not be used by this user; set TEMNEX_PORT to another one, such as 4310.`);
  else console.error(error);
  database.close();
  alone?.leave();
  process.exit(1);
}
const stop = async (): Promise<void> => {
  await app.close();
  database.close();
  alone?.leave();
  process.exit(0);
};
process.once('SIGINT', () => void stop());
process.once('SIGTERM', () => void stop());
