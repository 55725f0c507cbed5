import { chakra } from '@chakra-ui/react';
import { unpackFrames } from '@inner-hum/core/formats/light';
import type { TakeRecord } from '@inner-hum/core/formats';
import { beatSeconds, scoreBeats } from '@inner-hum/core/exercise';
import { DEMAND_CENTS } from '@inner-hum/core/measure';
import type { Frames } from '@inner-hum/core/signal';
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useMemo } from 'react';
import { database } from '../db/database';
import { drawRibbon, ribbonSteps } from './ribbon';
import { useCanvas } from './useCanvas';
import { usePalette } from './useColourMode';

/** Everything the ribbon needs of a kept take. */
export function takeView(take: TakeRecord, frames: Frames) {
  const { score, firstBeatS, setup } = take;
  const beatS = beatSeconds(score);
  const endS = firstBeatS + scoreBeats(score) * beatS;
  return {
    ruler: setup.ruler,
    windowCents: DEMAND_CENTS[setup.demand],
    hidden: false,
    fromS: Math.max(0, firstBeatS - 0.4),
    toS: endS + 0.3,
    steps: ribbonSteps(score, firstBeatS, setup.a4Hz),
    beats: { firstS: firstBeatS, beatS, perBar: score.beatsPerBar },
    frames: { count: frames.count, startS: 0, f0Hz: frames.f0Hz, levelDb: frames.levelDb, breathDb: frames.breathDb },
  };
}

/** The ribbon of a kept take in a list. */
export function MiniRibbon({ take, height = '56px' }: { readonly take: TakeRecord; readonly height?: string }) {
  const row = useLiveQuery(() => database.frames.get(take.id), [take.id]);
  const palette = usePalette();
  const frames = useMemo(() => (row ? unpackFrames(row.bytes, take.frameCount) : undefined), [row, take.frameCount]);
  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number, h: number) => {
      if (frames) drawRibbon(context, { ...takeView(take, frames), palette, width, height: h, plain: true });
    },
    [frames, palette, take],
  );
  const ref = useCanvas(draw, false);
  return <chakra.canvas ref={ref} width="100%" height={height} aria-hidden display="block" />;
}
