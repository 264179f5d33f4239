import 'reflect-metadata';
import { writeSync } from 'node:fs';
import { openDatabase } from './database/database.ts';
import { PagesService } from './pages/pages.service.ts';

/* Saves the only page of a database over and over, until it is killed. Started by kill.test.ts. */
const { db } = openDatabase(process.argv[2]!);
const pages = new PagesService(db);
const { id } = pages.list()[0]!;
for (;;) {
  const { version, document } = pages.get(id);
  pages.save(id, { version, document: { ...document, name: `saved as ${version + 1}` } });
  writeSync(1, `${version + 1}\n`);
}
