import { useEffect, useState, type RefObject } from 'react';

/** How wide something is within its padding, in pixels; 0 until it is known. */
export function useInnerWidth(of: RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const own = of.current!;
    const style = getComputedStyle(own);
    const measure = () => setWidth(own.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight));
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(own);
    return () => watch.disconnect();
  }, [of]);
  return width;
}
