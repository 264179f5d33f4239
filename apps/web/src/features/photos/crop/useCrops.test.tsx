import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import { DEFAULT_FRAMING, type Framing } from '@temnex/core/photos';
import { useCrops } from './useCrops.ts';

const photo = { id: 'kites', width: 3000, height: 4000 };
const open = (of = photo, unit: 'in' | 'mm' = 'in') => renderHook(() => useCrops(of, unit));
const closer = (zoom: number): Framing => ({ ...DEFAULT_FRAMING, zoom });
let now = 0;
afterEach(() => {
  cleanup();
  localStorage.clear();
  jest.restoreAllMocks();
});
const clock = () => jest.spyOn(performance, 'now').mockImplementation(() => now);

describe('how a photo is seen', () => {
  test('a crop is still there when one comes back, each photo and print its own', () => {
    const first = open();
    act(() => first.result.current.choose({ width: '5', height: '7' }));
    act(() => first.result.current.put(closer(2)));
    act(() => first.result.current.choose({ width: '3 1/2', height: '5' }));
    first.unmount();
    const { result } = open();
    expect(result.current.size).toEqual({ width: '3 1/2', height: '5' });
    expect(result.current.sizes).toContainEqual({ width: '3 1/2', height: '5' });
    expect(result.current.framingOf({ width: '5', height: '7' }).zoom).toBe(2);
    expect(result.current.framingOf({ width: '4', height: '6' })).toEqual(DEFAULT_FRAMING);
    const other = open({ ...photo, id: 'dunes' });
    expect(other.result.current.framingOf({ width: '5', height: '7' })).toEqual(DEFAULT_FRAMING);
    expect(open(photo, 'mm').result.current.size).toEqual({ width: '100', height: '150' });
  });

  test('moves that follow each other at once are one step; undo and redo are kept too', () => {
    clock();
    const { result, unmount } = open();
    const size = result.current.size;
    const put = (zoom: number, at: number) => {
      now = at;
      act(() => result.current.put(closer(zoom)));
    };
    expect(result.current.canUndo).toBe(false);
    put(1.1, 1000);
    put(1.2, 1100);
    put(1.3, 1200);
    put(3, 5000);
    act(() => result.current.undo());
    expect(result.current.framingOf(size).zoom).toBe(1.3);
    act(() => result.current.undo());
    expect([result.current.framingOf(size).zoom, result.current.canUndo]).toEqual([1, false]);
    act(() => result.current.redo());
    // what comes after an undo is a step of its own
    put(2, 5100);
    act(() => result.current.undo());
    expect(result.current.framingOf(size).zoom).toBe(1.3);
    unmount();
    expect(open().result.current.framingOf(size).zoom).toBe(1.3);
  });

  test('what is kept and cannot be read is as if it were not there', () => {
    for (const kept of [
      'half a',
      '[{"photo":"kites","unit":"in","crops":{"size":{"width":"wide","height":"6"},"own":null,"framings":{}}}]',
    ]) {
      localStorage.setItem('temnex crops', kept);
      expect(open().result.current.size).toEqual({ width: '4', height: '6' });
    }
  });

  test('crops of the photos last worked on are kept, not of all that ever were', () => {
    for (let i = 0; i < 70; i++) {
      const { result, unmount } = open({ ...photo, id: `p${i}` });
      act(() => result.current.put(closer(2)));
      unmount();
    }
    const { size } = open().result.current;
    expect(open({ ...photo, id: 'p9' }).result.current.framingOf(size).zoom).toBe(1);
    expect(open({ ...photo, id: 'p10' }).result.current.framingOf(size).zoom).toBe(2);
  });
});
