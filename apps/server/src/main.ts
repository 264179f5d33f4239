import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApplication } from './application.ts';
import { UnusableDatabase } from './database/database.ts';

const here = dirname(fileURLToPath(import.meta.url));
const port = Number(process.env.TEMNEX_PORT ?? 4310);
const data = process.env.TEMNEX_DATA ?? join(here, '../../../data');

const options = {
  databaseFile: join(data, 'temnex.sqlite'),
  site: join(here, '../../web/dist'),
  demo: process.env.TEMNEX_DEMO !== 'no',
};
const { app, database } = await createApplication(options).catch((error: unknown) => {
  console.error(error instanceof UnusableDatabase ? error.message : error);
  process.exit(1);
});
if (database.copy) console.log(`The database is brought up to date; as it was, it is kept in ${database.copy}`);
try {
  await app.listen(port, '127.0.0.1');
  const address = app.getHttpServer().address() as { port: number };
  console.log(`Temnex is at http://127.0.0.1:${address.port}`);
} catch (error) {
  const taken = (error as { code?: string }).code === 'EADDRINUSE';
  console.error(taken ? `Port ${port} is taken; set TEMNEX_PORT to another one.` : error);
  database.close();
  process.exit(1);
}
const stop = async (): Promise<void> => {
  await app.close();
  database.close();
  process.exit(0);
};
process.once('SIGINT', () => void stop());
process.once('SIGTERM', () => void stop());
