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
import { useEffect, useRef, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import type { Timing } from '../../practice/pageSound';
import { usePageSound } from '../../practice/usePageSound';
import { useAppSelector } from '../../store';
import { exerciseOf, scoreOf } from '../../store/settings';
import { useHorn } from '../../store/useHorn';
import { formatSigned } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { usePartialName } from '../../text/usePartialName';

/** How many tubes are named that could give a freely played note. */
const MOST_SOURCES = 3;

/**
 * Writes note, dynamics, cents and beat from frame to frame into places of the head: the page's own state would be too
 * slow for that. `onStep` is told which step sounds or comes next.
 */
export function useLiveHead(running: boolean, onStep: (step: Step) => void) {
  const page = usePageSound();
  const { t } = useTranslation();
  const nameOf = useNoteName();
  const phase = useAppSelector((state) => state.practice.phase);
  const settings = useAppSelector((state) => state.settings);
  const horn = useHorn();
  const exercise = exerciseOf(settings);
  const score = scoreOf(settings);
  const partialName = usePartialName();
  const number = useRef<HTMLSpanElement>(null);
  const sounding = useRef<HTMLSpanElement>(null);
  const note = useRef<HTMLSpanElement>(null);
  const dynamics = useRef<HTMLSpanElement>(null);
  const cents = useRef<HTMLSpanElement>(null);
  const next = useRef<HTMLSpanElement>(null);
  const overtones = score.steps.some((step) => step.partialNumber > 1 || step.hum);
  useEffect(() => {
    const showStep = (index: number) => {
      const step = score.steps[Math.min(index, score.steps.length - 1)]!;
      const after = score.steps[index + 1];
      show(note, nameOf(step.soundedMidi));
      onStep(step);
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
      const { input, timing } = page;
      if (!input) return;
      if (phase === 'free') showFree();
      else if (timing) showScore(timing, input.context.currentTime);
    };
    const hzNow = () => {
      const trace = page.input?.trace;
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
  }, [
    page,
    phase,
    running,
    nameOf,
    score,
    exercise.tunerHidden,
    horn,
    settings.a4Hz,
    t,
    overtones,
    partialName,
    onStep,
  ]);
  return { number, sounding, note, dynamics, cents, next };
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
