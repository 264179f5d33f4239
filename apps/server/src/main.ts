import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApplication } from './application.ts';

const here = dirname(fileURLToPath(import.meta.url));
const port = Number(process.env.TEMNEX_PORT ?? 4310);
const data = process.env.TEMNEX_DATA ?? join(here, '../../../data');

const { app, database } = await createApplication({
  databaseFile: join(data, 'temnex.sqlite'),
  site: join(here, '../../web/dist'),
  demo: process.env.TEMNEX_DEMO !== 'no',
});
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
