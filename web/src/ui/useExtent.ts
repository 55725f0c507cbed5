import { useCallback, useState } from 'react';

type Extent = readonly [(box: HTMLElement | null) => (() => void) | undefined, number];

/** The width of a box in CSS pixels, as it changes; 0 until it is laid out. Its ref goes on the box. */
export const useWidth = () => useExtent('clientWidth');

/** The same of its height. */
export const useHeight = () => useExtent('clientHeight');

function useExtent(of: 'clientWidth' | 'clientHeight'): Extent {
  const [extent, setExtent] = useState(0);
  const ref = useCallback(
    (box: HTMLElement | null) => {
      if (!box) return undefined;
      setExtent(box[of]);
      const observer = new ResizeObserver(() => setExtent(box[of]));
      observer.observe(box);
      return () => observer.disconnect();
    },
    [of],
  );
  return [ref, extent];
}
