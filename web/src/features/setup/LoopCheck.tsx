import { Box, chakra, Flex } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { formatNumber } from '../../text/format';
import { click } from '../../practice/metronome';
import { Button } from '../../ui/controls';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { loopKey, settingsChanged, without } from '../../store/settings';
import { problemMet } from '../../store/practice';
import type { Recording } from '../../input/recording';
import { hearFreely } from '../../practice/freePlay';
import type { SoundHold } from '../../practice/pageSound';
import { usePageSound } from '../../practice/usePageSound';
import { problemOf } from '../../practice/problemOf';

/** Gaps between clicks, seconds: uneven, so that none can be taken for the one before. */
const GAPS_S = [0.7, 0.83, 0.74, 0.91, 0.78, 0.87, 0.71, 0.8];
const LEAD_S = 0.4;
const TAIL_S = 0.8;
/** What remains unknown even of a loop whose clicks agree, seconds: the click's own rise in speaker and air. */
const LEAST_ERROR_S = 0.002;

/** Measures the way of the sound from speaker to microphone, so that lateness can be told to a few milliseconds. */
export function LoopCheck() {
  const { t } = useTranslation();
  const source = useAppSelector((state) => state.settings.source);
  const { loop, running, outcome, measure, forget } = useLoop();
  return (
    <Box>
      <chakra.p color="inkSoft" mb="8px">
        {t('setUp.loopHelp')}
      </chakra.p>
      <chakra.p mb="10px" data-testid="loop">
        {loop
          ? t('setUp.loopMeasured', {
              ms: Math.round(1000 * loop.delayS),
              error: formatNumber(1000 * loop.delayErrorS, 1),
            })
          : t('setUp.loopUnknown')}
      </chakra.p>
      <Flex gap="10px" wrap="wrap">
        <Button onClick={() => void measure()} disabled={running || source !== 'microphone'}>
          {t(running ? 'setUp.loopRunning' : 'setUp.loopStart')}
        </Button>
        {loop && !running && (
          <Button tone="quiet" onClick={forget}>
            {t('setUp.loopForget')}
          </Button>
        )}
      </Flex>
      <chakra.p role="status" mt="8px" fontWeight={600}>
        {source === 'microphone' ? outcome : t('setUp.needsMicrophone')}
      </chakra.p>
    </Box>
  );
}

/** The way of the sound as it is known, and a measurement of it. */
function useLoop() {
  const page = usePageSound();
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const [running, setRunning] = useState(false);
  const [outcome, setOutcome] = useState('');
  const recording = useRef<Recording>(undefined);
  const hold = useRef<SoundHold>(undefined);
  const gone = useRef<AbortController>(undefined);
  // Who leaves the page does not want to know any more: what comes of it then is nobody's refusal.
  useEffect(
    () => () => {
      gone.current?.abort();
      void recording.current?.stop().catch(() => undefined); // an ear that has ended needs no stop
      hold.current?.release();
    },
    [],
  );
  const loop = settings.loops[loopKey(settings)];

  const measure = async () => {
    setRunning(true);
    setOutcome('');
    dispatch(problemMet(null));
    const controller = (gone.current = new AbortController());
    const isGone = () => controller.signal.aborted;
    const held = (hold.current = page.hold());
    try {
      const input = await held.open();
      const heard = await hearFreely(page, input, settings, { retainS: Infinity });
      recording.current = heard.recording;
      if (isGone()) return await heard.recording.stop();
      const { context } = input;
      let atS = context.currentTime + LEAD_S;
      const clicksAtS = GAPS_S.map((gap) => (atS += gap));
      for (const value of clicksAtS) click(context, value, false);
      await new Promise((resolve) => setTimeout(resolve, 1000 * (atS - context.currentTime + TAIL_S)));
      if (isGone()) return;
      const result = await heard.recording.finishLoop(clicksAtS);
      const counts = { heard: result.heard, played: result.played };
      if (result.kind === 'refused') {
        setOutcome(t(result.reason === 'notHeard' ? 'setUp.loopNotHeard' : 'setUp.loopUnsteady', counts));
        return;
      }
      const { settings: now } = store.getState();
      const path = { delayS: result.delayS, delayErrorS: Math.hypot(result.spreadS, LEAST_ERROR_S) };
      dispatch(settingsChanged({ loops: { ...now.loops, [loopKey(now)]: path } }));
      setOutcome(t('setUp.loopDone', counts));
    } catch (error) {
      if (!isGone()) dispatch(problemMet(problemOf(error)));
    } finally {
      held.release();
      setRunning(false);
    }
  };

  const forget = () => {
    dispatch(settingsChanged({ loops: without(settings.loops, loopKey(settings)) }));
    setOutcome('');
  };
  return { loop, running, outcome, measure, forget };
}
