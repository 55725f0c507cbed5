import { Box, chakra, Flex } from '@chakra-ui/react';
import type { Score, Step } from '@inner-hum/core/exercise';
import { foldedCents } from '@inner-hum/core/measure';
import {
  centsBetweenHz,
  dynamicPosition,
  hzToMidi,
  midiToHz,
  soundingPartial,
  sourcesOf,
  writtenMidi,
  writtenToHz,
} from '@inner-hum/core/theory';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import { formatSigned } from '../../text/format';
import { usePartialName } from '../../text/usePartialName';
import { useNoteName } from '../../text/useNoteName';
import { useAppSelector } from '../../store';
import { exerciseOf, scoreOf } from '../../store/settings';
import { fingeringOf, ownExerciseKey } from '@inner-hum/core/families';
import { Fingering } from '../../shared/Fingering';
import { liveSound, type Timing } from '../../practice/liveSound';
import { usedFingering } from '../../db/settings/horn';
import { useHorn } from '../../store/useHorn';

/** How many tubes are named that could give a freely played note. */
const MOST_SOURCES = 3;
const LETTER_SIZE = { base: 'letterSmall', md: 'letter' } as const;
/** What is needed in play: 40 px and more where there is room for it. */
const READ_SIZE = { base: 'section', md: 'stand' } as const;

/** The note, the dynamics, the beat: what must be readable from two metres. */
export function StandHead() {
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const { phase, decisions, decisionsAbout } = useAppSelector((state) => state.practice);
  const settings = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const exercise = exerciseOf(settings);
  const score = scoreOf(settings);
  const tries = decisionsAbout === ownExerciseKey(exercise) ? decisions.length : 0;
  const [fingered, setFingered] = useState(score.steps[0]!);
  const keys = phase === 'free' ? undefined : fingeringOf(fingered, exercise, (midi) => usedFingering(settings, midi));
  const partialName = usePartialName();
  const number = useRef<HTMLSpanElement>(null);
  const sounding = useRef<HTMLSpanElement>(null);
  const note = useRef<HTMLSpanElement>(null);
  const dynamics = useRef<HTMLSpanElement>(null);
  const cents = useRef<HTMLSpanElement>(null);
  const next = useRef<HTMLSpanElement>(null);
  const overtones = score.steps.some((step) => step.partialNumber > 1 || step.hum);
  const running = ['countIn', 'waiting', 'running', 'free'].includes(phase);
  useEffect(() => {
    const showStep = (index: number) => {
      const step = score.steps[Math.min(index, score.steps.length - 1)]!;
      const after = score.steps[index + 1];
      show(note, nameOf(step.soundedMidi));
      setFingered(step);
      show(dynamics, phase === 'free' ? '' : dynamicsText(step));
      show(next, after && phase !== 'free' ? t(nextKey(step, after), { note: nameOf(after.soundedMidi) }) : '');
    };
    showStep(0);
    show(cents, '');
    show(number, '');
    show(sounding, '');
    if (!running) return;
    let request = 0;
    const tick = () => {
      request = requestAnimationFrame(tick);
      const { input, timing } = liveSound;
      if (!input) return;
      if (phase === 'free') showFree();
      else if (timing) showScore(timing, input.context.currentTime);
    };
    const hzNow = () => {
      const trace = liveSound.input?.trace;
      return trace ? (trace.f0Hz[trace.count - 1] ?? 0) : 0;
    };
    const showFree = () => {
      const hz = hzNow();
      if (hz === 0) return;
      const midi = Math.round(hzToMidi(hz, settings.a4Hz));
      show(note, nameOf(writtenMidi(horn, midi)));
      const off = centsBetweenHz(midiToHz(midi, settings.a4Hz), hz);
      show(cents, t('stand.cents', { value: formatSigned(off, 0) }));
      show(sounding, couldBe(writtenMidi(horn, midi)));
    };
    const couldBe = (written: number) => {
      const others = sourcesOf(horn, written).filter((source) => source.partialNumber > 1 && !source.octaveKey);
      const names = others.map((other) =>
        t('stand.couldBeOne', { partial: partialName(other.partialNumber), fingered: nameOf(other.fingeredMidi) }),
      );
      return names.length > 0 ? t('stand.couldBe', { sources: names.slice(0, MOST_SOURCES).join(', ') }) : '';
    };
    const showScore = (timing: Timing, nowS: number) => {
      const place = placeIn(score, timing, nowS);
      showStep(place.step);
      // Nothing is counted while a first tone is waited for.
      show(number, phase === 'waiting' ? '' : place.number);
      if (phase !== 'running') return;
      if (place.rest) show(cents, t('stand.rest'));
      else showCents(score.steps[place.step]!);
      showPartial(score.steps[place.step]!, place.rest);
    };
    const showPartial = (step: Step, rest: boolean) => {
      const hz = hzNow();
      if (!overtones || rest || step.hum || hz === 0) return show(sounding, step.hum && !rest ? t('stand.hum') : '');
      const now = soundingPartial(hz, writtenToHz(horn, step.fingeredMidi, settings.a4Hz));
      const words = { partial: partialName(now), wanted: partialName(step.partialNumber) };
      show(sounding, t(now === step.partialNumber ? 'stand.partialNow' : 'stand.partialWrong', words));
    };
    const showCents = ({ soundedMidi: written, hum }: Step) => {
      if (exercise.tunerHidden) return show(cents, '');
      const hz = hzNow();
      const targetHz = writtenToHz(horn, written, settings.a4Hz);
      if (hum)
        return show(cents, hz > 0 ? t('stand.humming', { cents: formatSigned(foldedCents(targetHz, hz), 0) }) : '');
      const off = hz > 0 ? centsBetweenHz(targetHz, hz) : 0;
      show(cents, hz > 0 && Math.abs(off) < 100 ? t('stand.cents', { value: formatSigned(off, 0) }) : '');
    };
    request = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(request);
  }, [phase, running, nameOf, score, exercise.tunerHidden, horn, settings.a4Hz, t, overtones, partialName]);
  return (
    <Flex align="center" justify="space-between" gap="24px" minHeight={{ base: '88px', md: '136px' }} flex="none">
      <Flex align="center" gap={{ base: '14px', md: '28px' }} minWidth={0}>
        <chakra.span
          ref={note}
          fontFamily="heading"
          fontWeight={500}
          fontSize={LETTER_SIZE}
          lineHeight={1}
          data-testid="note"
        />
        <Box minWidth={0} lineHeight={1.15}>
          <chakra.span display="block" fontSize={READ_SIZE} fontFamily="heading" fontStyle="italic">
            <span ref={dynamics} />
            <chakra.span ref={next} fontStyle="normal" color="inkSoft" ml="22px" data-testid="next" />
          </chakra.span>
          {tries > 0 && !running && (
            <chakra.span float="right" color="inkSoft" ml="22px" data-testid="tries">
              {t('stand.tries', { number: phase === 'verdict' ? tries : tries + 1 })}
            </chakra.span>
          )}
          <chakra.span
            ref={cents}
            fontSize={READ_SIZE}
            color="inkSoft"
            minHeight="1.15em"
            display="inline-block"
            mr="22px"
            data-testid="cents"
          />
          <chakra.span ref={sounding} fontSize={READ_SIZE} data-testid="sounding" />
        </Box>
      </Flex>
      <Box hideBelow="lg" pb="6px">
        {keys && <Fingering instrumentId={exercise.instrumentId} keys={keys} />}
      </Box>
      <Flex align="baseline" gap="14px" aria-hidden>
        {phase === 'countIn' && (
          <chakra.span color="inkSoft" fontSize={READ_SIZE}>
            {t('stand.countIn')}
          </chakra.span>
        )}
        <chakra.span
          ref={number}
          fontFamily="heading"
          fontWeight={500}
          fontSize={LETTER_SIZE}
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

/** What is said of the tone after this one: after a breath, when one comes before it. */
function nextKey(step: Step, after: Step): 'stand.nextBreath' | 'stand.nextNote' {
  return after.startBeat > step.startBeat + step.beats ? 'stand.nextBreath' : 'stand.nextNote';
}

/** Writes a text only when it changed: each writing lays the page out anew. */
function show(place: RefObject<HTMLElement | null>, text: string): void {
  if (place.current && place.current.textContent !== text) place.current.textContent = text;
}

/** Dynamics with hairpins as the part would show them. */
function dynamicsText({ dynamics }: Step): string {
  return dynamics
    .map(({ dynamic }, i) => {
      const before = dynamics[i - 1];
      if (!before) return dynamic;
      return `${dynamicPosition(before.dynamic) < dynamicPosition(dynamic) ? '<' : '>'} ${dynamic}`;
    })
    .join(' ');
}

/** Which step sounds or comes next, the beat of it to show, and whether it is a rest (whose beats count down). */
function placeIn(score: Score, timing: Timing, nowS: number): { step: number; number: string; rest: boolean } {
  const { firstBeatAtS, countInFromS, beatS } = timing;
  if (firstBeatAtS === undefined || nowS < firstBeatAtS) {
    const beat = Math.floor((nowS - countInFromS) / beatS);
    return { step: 0, number: beat >= 0 && beat < score.countInBeats ? String(beat + 1) : '', rest: false };
  }
  const beat = (nowS - firstBeatAtS) / beatS;
  const step = score.steps.findIndex((candidate) => beat < candidate.startBeat + candidate.beats);
  if (step < 0) return { step: score.steps.length - 1, number: '', rest: false };
  const { startBeat } = score.steps[step]!;
  if (beat < startBeat) return { step, number: String(Math.ceil(startBeat - beat)), rest: true };
  return { step, number: String(Math.floor(beat - startBeat) + 1), rest: false };
}
