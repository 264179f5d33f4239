import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { DEFAULT_FRAMING, computeFramedCrop, type Crop, type Framing } from '@temnex/core/photos';
import { CropFrame } from './CropFrame.tsx';

afterEach(cleanup);
const PHOTO = { width: 4000, height: 3000 };
const ROOM = { width: 400, height: 300 };
let now: Framing = DEFAULT_FRAMING;
let kept: Crop | null = null;
let pointed: object | null = null;
let changes = 0;

function Held({
  stay = null,
  staying = false,
  pointing = false,
}: {
  stay?: Crop | null;
  staying?: boolean;
  pointing?: boolean;
}) {
  const [framing, setFraming] = useState<Framing>(DEFAULT_FRAMING);
  const [own, setOwn] = useState(stay);
  now = framing;
  kept = own;
  return (
    <CropFrame
      file={'0'.repeat(64)}
      photo={PHOTO}
      ratio={1}
      framing={framing}
      stay={own}
      onChange={(next) => {
        changes++;
        setFraming(next);
      }}
      staying={staying}
      onStay={setOwn}
      onPoint={pointing ? (spot) => (pointed = spot) : undefined}
      room={ROOM}
      label="What is seen"
    />
  );
}
const frame = () => screen.getByRole('group', { name: /^What is seen/ });
const seen = (stay: Crop | null = null) => computeFramedCrop(PHOTO, now, 1, stay).crop;
const ground = () => {
  const own = frame().parentElement!.parentElement!;
  own.setPointerCapture = () => {};
  return own;
};
/** jsdom has no pointers: a mouse with a number. */
const point = (on: HTMLElement, type: string, { pointerId, ...init }: ReturnType<typeof at>) =>
  fireEvent(on, Object.assign(new MouseEvent(type, { bubbles: true, ...init }), { pointerId }));
const at = (x: number, y: number, id = 1) => ({ clientX: x, clientY: y, pointerId: id, button: 0 });

describe('a crop on a photo', () => {
  test('says what it loses; moved by arrows, further with Shift, and set back', () => {
    render(<Held />);
    expect(frame().getAttribute('aria-label')).toContain('loses 13 % on the left, 13 % on the right');
    fireEvent.keyDown(frame(), { key: 'ArrowRight' });
    expect(seen().x).toBeCloseTo(540, 3);
    fireEvent.keyDown(frame(), { key: 'ArrowLeft', shiftKey: true });
    expect(seen().x).toBeCloseTo(340, 3);
    for (let i = 0; i < 20; i++) fireEvent.keyDown(frame(), { key: 'ArrowLeft', shiftKey: true });
    expect(seen().x).toBe(0);
    fireEvent.keyDown(frame(), { key: '0' });
    expect(seen().x).toBe(500);
  });
  test('closer and back, never further than there is', () => {
    render(<Held />);
    fireEvent.keyDown(frame(), { key: '+' });
    expect(seen().width).toBeCloseTo(3000 / 1.06, 3);
    for (let i = 0; i < 5; i++) fireEvent.keyDown(frame(), { key: '-' });
    expect(seen().width).toBe(3000);
    // who scrolls past it changes nothing
    fireEvent.wheel(frame(), { deltaY: -1 });
    expect(now.zoom).toBe(1);
    frame().focus();
    fireEvent.wheel(frame(), { deltaY: -1 });
    expect(now.zoom).toBeCloseTo(1.06, 6);
  });
  test('dragged by a finger; by a corner it gets smaller about its middle; two fingers pinch', () => {
    changes = 0;
    render(<Held />);
    const own = ground();
    point(frame(), 'pointerdown', at(200, 150));
    point(own, 'pointermove', at(210, 150));
    point(own, 'pointermove', at(220, 150));
    // one change a drag: it is told when it is let go, and seen before
    expect([changes, frame().getAttribute('aria-label')]).toEqual([
      0,
      expect.stringContaining('loses 18 % on the left'),
    ]);
    point(own, 'pointerup', at(220, 150));
    expect(changes).toBe(1);
    expect(seen().x).toBeCloseTo(700, 3);
    point(own, 'pointermove', at(300, 150));
    expect(seen().x).toBeCloseTo(700, 3);
    point(frame(), 'pointerdown', at(100, 100, 1));
    point(frame(), 'pointerdown', at(200, 100, 2));
    point(own, 'pointermove', at(300, 100, 2));
    point(own, 'pointerup', at(300, 100, 2));
    point(own, 'pointerup', at(100, 100, 1));
    expect(now.zoom).toBeCloseTo(2, 6);
  });
  test('what must stay is drawn, and never lost by moving on', () => {
    render(<Held staying />);
    const own = ground();
    point(frame(), 'pointerdown', at(30, 30));
    point(own, 'pointermove', at(130, 90));
    expect(kept).toEqual({ x: 300, y: 300, width: 1000, height: 600 });
    cleanup();
    render(<Held stay={kept} />);
    for (let i = 0; i < 30; i++) fireEvent.keyDown(frame(), { key: 'ArrowRight', shiftKey: true });
    expect(seen(kept).x).toBeLessThanOrEqual(300);
  });
  test('a spot is pointed at, and nothing is moved', () => {
    render(<Held pointing />);
    ground();
    point(frame(), 'pointerdown', at(100, 75));
    expect([pointed, now]).toEqual([{ x: 0.25, y: 0.25 }, DEFAULT_FRAMING]);
  });
});
