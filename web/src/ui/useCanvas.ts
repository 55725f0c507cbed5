import { useEffect, useRef, type RefObject } from 'react';

/** Sizes a canvas to its box at the screen's resolution and calls `draw` with a context in CSS pixels. */
function fit(canvas: HTMLCanvasElement): CanvasRenderingContext2D | null {
  const ratio = window.devicePixelRatio || 1;
  const { clientWidth, clientHeight } = canvas;
  const width = Math.round(clientWidth * ratio);
  const height = Math.round(clientHeight * ratio);
  if (canvas.width !== width || canvas.height !== height) {
    canvas.width = width;
    canvas.height = height;
  }
  const context = canvas.getContext('2d');
  context?.setTransform(ratio, 0, 0, ratio, 0, 0);
  return context;
}

export type Draw = (context: CanvasRenderingContext2D, width: number, height: number) => void;

/**
 * A canvas that draws itself: once for each change of `draw` and of its size, or in every animation frame when `live`.
 */
export function useCanvas(draw: Draw, live: boolean): RefObject<HTMLCanvasElement | null> {
  const ref = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const canvas = ref.current;
    if (!canvas) return;
    const once = () => {
      const context = fit(canvas);
      if (context && canvas.clientWidth > 0) draw(context, canvas.clientWidth, canvas.clientHeight);
    };
    const observer = new ResizeObserver(once);
    observer.observe(canvas);
    let request = 0;
    const loop = () => {
      once();
      request = requestAnimationFrame(loop);
    };
    if (live) loop();
    else once();
    return () => {
      observer.disconnect();
      cancelAnimationFrame(request);
    };
  }, [draw, live]);
  return ref;
}
