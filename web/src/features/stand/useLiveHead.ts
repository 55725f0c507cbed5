import { askedHz, gapAt, gapsAfter, type GapKind, type Score, type Step } from '@inner-hum/core/exercise';
import { foldedCents, levelOfP } from '@inner-hum/core/measure';
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
import { exerciseOf, rulerOf, scoreOf } from '../../store/settings';
import { useHorn } from '../../store/useHorn';
import { useEdges } from '../../shared/stored/useEdges';
import { formatNumber, formatSigned } from '../../text/format';
import { useNoteName } from '../../text/useNoteName';
import { usePartialName } from '../../text/usePartialName';
import { stepWords } from '../../text/usePartWords';

/** How many tubes are named that could give a freely played note. */
const MOST_SOURCES = 3;
/** Nearer to its edge than this a tone's room is shown, dB. */
const EDGE_NEAR_DB = 10;

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
  const ruler = rulerOf(settings);
  const partialName = usePartialName();
  const number = useRef<HTMLSpanElement>(null);
  const sounding = useRef<HTMLSpanElement>(null);
  const note = useRef<HTMLSpanElement>(null);
  const dynamics = useRef<HTMLSpanElement>(null);
  const cents = useRef<HTMLSpanElement>(null);
  const next = useRef<HTMLSpanElement>(null);
  const start = useRef<HTMLSpanElement>(null);
  const edges = useEdges();
  const overtones = score.steps.some((step) => step.partialNumber > 1 || step.hum);
  useEffect(() => {
    let shown = -1;
    /** Once for each step: its words are made from the catalogue, which is too much for every frame. */
    const showStep = (index: number) => {
      if (index === shown) return;
      shown = index;
      const step = score.steps[Math.min(index, score.steps.length - 1)]!;
      const after = score.steps[index + 1];
      show(note, nameOf(step.soundedMidi));
      onStep(step);
      show(dynamics, phase === 'free' ? '' : dynamicsText(step));
      show(next, after && phase !== 'free' ? thenText(index, after) : '');
      const words = stepWords(t, score, Math.min(index, score.steps.length - 1), exercise);
      show(start, phase === 'free' ? '' : [words.start, words.manner].filter(Boolean).join(' · '));
    };
    const thenText = (index: number, after: Step) => {
      const { manner } = stepWords(t, score, index + 1, exercise);
      const note = [nameOf(after.soundedMidi), manner].filter(Boolean).join(', ');
      // What comes at once; the rest is said when it comes.
      const [gap] = gapsAfter(score, index);
      return gap ? t('stand.nextAfter', { gap: t(`part.gap.${gap.kind}`), note }) : t('stand.nextNote', { note });
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
      if (phase === 'running' && !place.gap) showCents(score.steps[place.step]!);
      else show(cents, place.gap && phase !== 'waiting' ? doneText(place.gap) : '');
      if (phase !== 'running') return;
      showPartial(score.steps[place.step]!, place.gap !== undefined);
    };
    const doneText = (done: Done) => (done === 'set' ? t('stand.set') : t(`part.gap.${done}`));
    /** How much softer the note may still get before it usually breaks, dB; where it is near, and not in an overtone's place. */
    const leftDb = (step: Step, rest: boolean) => {
      const edge = edges.get(step.soundedMidi);
      const trace = page.input?.trace;
      if (!edge || !trace || rest || overtones || hzNow() === 0) return undefined;
      const left = edge.underPDb - (levelOfP(ruler) - trace.levelDb[trace.count - 1]!);
      return left <= EDGE_NEAR_DB ? Math.max(0, left) : undefined;
    };
    const showPartial = (step: Step, rest: boolean) => {
      const hz = hzNow();
      const left = leftDb(step, rest);
      if (left !== undefined) return show(sounding, t('stand.edgeLeft', { db: formatNumber(left, 0) }));
      if (!overtones || rest || step.hum || hz === 0) return show(sounding, step.hum && !rest ? t('stand.hum') : '');
      const now = soundingPartial(hz, writtenToHz(horn, step.fingeredMidi, settings.a4Hz));
      const words = { partial: partialName(now), wanted: partialName(step.partialNumber) };
      show(sounding, t(now === step.partialNumber ? 'stand.partialNow' : 'stand.partialWrong', words));
    };
    const showCents = (step: Step) => {
      if (exercise.tunerHidden) return show(cents, '');
      const hz = hzNow();
      const { targetHz } = askedHz(score, step, settings.a4Hz);
      if (step.hum)
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
    exercise,
    horn,
    settings.a4Hz,
    ruler,
    edges,
    t,
    overtones,
    partialName,
    onStep,
  ]);
  return { number, sounding, note, dynamics, cents, next, start };
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

/** What is done between tones: as the score says, or the embouchure set before the next one. */
type Done = GapKind | 'set';
/** The breath is taken on the last beats of a count-in. */
const BREATHE_BEATS = 2;
/** On the last beat of a rest that is this long the embouchure is set again. */
const SET_BEATS = 1;
const LONG_BEATS = 2;

/** Which step sounds or comes next, the beat of it to show, and what is done meanwhile between tones, whose beats count down. */
function placeIn(
  score: Score,
  timing: Timing,
  nowS: number,
): { readonly step: number; readonly number: string; readonly gap?: Done | undefined } {
  const { firstBeatAtS, countInFromS, beatS } = timing;
  if (firstBeatAtS === undefined || nowS < firstBeatAtS) {
    const beat = Math.floor((nowS - countInFromS) / beatS);
    const ahead = beat - score.countInBeats;
    const { kind } = score.gaps?.findLast(({ startBeat }) => startBeat <= ahead) ?? {};
    const number = beat >= 0 && ahead < 0 ? String(beat + 1) : '';
    // Embouchure first, then the breath: who is told in time is not late.
    return { step: 0, number, gap: kind ?? (ahead < -BREATHE_BEATS ? 'set' : 'breath') };
  }
  const beat = (nowS - firstBeatAtS) / beatS;
  const step = score.steps.findIndex((candidate) => beat < candidate.startBeat + candidate.beats);
  const after = score.gaps?.find((gap) => beat >= gap.startBeat && beat < gap.startBeat + gap.beats);
  if (step < 0) return { step: score.steps.length - 1, number: '', gap: after?.kind };
  const { startBeat } = score.steps[step]!;
  if (beat < startBeat) {
    const gap = gapAt(score, beat);
    const set =
      gap === 'breath' &&
      step > 0 &&
      startBeat - beat <= SET_BEATS &&
      gapAt(score, startBeat - LONG_BEATS) === 'breath';
    return { step, number: String(Math.ceil(startBeat - beat)), gap: set ? 'set' : gap };
  }
  return { step, number: String(Math.floor(beat - startBeat) + 1) };
}
