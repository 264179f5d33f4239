import { z } from 'zod';
import { habitsSchema, rulesSchema, stockItemSchema } from '@temnex/core/stock';
import { cutSchema, cuttingRecordSchema, scrapPieceSchema } from './cuttings.ts';
import { deviceCodeSchema, devicesSchema } from './devices.ts';
import {
  challengeRecordSchema,
  changePaperSchema,
  changeStockSchema,
  drawerQuerySchema,
  drawerSchema,
  drawerStepSchema,
  habitsRecordSchema,
  movementSchema,
  newChallengeSchema,
  newMovementSchema,
  newPaperSchema,
  newStockSchema,
  paperRecordSchema,
  savedSearchSchema,
  unreadableRecordSchema,
  stepRecordSchema,
  stockRecordSchema,
} from './drawer.ts';
import {
  BACKUP_LIMIT_MB,
  backupCopiesSchema,
  previewCopySchema,
  backupPreviewSchema,
  restoreBackupSchema,
  restoreResultSchema,
} from './backup.ts';
import { createPageSchema, pageRecordSchema, pageSummarySchema, savePageSchema, wantingPageSchema } from './pages.ts';
import {
  latestPlanSchema,
  planRecordSchema,
  pagePrintQuerySchema,
  printQuerySchema,
  storePlanSchema,
  storeTogetherSchema,
  togetherQuerySchema,
  togetherSchema,
} from './plans.ts';
import { refusalSchema } from './refusals.ts';
import { PICTURE_LIMIT_MB, PICTURE_TYPES, paperPictureSchema, pictureQuerySchema } from './pictures.ts';
import {
  changePhotosSchema,
  changedPhotosSchema,
  photoImageQuerySchema,
  photoSheetsSchema,
  photosSchema,
  removePhotosSchema,
  uploadPhotoQuerySchema,
  uploadedPhotoSchema,
} from './photos.ts';
import { recordQuerySchema, recordSchema } from './record.ts';
import { removedItemSchema } from './removed.ts';
import { bareRequestSchema, demoRequestSchema } from './requests.ts';
import {
  beginSessionSchema,
  sendEventsSchema,
  sentEventsSchema,
  sessionRecordSchema,
  sessionRestSchema,
  sessionSchema,
  sessionsQuerySchema,
} from './sessions.ts';
import { templatesSchema } from './templates.ts';

export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  readonly path: string;
  readonly says: string;
  readonly body?: z.ZodType;
  /** Where the body is no JSON. */
  readonly sends?: 'picture' | 'zip';
  readonly query?: z.ZodObject;
  readonly answer: z.ZodType | 'pdf' | 'picture' | 'sheets' | 'stream' | 'zip' | null;
}

export const healthSchema = z.strictObject({ status: z.literal('ok'), database: z.literal('ok'), version: z.string() });
export const demoSchema = z.strictObject({ present: z.boolean() });

/** Every route of the server. Its documentation is made from this list, and a test holds the list against the server. */
export const ROUTES: readonly Route[] = [
  { method: 'get', path: '/api/health', says: 'Whether the server and its database answer', answer: healthSchema },
  { method: 'get', path: '/api/openapi.json', says: 'This description', answer: z.unknown() },
  { method: 'get', path: '/api/pages', says: 'All pages, the latest first', answer: z.array(pageSummarySchema) },
  { method: 'post', path: '/api/pages', says: 'A new page', body: createPageSchema, answer: pageRecordSchema },
  { method: 'get', path: '/api/pages/{id}', says: 'One page', answer: pageRecordSchema },
  {
    method: 'put',
    path: '/api/pages/{id}',
    says: 'Saves a page; refused as stale where somebody else saved it since',
    body: savePageSchema,
    answer: pageRecordSchema,
  },
  {
    method: 'get',
    path: '/api/pages/{id}/print.pdf',
    says: 'The page itself on paper, at true size or by half, with what to pencil, as a PDF',
    query: pagePrintQuerySchema,
    answer: 'pdf',
  },
  { method: 'delete', path: '/api/pages/{id}', says: 'Takes a page out, to be brought back', answer: null },
  {
    method: 'get',
    path: '/api/drawer',
    says: 'Papers and what there is of them; or, of a drawer that was seen, what has changed since',
    query: drawerQuerySchema,
    answer: drawerSchema,
  },
  {
    method: 'post',
    path: '/api/pictures/papers',
    says: `A picture of a paper (JPEG, PNG or WebP as the body, up to ${PICTURE_LIMIT_MB} MB), kept without its hidden data`,
    sends: 'picture',
    answer: paperPictureSchema,
  },
  {
    method: 'get',
    path: '/api/pictures/{file}',
    says: 'A picture that was taken in',
    query: pictureQuerySchema,
    answer: 'picture',
  },
  { method: 'get', path: '/api/photos', says: 'All photos, and where they are shown', answer: photosSchema },
  {
    method: 'post',
    path: '/api/photos',
    says: `Takes in a photo (JPEG, PNG or WebP as the body, up to ${PICTURE_LIMIT_MB} MB), without its hidden data`,
    sends: 'picture',
    query: uploadPhotoQuerySchema,
    answer: uploadedPhotoSchema,
  },
  {
    method: 'patch',
    path: '/api/photos',
    says: 'Says the same of many photos',
    body: changePhotosSchema,
    answer: changedPhotosSchema,
  },
  {
    method: 'post',
    path: '/api/photos/remove',
    says: 'Takes photos out, to be brought back',
    body: removePhotosSchema,
    answer: null,
  },
  {
    method: 'post',
    path: '/api/photos/sheets',
    says: 'Photo sheets with their cut marks: one as a picture (PNG or JPEG), or all as a PDF',
    body: photoSheetsSchema,
    answer: 'sheets',
  },
  {
    method: 'get',
    path: '/api/photos/files/{file}',
    says: 'A photo, upright and without its hidden data',
    query: photoImageQuerySchema,
    answer: 'picture',
  },
  {
    method: 'post',
    path: '/api/drawer/steps',
    says: 'Many things done to the drawer as one: put in, moved, held back, kept for a page, taken out',
    body: drawerStepSchema,
    answer: stepRecordSchema,
  },
  {
    method: 'get',
    path: '/api/drawer/steps',
    says: 'What was done to the drawer at once, the latest first',
    answer: z.array(stepRecordSchema),
  },
  {
    method: 'post',
    path: '/api/drawer/steps/{id}/undo',
    says: 'Undoes a step, where nothing of it has been used since',
    body: bareRequestSchema,
    answer: stepRecordSchema,
  },
  {
    method: 'get',
    path: '/api/wanting',
    says: 'What open pages still want cut, of which paper',
    answer: z.array(wantingPageSchema),
  },
  {
    method: 'get',
    path: '/api/rules',
    says: 'Rules of the drawer: what is paper again, what is cleared out',
    answer: rulesSchema,
  },
  { method: 'put', path: '/api/rules', says: 'Changes them', body: rulesSchema, answer: rulesSchema },
  {
    method: 'get',
    path: '/api/challenges',
    says: 'What somebody has set out to use up, and how far it has come',
    answer: z.array(challengeRecordSchema),
  },
  {
    method: 'post',
    path: '/api/challenges',
    says: 'Sets out to use something up, by a rule of one’s own',
    body: newChallengeSchema,
    answer: challengeRecordSchema,
  },
  { method: 'delete', path: '/api/challenges/{id}', says: 'Gives it up', answer: null },
  {
    method: 'get',
    path: '/api/drawer/set-aside',
    says: 'Searches, challenges and steps that cannot be read, so that their lists leave them out',
    answer: z.array(unreadableRecordSchema),
  },
  {
    method: 'delete',
    path: '/api/drawer/steps/{id}',
    says: 'Throws a step away that cannot be read; one that can is undone',
    answer: null,
  },
  { method: 'get', path: '/api/searches', says: 'Searches that are kept', answer: z.array(savedSearchSchema) },
  {
    method: 'post',
    path: '/api/searches',
    says: 'Keeps a search, or changes one that has this id',
    body: savedSearchSchema,
    answer: savedSearchSchema,
  },
  { method: 'delete', path: '/api/searches/{id}', says: 'Forgets a search', answer: null },
  { method: 'post', path: '/api/papers', says: 'A new paper', body: newPaperSchema, answer: paperRecordSchema },
  {
    method: 'put',
    path: '/api/papers/{id}',
    says: 'How a paper is called, looks and runs',
    body: changePaperSchema,
    answer: paperRecordSchema,
  },
  { method: 'delete', path: '/api/papers/{id}', says: 'Takes a paper out with all there is of it', answer: null },
  {
    method: 'get',
    path: '/api/removed',
    says: 'What was taken out and can be brought back, the latest first',
    answer: z.array(removedItemSchema),
  },
  ...(['pages', 'papers', 'stock', 'photos'] as const).map((what): Route => ({
    method: 'post',
    path: `/api/${what}/{id}/restore`,
    says: 'Brings it back',
    body: bareRequestSchema,
    answer: null,
  })),
  {
    method: 'post',
    path: '/api/stock',
    says: 'Sheets or scraps of a paper',
    body: newStockSchema,
    answer: stockItemSchema,
  },
  {
    method: 'patch',
    path: '/api/stock/{id}',
    says: 'How it lies, what stays whole, whether it is held back',
    body: changeStockSchema,
    answer: stockRecordSchema,
  },
  {
    method: 'post',
    path: '/api/stock/{id}/movements',
    says: 'More or fewer of it, or how many there really are; what is there is the sum',
    body: newMovementSchema,
    answer: stockRecordSchema,
  },
  {
    method: 'get',
    path: '/api/stock/{id}/movements',
    says: 'How it came to be so many, the latest first',
    answer: z.array(movementSchema),
  },
  { method: 'delete', path: '/api/stock/{id}', says: 'Takes something out of the drawer', answer: null },
  { method: 'get', path: '/api/habits', says: 'Cutter, marks and keep rule', answer: habitsRecordSchema },
  { method: 'put', path: '/api/habits', says: 'Changes them', body: habitsSchema, answer: habitsRecordSchema },
  {
    method: 'get',
    path: '/api/pages/{id}/plan',
    says: 'The latest cutting order of a page, or null',
    answer: latestPlanSchema,
  },
  {
    method: 'post',
    path: '/api/pages/{id}/plans',
    says: 'Stores a cutting order for the page, drawer and habits as they are, once it is verified',
    body: storePlanSchema,
    answer: planRecordSchema,
  },
  {
    method: 'get',
    path: '/api/together',
    says: 'What is asked of the planner for several pages that are cut together, and the order that stands',
    query: togetherQuerySchema,
    answer: togetherSchema,
  },
  {
    method: 'post',
    path: '/api/together',
    says: 'Stores a cutting order for several pages, once it is verified',
    body: storeTogetherSchema,
    answer: planRecordSchema,
  },
  {
    method: 'get',
    path: '/api/plans/{id}/print.pdf',
    says: 'The cutting order on paper',
    query: printQuerySchema,
    answer: 'pdf',
  },
  {
    method: 'post',
    path: '/api/templates.pdf',
    says: 'The outlines of a construction at true size, to print and trace',
    body: templatesSchema,
    answer: 'pdf',
  },
  {
    method: 'get',
    path: '/api/pages/{id}/cuttings',
    says: 'What was cut for a page',
    answer: z.array(cuttingRecordSchema),
  },
  {
    method: 'post',
    path: '/api/plans/{id}/cut',
    says: 'Marks a plan, or its first steps, as cut: uses up stock, puts offcuts and parts in hand into the drawer',
    body: cutSchema,
    answer: cuttingRecordSchema,
  },
  {
    method: 'post',
    path: '/api/cuttings/{id}/undo',
    says: 'Takes a cut back',
    body: bareRequestSchema,
    answer: cuttingRecordSchema,
  },
  {
    method: 'post',
    path: '/api/cuttings/{id}/scraps',
    says: 'Puts a cut piece that nothing wants any more into the drawer as a scrap',
    body: scrapPieceSchema,
    answer: cuttingRecordSchema,
  },
  {
    method: 'post',
    path: '/api/sessions',
    says: 'Begins a session at the trimmer; the one that goes on for these pages is answered instead',
    body: beginSessionSchema,
    answer: sessionSchema,
  },
  {
    method: 'get',
    path: '/api/sessions',
    says: 'Sessions, the latest first; or those of one page',
    query: sessionsQuerySchema,
    answer: z.array(sessionRecordSchema),
  },
  {
    method: 'get',
    path: '/api/sessions/{id}',
    says: 'One session, with all that happened in it',
    answer: sessionSchema,
  },
  {
    method: 'post',
    path: '/api/sessions/{id}/events',
    says: 'What happened on a device: each event once, however often it is sent',
    body: sendEventsSchema,
    answer: sentEventsSchema,
  },
  {
    method: 'get',
    path: '/api/sessions/{id}/rest',
    says: 'What is asked of the planner for what is left to cut',
    answer: sessionRestSchema,
  },
  {
    method: 'get',
    path: '/api/sessions/{id}/stream',
    says: 'What happens in it, as it happens (server-sent events)',
    answer: 'stream',
  },
  {
    method: 'get',
    path: '/api/record',
    says: 'What was cut, when, from what, and what became of it; of one page, or of all',
    query: recordQuerySchema,
    answer: recordSchema,
  },
  {
    method: 'get',
    path: '/api/backup/copies',
    says: 'Copies of the database that were made by themselves, and how much there is of everything',
    answer: backupCopiesSchema,
  },
  { method: 'get', path: '/api/backup/file', says: 'Everything as one file (ZIP)', answer: 'zip' },
  {
    method: 'post',
    path: '/api/backup/look',
    says: `What a backup holds (ZIP as the body, up to ${BACKUP_LIMIT_MB} MB); nothing is changed`,
    sends: 'zip',
    answer: backupPreviewSchema,
  },
  {
    method: 'post',
    path: '/api/backup/look-at-copy',
    says: 'What one of the copies holds; nothing is changed',
    body: previewCopySchema,
    answer: backupPreviewSchema,
  },
  {
    method: 'post',
    path: '/api/backup/restore',
    says: 'Puts what was looked into in place of what there is, which is kept as a copy',
    body: restoreBackupSchema,
    answer: restoreResultSchema,
  },
  { method: 'get', path: '/api/devices', says: 'Other devices that were let in', answer: devicesSchema },
  { method: 'post', path: '/api/devices/code', says: 'A code that lets one device in, once', answer: deviceCodeSchema },
  { method: 'delete', path: '/api/devices/{id}', says: 'Shows a device the door', answer: null },
  { method: 'get', path: '/api/demo', says: 'Whether the demo is there', answer: demoSchema },
  { method: 'post', path: '/api/demo', says: 'Puts the demo in', body: demoRequestSchema, answer: demoSchema },
  { method: 'delete', path: '/api/demo', says: 'Takes the demo out again', answer: demoSchema },
];

/** The OpenAPI 3.1 document of these routes. */
export function openApi(version: string): Record<string, unknown> {
  const components: Record<string, unknown> = {};
  // each JSON Schema brings its own definitions: they move to the document's, under names of their own
  const schema = (s: z.ZodType): Record<string, unknown> => {
    const prefix = `d${Object.keys(components).length}_`;
    const text = JSON.stringify(z.toJSONSchema(s, { io: 'input', unrepresentable: 'any' })).replaceAll(
      '"#/$defs/',
      `"#/components/schemas/${prefix}`,
    );
    const { $schema: _dialect, $defs, ...rest } = JSON.parse(text) as Record<string, unknown>;
    for (const [name, definition] of Object.entries($defs ?? {})) components[`${prefix}${name}`] = definition;
    return rest;
  };
  const paths: Record<string, Record<string, unknown>> = {};
  for (const route of ROUTES) {
    const query = route.query
      ? Object.entries(schema(route.query).properties ?? {}).map(([name, s]) => ({ name, in: 'query', schema: s }))
      : [];
    const inPath = [...route.path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: 'string' },
    }));
    const pictures = Object.fromEntries(PICTURE_TYPES.map((type) => [type, {}]));
    const content =
      route.answer === 'pdf'
        ? { 'application/pdf': {} }
        : route.answer === 'picture'
          ? pictures
          : route.answer === 'sheets'
            ? { ...pictures, 'application/pdf': {} }
            : route.answer === 'stream'
              ? { 'text/event-stream': {} }
              : route.answer === 'zip'
                ? { 'application/zip': {} }
                : route.answer && { 'application/json': { schema: schema(route.answer) } };
    (paths[route.path] ??= {})[route.method] = {
      summary: route.says,
      parameters: [...inPath, ...query],
      ...(route.body
        ? { requestBody: { required: true, content: { 'application/json': { schema: schema(route.body) } } } }
        : {}),
      ...(route.sends
        ? { requestBody: { required: true, content: route.sends === 'zip' ? { 'application/zip': {} } : pictures } }
        : {}),
      responses: {
        [route.answer ? '200' : '204']: { description: 'done', ...(content ? { content } : {}) },
        default: { description: 'refused', content: { 'application/json': { schema: schema(refusalSchema) } } },
      },
    };
  }
  return { openapi: '3.1.0', info: { title: 'Temnex', version }, paths, components: { schemas: components } };
}
