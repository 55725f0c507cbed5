import { Box, chakra, Flex } from '@chakra-ui/react';
import { HOP_S } from '@inner-hum/core/signal';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { detailOf } from '../../base/detailOf';
import type { Player } from '../../practice/playback';
import { usePageSound } from '../../practice/usePageSound';
import { FIRST_SWELL } from '../../ribbon/firstSwell';
import { firstTake } from '../../ribbon/firstTake';
import { drawRibbon } from '../../ribbon/ribbon';
import { useAppDispatch } from '../../store';
import { noticed } from '../../store/notices';
import { Button } from '../../ui/controls';
import { useCanvas } from '../../ui/useCanvas';
import { usePalette } from '../../ui/useColourMode';

const { player } = FIRST_SWELL;
/** After its end the ribbon stands for so long, then it begins again, seconds. */
const RESTS_S = 2.5;
const RATE_HZ = 44_100;

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
  /** which press is the newest: what was asked for before it, or before the page was left, does not sound any more */
  const newest = useRef(0);
  const [sounding, setSounding] = useState(false);
  useEffect(
    () => () => {
      newest.current++;
      sounds.current?.close();
    },
    [],
  );
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
    newest.current++;
    sounds.current?.close();
    sounds.current = undefined;
    fromMs.current = undefined;
    setSounding(false);
  };
  const listen = async () => {
    if (sounding) return stop();
    setSounding(true);
    const press = newest.current;
    try {
      const [{ Player: Sounds }, { playStandIn }] = await Promise.all([
        import('../../practice/playback'),
        import('@inner-hum/core/simulate'),
      ]);
      if (press !== newest.current) return;
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
