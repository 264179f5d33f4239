import { describe, expect, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { plainLength } from '@temnex/core';
import { useMatSizing, type MatSizing } from './useMatSizing.ts';

function sizing() {
  const { result } = renderHook(() => useMatSizing());
  const at = () => result.current;
  const sizes = () =>
    at().answer!.answer.levels.map((l) => `${plainLength(l.width, at().mark)} x ${plainLength(l.height, at().mark)}`);
  const doing = (change: (s: MatSizing) => void) => act(() => change(at()));
  return { at, sizes, doing };
}

describe('sizing a stack of mats', () => {
  test('a newcomer sees a print with three mats, all sized', () => {
    const { at, sizes } = sizing();
    expect(at().solved.status).toBe('solved');
    expect(sizes()).toEqual(['4 x 6', '4 1/4 x 6 1/4', '4 3/8 x 6 3/8', '5 1/8 x 7 1/8']);
  });
  test('changing the print or a reveal moves everything outward of it', () => {
    const { sizes, doing } = sizing();
    doing((s) => s.setPrint('width', '3 7/8'));
    doing((s) => s.setReveal(1, ['1/4']));
    expect(sizes()).toEqual(['3 7/8 x 6', '4 1/8 x 6 1/4', '4 5/8 x 6 3/4', '5 3/8 x 7 1/2']);
  });
  test('a computed size that is typed over becomes the given one, and its reveal follows', () => {
    const { at, sizes, doing } = sizing();
    doing((s) => s.setSize(2, 'width', '6'));
    expect(sizes()[3]).toBe('6 x 7 1/8');
    expect(at().input.mats[2]).toEqual({ width: '6', height: '7 1/8' });
    expect(plainLength(at().answer!.answer.gaps[2]!.left, at().mark)).toBe('13/16');
  });
  test.each(['reveals', 'print', 'mats'] as const)('asking for the %s keeps every size as it was', (unknown) => {
    const { at, sizes, doing } = sizing();
    const before = sizes();
    doing((s) => s.setUnknown(unknown));
    expect([at().unknown, sizes()]).toEqual([unknown, before]);
    doing((s) => s.setUnknown('mats'));
    expect([at().unknown, sizes()]).toEqual(['mats', before]);
  });
  test('the largest print for a paper: outer size and reveals given', () => {
    const { sizes, doing } = sizing();
    doing((s) => void s.say('mat 1/4 around 4 x 6'));
    doing((s) => s.setUnknown('print'));
    doing((s) => s.setSize(0, 'width', '4 1/2'));
    doing((s) => s.setSize(0, 'height', '5 7/8'));
    expect(sizes()).toEqual(['4 x 5 3/8', '4 1/2 x 5 7/8']);
  });
  test('mats are added and taken off; without any the print stands alone', () => {
    const { sizes, doing } = sizing();
    doing((s) => s.addMat());
    expect(sizes().at(-1)).toBe('5 3/8 x 7 3/8');
    for (let i = 3; i >= 0; i--) doing((s) => s.removeMat(i));
    expect(sizes()).toEqual(['4 x 6']);
  });
  test('an impossible number leaves the last answer in view', () => {
    const { at, sizes, doing } = sizing();
    const before = sizes();
    doing((s) => s.setSize(0, 'width', '3'));
    expect([at().solved.status, sizes()]).toEqual(['refused', before]);
  });
  test('millimetre marks change how lengths are read, not how long they are', () => {
    const { at, doing } = sizing();
    const before = at().answer!.answer.levels.map((l) => l.width);
    doing((s) => s.setMark('1 mm'));
    expect([at().unit, at().answer!.answer.levels.map((l) => l.width)]).toEqual(['mm', before]);
    doing((s) => s.setPrint('width', '100'));
    expect(at().answer!.answer.levels[0]!.width).toBe(96000);
  });
  test('what is not understood changes nothing', () => {
    const { at, doing } = sizing();
    const before = at().input;
    let taken = true;
    doing((s) => (taken = s.say('kites')));
    expect([taken, at().input]).toEqual([false, before]);
  });
});
