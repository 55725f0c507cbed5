import { useCallback, useState } from 'react';

/** The width of a box in CSS pixels, as it changes; 0 until it is laid out. Its ref goes on the box. */
export function useWidth(): readonly [(box: HTMLElement | null) => (() => void) | undefined, number] {
  const [width, setWidth] = useState(0);
  const ref = useCallback((box: HTMLElement | null) => {
    if (!box) return undefined;
    setWidth(box.clientWidth);
    const observer = new ResizeObserver(() => setWidth(box.clientWidth));
    observer.observe(box);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
