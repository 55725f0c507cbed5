import { Box, chakra, Flex } from '@chakra-ui/react';
import { rulerFrom } from '@inner-hum/core/measure';
import type { Frames } from '@inner-hum/core/signal';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { formatNumber } from '../../text/format';
import { Button } from '../../ui/controls';
import { useNoteName } from '../../text/useNoteName';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { mainNote, rulerKey, rulerOf, settingsChanged, without } from '../../store/settings';
import { problemMet } from '../../store/practice';
import { hearFreely } from '../../practice/freePlay';
import type { SoundHold } from '../../practice/pageSound';
import { usePageSound } from '../../practice/usePageSound';
import { problemOf } from '../../practice/problemOf';

const HOLD_S = 12;

/** Measures the player's own softest and loudest tone, half a minute in all. */
export function RulerCheck() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { source, exercise } = useAppSelector((state) => state.settings);
  const { ruler, step, outcome, measure, cancel, forget } = useRuler();
  const note = nameOf(mainNote(exercise));
  const numbers = {
    soft: formatNumber(ruler.softestDb, 0),
    loud: formatNumber(ruler.loudestDb, 0),
  };
  return (
    <Box>
      <chakra.p color="inkSoft" mb="8px">
        {t('setUp.rulerHelp')}
      </chakra.p>
      <chakra.p mb="10px">
        {t(ruler.origin === 'measured' ? 'setUp.rulerMeasured' : 'setUp.rulerAssumed', numbers)}
      </chakra.p>
      {step && (
        <chakra.p fontFamily="heading" fontSize="title" role="status" mb="10px">
          {t(step.which === 'soft' ? 'setUp.rulerSoft' : 'setUp.rulerLoud', { note, seconds: step.left })}
        </chakra.p>
      )}
      <Flex gap="10px" wrap="wrap">
        {step ? (
          <Button onClick={cancel}>{t('setUp.rulerCancel')}</Button>
        ) : (
          <Button onClick={() => void measure()} disabled={source !== 'microphone'}>
            {t('setUp.rulerStart')}
          </Button>
        )}
        {!step && ruler.origin === 'measured' && (
          <Button tone="quiet" onClick={forget}>
            {t('setUp.rulerForget')}
          </Button>
        )}
      </Flex>
      <chakra.p role="status" mt="8px" fontWeight={600}>
        {source === 'microphone' ? outcome : t('setUp.needsMicrophone')}
      </chakra.p>
    </Box>
  );
}

/** The player's dynamics as they are known, and a measurement of them: a soft tone, a loud one. */
function useRuler() {
  const page = usePageSound();
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const [step, setStep] = useState<{ which: 'soft' | 'loud'; left: number } | null>(null);
  const [outcome, setOutcome] = useState('');
  const cancelled = useRef(false);
  useEffect(() => () => void (cancelled.current = true), []);
  const ruler = rulerOf(settings);

  const holdTone = async (hold: SoundHold, which: 'soft' | 'loud'): Promise<Frames | null> => {
    const { recording } = await hearFreely(page, await hold.open(), settings, { retainS: Infinity });
    for (let left = HOLD_S; left > 0; left--) {
      if (cancelled.current) break;
      setStep({ which, left });
      await new Promise((resolve) => setTimeout(resolve, 1000));
    }
    if (!cancelled.current) return recording.finishFrames();
    await recording.stop();
    return null;
  };

  const measure = async () => {
    cancelled.current = false;
    setOutcome('');
    dispatch(problemMet(null));
    const hold = page.hold();
    try {
      const soft = await holdTone(hold, 'soft');
      const loud = soft && (await holdTone(hold, 'loud'));
      if (!soft || !loud) return;
      const result = rulerFrom(soft, loud);
      if (result.kind === 'measured') {
        const { settings: now } = store.getState();
        dispatch(settingsChanged({ rulers: { ...now.rulers, [rulerKey(now)]: result.ruler } }));
        setOutcome(t('setUp.rulerDone', { db: formatNumber(result.ruler.loudestDb - result.ruler.softestDb, 0) }));
      } else
        setOutcome(
          result.reason === 'noTone'
            ? t('setUp.rulerNoTone')
            : t('setUp.rulerTooNarrow', { db: formatNumber(result.spanDb, 0) }),
        );
    } catch (error) {
      dispatch(problemMet(problemOf(error)));
    } finally {
      hold.release();
      setStep(null);
    }
  };

  const forget = () => {
    dispatch(settingsChanged({ rulers: without(settings.rulers, rulerKey(settings)) }));
  };
  const cancel = () => void (cancelled.current = true);
  return { ruler, step, outcome, measure, cancel, forget };
}
