import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { act, cleanup, renderHook } from '@testing-library/react';
import { usePrinterPaper } from '../data/usePrinterPaper.ts';

beforeEach(() => localStorage.clear());
afterEach(cleanup);

test('a page in inches prints on letter, one in millimetres on A4, until somebody chooses', () => {
  expect(renderHook(() => usePrinterPaper('in')).result.current[0]).toBe('letter');
  const { result } = renderHook(() => usePrinterPaper('mm'));
  expect(result.current[0]).toBe('a4');
  act(() => result.current[1]('letter'));
  expect(result.current[0]).toBe('letter');
  expect(renderHook(() => usePrinterPaper('mm')).result.current[0]).toBe('letter');
});
test('what is kept and is no paper is passed over', () => {
  localStorage.setItem('temnex-printer-paper', 'papyrus');
  expect(renderHook(() => usePrinterPaper('in')).result.current[0]).toBe('letter');
});
