import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import { FIRST_RECIPE, RECIPE_IDS } from '@temnex/core/recipes';
import { valueOf } from '../../widgets/construction/constructionEditor.ts';
import { useSizing } from './useSizing.ts';

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});
const WIDTH = ['mats', 0, 'width'];

describe('the first view', () => {
  test('begins with one mat round a print, solved', () => {
    const { result } = renderHook(useSizing);
    expect(result.current.made.recipe).toBe(FIRST_RECIPE);
    expect(result.current.made.laid?.layers.map((l) => l.role)).toEqual(['mat', 'print']);
  });
  test('any construction can be chosen, and each is solved at once', () => {
    const { result } = renderHook(useSizing);
    for (const id of RECIPE_IDS) {
      act(() => result.current.choose(id));
      expect([id, result.current.made.solved.status]).toEqual([id, 'solved']);
    }
  });
  test('what was typed is there when one comes back, and can be undone', () => {
    const first = renderHook(useSizing);
    act(() => first.result.current.made.set(['print', 'width'], '5'));
    first.unmount();
    const { result } = renderHook(useSizing);
    expect(valueOf(result.current.made, WIDTH)).toBe(24384 * 5.25);
    act(() => result.current.made.set(['print', 'width'], '3'));
    act(() => result.current.undo());
    expect(valueOf(result.current.made, WIDTH)).toBe(24384 * 5.25);
    act(() => result.current.redo());
    expect(valueOf(result.current.made, WIDTH)).toBe(24384 * 3.25);
  });
  test('each construction is as it was left, in this visit and the next, in whichever unit', () => {
    const first = renderHook(useSizing);
    act(() => first.result.current.made.set(['print', 'width'], '5'));
    act(() => first.result.current.choose('banner-strip'));
    act(() => first.result.current.setMark('1 mm'));
    first.unmount();
    const { result } = renderHook(useSizing);
    expect(result.current.made.recipe).toBe('banner-strip');
    act(() => result.current.choose('mat-stack'));
    expect(valueOf(result.current.made, WIDTH)).toBe(24384 * 5.25);
  });
  test.each([
    '{',
    '{"recipe":"kite"}',
    '{"recipe":"mat-stack","input":{},"markName":"1/16","room":{"width":"12","height":"12"}}',
  ])('what is remembered and cannot be read is forgotten: %s', (text) => {
    localStorage.setItem('temnex-sizing-1', text);
    const { result } = renderHook(useSizing);
    expect(result.current.made.solved.status).toBe('solved');
  });
  test('a browser that keeps nothing is no trouble', () => {
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full');
    });
    const { result } = renderHook(useSizing);
    act(() => result.current.made.set(['print', 'width'], '5'));
    expect(valueOf(result.current.made, WIDTH)).toBe(24384 * 5.25);
  });
  test('a line is taken, a line that is none is not', () => {
    const { result } = renderHook(useSizing);
    let taken = false;
    act(() => void (taken = result.current.say('5 banners 1 3/8 x 4 1/2')));
    expect([taken, result.current.made.laid?.layers.length]).toEqual([true, 5]);
    act(() => void (taken = result.current.say('kites')));
    expect(taken).toBe(false);
  });
  test('other marks keep every length', () => {
    const { result } = renderHook(useSizing);
    const before = valueOf(result.current.made, WIDTH);
    act(() => result.current.setMark('1 mm'));
    expect([valueOf(result.current.made, WIDTH), result.current.made.table.unit]).toEqual([before, 'mm']);
    expect(result.current.sizing.room.width).toBe('12 in');
  });
  test('while a number is wrong, the last answer stays in view; what is offered mends it', () => {
    const { result } = renderHook(useSizing);
    act(() => result.current.made.set(WIDTH, '3'));
    expect(result.current.made.solved.status).toBe('refused');
    expect(result.current.made.laid?.layers).toHaveLength(2);
    const { solved } = result.current.made;
    act(() => result.current.made.take(solved.status === 'refused' ? solved.offers.slice(0, 1) : []));
    expect(result.current.made.solved.status).toBe('solved');
  });
  test('layers are added, moved and taken away', () => {
    const { result } = renderHook(useSizing);
    act(() => result.current.made.addTo(['mats']));
    const ids = () => (result.current.made.input as { mats: { id: string }[] }).mats.map((m) => m.id);
    const [first, second] = ids();
    act(() => result.current.made.move(['mats'], first!, 1));
    expect(ids()).toEqual([second, first]);
    act(() => result.current.made.remove(['mats'], second!));
    expect(ids()).toEqual([first]);
  });
});
