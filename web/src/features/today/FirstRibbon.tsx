import { Box, chakra, Flex } from '@chakra-ui/react';
import { askedHz } from '@inner-hum/core/exercise';
import { exerciseScore } from '@inner-hum/core/families';
import { HOP_S } from '@inner-hum/core/signal';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { detailOf } from '../../base/detailOf';
import type { Player } from '../../practice/playback';
import { usePageSound } from '../../practice/usePageSound';
import { drawRibbon } from '../../ribbon/ribbon';
import { takeView } from '../../ribbon/takeView';
import { useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';
import { Button } from '../../ui/controls';
import { useCanvas } from '../../ui/useCanvas';
import { usePalette } from '../../ui/useColourMode';
import heard from './firstSwell.json';
import { FIRST_SWELL } from './firstSwell';

const { exercise, player } = FIRST_SWELL;
/** After its end the ribbon stands for so long, then it begins again, seconds. */
const RESTS_S = 2.5;
const RATE_HZ = 44_100;

/** The ribbon of the stand-in's swell, as the ear heard it when the application was made. */
function firstTake() {
  const score = exerciseScore(exercise);
  const { targetHz } = askedHz(score, score.steps[0]!, player.a4Hz);
  const count = heard.cents.length * heard.every;
  const row = (i: number) => Math.floor(i / heard.every);
  const frames = {
    count,
    f0Hz: Float32Array.from({ length: count }, (_, i) => {
      const cents = heard.cents[row(i)];
      return cents === null || cents === undefined ? 0 : targetHz * 2 ** (cents / 1200);
    }),
    levelDb: Float32Array.from({ length: count }, (_, i) => heard.levelDb[row(i)]!),
    breathDb: Float32Array.from({ length: count }, (_, i) => heard.breathDb[row(i)]!),
  };
  const setup = { ruler: player.ruler, demand: 'firm', a4Hz: player.a4Hz } as const;
  return { score, frames, view: takeView({ score, firstBeatS: player.leadS, setup }, frames) };
}

/** A swell that draws itself over and over, silent until it is wanted; with less motion wanted it stands whole. */
export function FirstRibbon() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { speaker } = usePageSound();
  const palette = usePalette();
  const { score, frames, view } = useMemo(() => firstTake(), []);
  const still = useMemo(() => window.matchMedia('(prefers-reduced-motion: reduce)').matches, []);
  const fromMs = useRef<number>(undefined);
  const sounds = useRef<Player>(undefined);
  const [sounding, setSounding] = useState(false);
  useEffect(() => () => sounds.current?.close(), []);
  const draw = useCallback(
    (context: CanvasRenderingContext2D, width: number, height: number) => {
      fromMs.current ??= performance.now();
      const lengthS = frames.count * HOP_S;
      const own = sounds.current;
      const nowS = own ? own.placeS : ((performance.now() - fromMs.current) / 1000) % (lengthS + RESTS_S);
      const count = still && !own ? frames.count : Math.min(frames.count, Math.floor(nowS / HOP_S));
      const runs = count < frames.count && { playheadS: nowS };
      drawRibbon(context, { ...view, frames: { ...view.frames, count }, palette, width, height, ...runs });
    },
    [frames, view, palette, still],
  );
  const ref = useCanvas(draw, !still || sounding);
  const stop = () => {
    sounds.current?.close();
    sounds.current = undefined;
    fromMs.current = undefined;
    setSounding(false);
  };
  const listen = async () => {
    if (sounding) return stop();
    setSounding(true);
    try {
      const [{ Player: Sounds }, { playStandIn }] = await Promise.all([
        import('../../practice/playback'),
        import('@inner-hum/core/simulate'),
      ]);
      const samples = Float32Array.from(playStandIn(score, { sampleRateHz: RATE_HZ, ...player }));
      sounds.current = new Sounds(speaker, { sampleRateHz: RATE_HZ, samples }, stop);
      await sounds.current.play(0);
    } catch (error) {
      stop();
      dispatch(noticed({ key: 'take.notHeard', values: { detail: detailOf(error) } }));
    }
  };
  return (
    <Box data-testid="first-ribbon" mt="16px">
      <chakra.canvas
        ref={ref}
        role="img"
        aria-label={t('welcome.ribbon')}
        width="100%"
        height={{ base: '180px', md: '260px' }}
        display="block"
      />
      <Flex gap="14px" align="center" wrap="wrap" mt="4px">
        <chakra.p flex="1 1 320px" color="inkSoft">
          {t('welcome.ribbon')}
        </chakra.p>
        <Button tone="quiet" onClick={() => void listen()}>
          {t(sounding ? 'welcome.silence' : 'welcome.listen')}
        </Button>
      </Flex>
    </Box>
  );
}
