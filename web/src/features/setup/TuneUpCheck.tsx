import { Box, chakra } from '@chakra-ui/react';
import { tuneUp, type TuneUp } from '@inner-hum/core/measure';
import { HOP_S } from '@inner-hum/core/signal';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '../../ui/controls';
import { formatDate, formatNumber, formatSigned } from '../../text/format';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { settingsChanged } from '../../store/settings';
import { NumberField } from '../../ui/NumberField';
import { useListening } from '../../shared/page/useListening';
import { usePageSound } from '../../practice/usePageSound';

/** How much of what was played lately counts, seconds. */
const LATELY_S = 8;

/** Listens to the middle of the horn and says which way the mouthpiece should go. */
export function TuneUpCheck() {
  const page = usePageSound();
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const { on, toggle } = useListening();
  const [result, setResult] = useState<TuneUp>({ kind: 'listening' });
  const { a4Hz, instrumentId } = settings;
  const last = settings.tuneUps[instrumentId];

  useEffect(() => {
    if (!on) return;
    const timer = setInterval(() => {
      const trace = page.input?.trace;
      if (!trace) return;
      const from = Math.max(0, trace.count - LATELY_S / HOP_S);
      const heard = tuneUp(trace.f0Hz.subarray(from, trace.count), a4Hz);
      setResult(heard);
      if (heard.kind !== 'heard' || heard.advice !== 'there') return;
      const { tuneUps, roomCelsius } = store.getState().settings;
      const kept = { at: new Date().toISOString(), cents: heard.centreCents, roomCelsius };
      dispatch(settingsChanged({ tuneUps: { ...tuneUps, [instrumentId]: kept } }));
    }, 500);
    return () => clearInterval(timer);
  }, [page, on, a4Hz, instrumentId, dispatch]);

  return (
    <Box>
      <chakra.p color="inkSoft" mb="8px">
        {t('setUp.tuneUpHelp', { a4: a4Hz })}
      </chakra.p>
      <chakra.p fontFamily="heading" fontSize="title" minHeight="2.6em" role="status" data-testid="tune-up">
        {on && result.kind === 'listening' && t('setUp.tuneUpListening')}
        {on &&
          result.kind === 'heard' &&
          t(`setUp.tuneUpAdvice.${result.advice}`, {
            cents: formatSigned(result.centreCents, 0),
            spread: formatNumber(Math.max(1, result.spreadCents), 0),
          })}
      </chakra.p>
      {last && (
        <chakra.p color="inkSoft" mb="8px">
          {t('setUp.tuneUpLast', {
            date: formatDate(new Date(last.at), 'moment'),
            cents: formatSigned(last.cents, 0),
            room: last.roomCelsius === undefined ? '' : t('setUp.tuneUpRoom', { celsius: last.roomCelsius }),
          })}
        </chakra.p>
      )}
      <chakra.div maxWidth="220px" mb="10px">
        <NumberField
          label={t('setUp.roomCelsius')}
          value={settings.roomCelsius}
          min={-10}
          max={50}
          error={t('setUp.roomBad')}
          onChange={(roomCelsius) => dispatch(settingsChanged({ roomCelsius }))}
        />
      </chakra.div>
      <Button onClick={() => void toggle()}>{t(on ? 'setUp.checkStop' : 'setUp.tuneUpStart')}</Button>
    </Box>
  );
}
