import { chakra } from '@chakra-ui/react';
import { unpackFrames } from '@inner-hum/core/take';
import type { TakeRecord } from '@inner-hum/core/take';
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useMemo } from 'react';
import { database } from '../db/database';
import { drawRibbon } from './ribbon';
import { takeView } from './takeView';
import { useCanvas } from '../ui/useCanvas';
import { usePalette } from '../ui/useColourMode';
import type { RibbonMark } from './view';

/** The ribbon of a kept take: in a list without lettering, under a verdict with its scale and what the verdict marks. */
export function MiniRibbon({
  take,
  height = '56px',
  textPx,
  marks,
}: {
  readonly take: TakeRecord;
  readonly height?: string;
  /** lettering of this height; none when left out */
  readonly textPx?: number;
  readonly marks?: readonly RibbonMark[];
}) {
  const kept = useLiveQuery(() => database.frames.get(take.id), [take.id]);
  const row = kept?.takeId === take.id ? kept : undefined; // the ribbon of the take before is no ribbon of this one
  const palette = usePalette();
  const frames = useMemo(() => (row ? unpackFrames(row.bytes, take.frameCount) : undefined), [row, take.frameCount]);
  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number, h: number) => {
      if (!frames) return;
      const lettering = textPx === undefined ? { plain: true } : { textPx };
      drawRibbon(context, {
        ...takeView(take, frames),
        palette,
        width,
        height: h,
        ...lettering,
        ...(marks && { marks }),
      });
    },
    [frames, palette, take, textPx, marks],
  );
  const ref = useCanvas(draw, false);
  return <chakra.canvas ref={ref} width="100%" height={height} aria-hidden display="block" />;
}
