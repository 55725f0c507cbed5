import { useCallback } from 'react';
import { usePalette } from '../ui/useColourMode';
import { DrawnRibbon } from './DrawnRibbon';
import { drawRibbon } from './ribbon';
import type { takeView } from './takeView';
import type { RibbonMark } from './view';

/** The ribbon of an opened take, with a cursor at the place that is heard. */
export function LargeRibbon({
  view,
  placeS,
  label,
  marks,
}: {
  readonly view: ReturnType<typeof takeView>;
  readonly placeS: number;
  readonly label: string;
  readonly marks?: readonly RibbonMark[];
}) {
  const palette = usePalette();
  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number, height: number) =>
      drawRibbon(context, { ...view, palette, width, height, playheadS: placeS, ...(marks && { marks }) }),
    [view, palette, placeS, marks],
  );
  return <DrawnRibbon draw={draw} live={false} label={label} height="max(270px, 34vh)" mt="8px" />;
}
