import 'reflect-metadata';
import { readFileSync, writeSync } from 'node:fs';
import { Readable } from 'node:stream';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import sharp from 'sharp';
import { createApplication } from './application.ts';
import { BackupService } from './backup/backup.service.ts';

/* Restores one backup and another by turns, while photos come in, until it is killed. Started by killRestoring.test.ts. */
const [database, ...backups] = process.argv.slice(2) as [string, string, string];
const { app } = await createApplication({ databaseFile: database, demo: false, quiet: true });
await app.init();
const keeping = app.get(BackupService);
const zips = backups.map((file) => readFileSync(file));

async function restoring(): Promise<void> {
  for (let turn = 0; ; turn++) {
    const { ticket } = await keeping.lookInto(Readable.from([zips[turn % zips.length]]));
    keeping.restore({ id: randomUUID(), ticket, replace: true });
    writeSync(1, 'restored\n');
  }
}
async function photosComeIn(): Promise<void> {
  for (let n = 0; ; n++) {
    const background = { r: n % 256, g: process.pid % 256, b: 90 };
    const photo = await sharp({ create: { width: 300 + (n % 50), height: 200, channels: 3, background } })
      .jpeg()
      .toBuffer();
    const { status } = await request(app.getHttpServer())
      .post(`/api/photos?id=${randomUUID()}`)
      .set('Host', '127.0.0.1:4310')
      .set('content-type', 'image/jpeg')
      .send(photo);
    if (status < 300) writeSync(1, 'photo\n');
  }
}
await Promise.all([restoring(), photosComeIn()]);
