import { Box, chakra, Flex } from '@chakra-ui/react';
import { centsBetweenHz, hzToMidi, instrumentById, midiToHz, writtenMidi, writtenToHz } from '@inner-hum/core/theory';
import { useEffect, useRef, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import { runner } from '../../audio/takeRunner';
import { formatSigned } from '../../shared/format';
import { useNoteName } from '../../shared/useNoteName';
import { useAppSelector } from '../../store';

const LETTER_PX = { base: '84px', md: '132px' } as const;

/** The note, the dynamics, the beat: what must be readable from two metres. */
export function StandHead() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { phase } = useAppSelector((state) => state.stand);
  const settings = useAppSelector((state) => state.settings);
  const { swell } = settings;
  const number = useRef<HTMLSpanElement>(null);
  const note = useRef<HTMLSpanElement>(null);
  const cents = useRef<HTMLSpanElement>(null);
  const running = ['countIn', 'waiting', 'running', 'free'].includes(phase);
  useEffect(() => {
    const plain = nameOf(swell.writtenMidi);
    show(note, plain);
    show(cents, '');
    show(number, '');
    if (!running) return;
    let request = 0;
    const tick = () => {
      request = requestAnimationFrame(tick);
      const { desk, timing } = runner;
      if (!desk) return;
      if (phase === 'free') showFree();
      else if (timing) show(number, beatNow(timing, desk.context.currentTime));
      if (phase === 'running' && !swell.tunerHidden) showCents();
    };
    const hzNow = () => {
      const trace = runner.desk?.trace;
      return trace ? (trace.f0Hz[trace.count - 1] ?? 0) : 0;
    };
    const horn = instrumentById(settings.instrumentId);
    const showFree = () => {
      const hz = hzNow();
      if (hz === 0) return;
      const midi = Math.round(hzToMidi(hz, settings.a4Hz));
      show(note, nameOf(writtenMidi(horn, midi)));
      const off = centsBetweenHz(midiToHz(midi, settings.a4Hz), hz);
      show(cents, t('stand.cents', { value: formatSigned(off, 0) }));
    };
    const target = writtenToHz(horn, swell.writtenMidi, settings.a4Hz);
    const showCents = () => {
      const hz = hzNow();
      const off = hz > 0 ? centsBetweenHz(target, hz) : 0;
      show(cents, hz > 0 && Math.abs(off) < 100 ? t('stand.cents', { value: formatSigned(off, 0) }) : '');
    };
    request = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(request);
  }, [phase, running, nameOf, swell.writtenMidi, swell.tunerHidden, settings.instrumentId, settings.a4Hz, t]);
  return (
    <Flex align="flex-end" justify="space-between" gap="24px" minHeight={{ base: '96px', md: '148px' }}>
      <Flex align="baseline" gap="28px" minWidth={0} wrap="wrap">
        <chakra.span
          ref={note}
          fontFamily="heading"
          fontWeight={500}
          fontSize={LETTER_PX}
          lineHeight={1}
          data-testid="note"
        />
        <Box pb="10px">
          <chakra.span
            display="block"
            fontSize={{ base: '1.3rem', md: '2rem' }}
            fontFamily="heading"
            fontStyle="italic"
          >
            {phase === 'free' ? '' : dynamicsText(swell.shape, swell.softest, swell.loudest)}
          </chakra.span>
          <chakra.span
            ref={cents}
            display="block"
            fontSize={{ base: '1.1rem', md: '1.6rem' }}
            color="inkSoft"
            minHeight="1.5em"
          />
        </Box>
      </Flex>
      <Flex align="baseline" gap="14px" aria-hidden>
        {phase === 'countIn' && (
          <chakra.span color="inkSoft" fontSize="1.4rem">
            {t('stand.countIn')}
          </chakra.span>
        )}
        <chakra.span
          ref={number}
          fontFamily="heading"
          fontWeight={500}
          fontSize={LETTER_PX}
          lineHeight={1}
          color={phase === 'countIn' ? 'inkSoft' : 'accent'}
          minWidth="1.2em"
          textAlign="right"
          data-testid="beat"
        />
      </Flex>
    </Flex>
  );
}

/** Writes a text only when it changed: each writing lays the page out anew. */
function show(place: RefObject<HTMLElement | null>, text: string): void {
  if (place.current && place.current.textContent !== text) place.current.textContent = text;
}

/** Dynamics with hairpins as the part would show them. */
function dynamicsText(shape: string, softest: string, loudest: string): string {
  if (shape === 'grow') return `${softest} < ${loudest}`;
  if (shape === 'fade') return `${loudest} > ${softest}`;
  return shape === 'growFade' ? `${softest} < ${loudest} > ${softest}` : `${loudest} > ${softest} < ${loudest}`;
}

function beatNow(timing: NonNullable<typeof runner.timing>, nowS: number): string {
  const { firstBeatAtS, countInFromS, beatS } = timing;
  const fromS = firstBeatAtS !== undefined && nowS >= firstBeatAtS ? firstBeatAtS : countInFromS;
  const beat = Math.floor((nowS - fromS) / beatS);
  return beat >= 0 && firstBeatAtS !== undefined ? String(beat + 1) : beat >= 0 && beat < 4 ? String(beat + 1) : '';
}
