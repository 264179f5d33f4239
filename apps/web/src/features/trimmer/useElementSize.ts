import { useLayoutEffect, useState, type RefObject } from 'react';

/** How much room an element has, in pixels, as it changes. */
export function useElementSize(
  of: RefObject<HTMLElement | null>,
): { readonly width: number; readonly height: number } | null {
  const [room, setRoom] = useState<{ width: number; height: number } | null>(null);
  useLayoutEffect(() => {
    const element = of.current;
    if (!element) return;
    const look = () => {
      const { clientWidth: width, clientHeight: height } = element;
      setRoom((was) => (was && was.width === width && was.height === height ? was : { width, height }));
    };
    look();
    if (typeof ResizeObserver === 'undefined') return;
    const watching = new ResizeObserver(look);
    watching.observe(element);
    return () => watching.disconnect();
  }, [of]);
  return room;
}
