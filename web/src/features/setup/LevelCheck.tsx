import { Box, chakra } from '@chakra-ui/react';
import { FAR_BELOW_DB, gainControl, roomBelowDb, type GainControl } from '@inner-hum/core/measure';
import { HOP_S } from '@inner-hum/core/signal';
import { levelPosition } from '@inner-hum/core/theory';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { formatNumber } from '../../text/format';
import { Button } from '../../ui/controls';
import { useAppSelector } from '../../store';
import { rulerOf } from '../../store/settings';
import { useListening } from '../../shared/page/useListening';
import type { PickedUp } from '../../input/protocol';
import { usePageSound } from '../../practice/usePageSound';

const CLIPPED_PEAK = 0.985;
const QUIET_DB = -50;
const MEMORY_FRAMES = 100;
/** Hum and missing highs are looked for so often: it takes the ear a moment. */
const PICKED_UP_EVERY_MS = 5000;
const MINUTE_FRAMES = 60 / HOP_S;

/** The last minute of a trace. */
function lastOf({ count, f0Hz, levelDb }: Heard): Heard {
  const from = Math.max(0, count - MINUTE_FRAMES);
  return { count: count - from, f0Hz: f0Hz.subarray(from, count), levelDb: levelDb.subarray(from, count) };
}

type Heard = Parameters<typeof gainControl>[0];

/** Listens and says whether the input is too loud, too quiet or right. */
export function LevelCheck() {
  const page = usePageSound();
  const { t } = useTranslation();
  const settings = useAppSelector((state) => state.settings);
  const { recording, on, toggle } = useListening();
  const bar = useRef<HTMLDivElement>(null);
  const words = useRef<HTMLParagraphElement>(null);
  const delay = useRef<HTMLParagraphElement>(null);

  useEffect(() => {
    if (!recording) return;
    const ruler = rulerOf(settings);
    let clippedUntil = 0;
    let lookAt = 0;
    let device: GainControl = {};
    let belowDb: number | undefined;
    let pickedUp: PickedUp | null = null;
    const timer = setInterval(() => {
      const trace = page.input?.trace;
      if (!trace || !bar.current || !words.current) return;
      const level = trace.count > 0 ? trace.levelDb[trace.count - 1]! : -120;
      bar.current.style.width = `${100 * Math.min(1, Math.max(0.01, levelPosition(level, ruler)))}%`;
      if (trace.peak >= CLIPPED_PEAK) clippedUntil = Date.now() + 3000;
      words.current.textContent = adviceFor(trace, level, Date.now() < clippedUntil);
      if (delay.current)
        delay.current.textContent = t('setUp.checkDelay', { ms: Math.round(1000 * trace.delayS), lost: trace.lostMs });
    }, 80);
    const adviceFor = (trace: Heard, level: number, clipped: boolean) => {
      if (clipped) return t('setUp.checkClip');
      // What it did in the last minute: it is looked at once a second.
      if (Date.now() >= lookAt) {
        lookAt = Date.now() + 1000;
        device = gainControl(lastOf(trace));
        belowDb = roomBelowDb(lastOf(trace));
      }
      if (device.gated) return t('setUp.checkGated');
      if (device.gainRidesDb !== undefined) return t('setUp.checkRides', { db: Math.round(device.gainRidesDb) });
      if (pickedUp?.bandHz !== undefined) return t('setUp.checkBand', { khz: formatNumber(pickedUp.bandHz / 1000, 1) });
      let loudest = -Infinity;
      for (let i = Math.max(0, trace.count - MEMORY_FRAMES); i < trace.count; i++)
        if (trace.f0Hz[i]! > 0) loudest = Math.max(loudest, trace.levelDb[i]!);
      if (loudest === -Infinity) return t('setUp.checkSilence', { level: formatNumber(level, 0) });
      if (belowDb !== undefined && belowDb < FAR_BELOW_DB) return t('setUp.checkFar', { db: Math.round(belowDb) });
      if (loudest < QUIET_DB) return t('setUp.checkQuiet');
      return pickedUp?.humHz === undefined ? t('setUp.checkGood') : t('setUp.checkHum', { hz: pickedUp.humHz });
    };
    const asked = setInterval(() => {
      recording.pickedUp().then(
        (found) => (pickedUp = found),
        () => undefined, // the ear is gone: that is told elsewhere
      );
    }, PICKED_UP_EVERY_MS);
    return () => {
      clearInterval(timer);
      clearInterval(asked);
    };
  }, [page, recording, settings, t]);

  return (
    <Box>
      <Box height="18px" bg="channel" borderRadius="9px" overflow="hidden" mb="8px" aria-hidden>
        <chakra.div ref={bar} height="100%" width="1%" bg="ink" />
      </Box>
      <chakra.p ref={words} role="status" minHeight="3em">
        {t('setUp.checkIdle')}
      </chakra.p>
      <chakra.p ref={delay} color="inkSoft" fontSize="small" minHeight="1.5em" data-testid="delay" />
      <Button onClick={() => void toggle()}>{on ? t('setUp.checkStop') : t('setUp.checkStart')}</Button>
    </Box>
  );
}
