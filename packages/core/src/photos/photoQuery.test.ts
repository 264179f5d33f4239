import { describe, expect, test } from '@jest/globals';
import { findPhotos, orientationOf, parsePhotoQuery } from './photoQuery.ts';
import { EMPTY_PHOTO_FACTS, type Photo } from './photo.ts';

const photo = (id: string, said: Partial<Photo>): Photo => ({
  id,
  file: '0'.repeat(64),
  name: `${id}.jpg`,
  width: 3000,
  height: 2000,
  addedAt: '',
  demo: false,
  ...EMPTY_PHOTO_FACTS,
  ...said,
});
const photos = [
  photo('launch', { day: '2026-06-14', place: 'Longstrand', people: ['Aunt Wren', 'Pip'], what: 'the first launch', favourite: true }), // prettier-ignore
  photo('tower', { day: '2026-06-15', place: 'the old light', width: 2000, height: 3000, print: { width: '4', height: '6', unit: 'in', known: 'measured' } }), // prettier-ignore
  photo('box', { day: '2025-05-02', place: 'Longstrand', width: 2000, height: 2010, what: 'box kite over the may fair' }), // prettier-ignore
  photo('scan', { people: ['Pip'] }),
];
const found = (said: string) => findPhotos(photos, parsePhotoQuery(said), new Set(['tower'])).map((p) => p.id);

describe('photos are found in one line', () => {
  test.each([
    ['', ['launch', 'tower', 'box', 'scan']],
    ['longstrand', ['launch', 'box']],
    ['Pip at Longstrand', ['launch']],
    ['aunt wren', ['launch']],
    ['2026', ['launch', 'tower']],
    ['june', ['launch', 'tower']],
    ['june 2026 longstrand', ['launch']],
    ['15 june', ['tower']],
    ['jun', ['launch', 'tower']],
    ['14 jun 2026,longstrand', ['launch']],
    ['december', []],
    ['2026-06-14', ['launch']],
    ['2026-06', ['launch', 'tower']],
    ['6/14/2026', ['launch']],
    ['14.6.2026 wren', ['launch']],
    ['15/06/2026', ['tower']],
    // it may be the second of May or the fifth of February: no day is guessed
    ['2/5/2025', []],
    ['may', ['box']],
    ['not on a page', ['launch', 'box', 'scan']],
    ['not yet on a page, longstrand', ['launch', 'box']],
    ['on a page', ['tower']],
    ['upright', ['tower']],
    ['square photos', ['box']],
    ['level of pip', ['launch', 'scan']],
    ['favourites', ['launch']],
    ['no print', ['launch', 'box', 'scan']],
    ['printed', ['tower']],
    ['scan.jpg', ['scan']],
    ['nobody', []],
  ])('%s', (said, ids) => expect(found(said)).toEqual(ids));
  test('a month within a word is no month', () => expect(parsePhotoQuery('mayfly marram').words).toEqual(['mayfly', 'marram'])); // prettier-ignore
  test('how it lies, a hair aside', () => expect(orientationOf({ width: 2000, height: 2039 })).toBe('square'));
});
