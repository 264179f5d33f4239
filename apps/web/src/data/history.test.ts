import { describe, expect, test } from '@jest/globals';
import { amendHistory, changeHistory, redoHistory, startHistory, undoHistory } from './history.ts';

describe('history', () => {
  test('back and on again, and a change forgets what would have come', () => {
    const h = changeHistory(changeHistory(startHistory('a'), 'b'), 'c');
    expect(undoHistory(undoHistory(undoHistory(h))).now).toBe('a');
    expect(redoHistory(redoHistory(undoHistory(h)))).toEqual(h);
    expect(redoHistory(changeHistory(undoHistory(h), 'd'))).toEqual({ past: ['a', 'b'], now: 'd', future: [] });
  });
  test('the same again is no step, and an amended one is none either', () => {
    const h = changeHistory(startHistory('a'), 'b');
    expect(changeHistory(h, 'b')).toBe(h);
    expect(amendHistory(h, 'b')).toBe(h);
    expect(undoHistory(amendHistory(h, 'c')).now).toBe('a');
  });
  test('200 steps can be taken back', () => {
    let h = startHistory(0);
    for (let i = 1; i <= 500; i++) h = changeHistory(h, i);
    for (let i = 0; i < 500; i++) h = undoHistory(h);
    expect(h.now).toBe(300);
  });
});
