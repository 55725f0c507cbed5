import {
  askedHz,
  gapAt,
  gapsAfter,
  type EarLed,
  type ExerciseParameters,
  type GapKind,
  type Score,
  type Step,
} from '@inner-hum/core/exercise';
import { mayMix } from '@inner-hum/core/measure';
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
  type Horn,
  type LevelRuler,
} from '@inner-hum/core/theory';
import type { TFunction } from 'i18next';
import type { Timing } from '../../practice/pageSound';
import type { useEdges } from '../../shared/stored/useEdges';
import { formatNumber, formatSigned } from '../../text/format';
import { sourceWords, stepWords } from '../../text/usePartWords';

/** How many tubes are named that could give a freely played note. */
const MOST_SOURCES = 3;
/** Nearer to its edge than this a tone's room is shown, dB. */
const EDGE_NEAR_DB = 10;

/** What the words of the head are made from. */
export interface HeadOf {
  readonly t: TFunction;
  readonly nameOf: (midi: number) => string;
  readonly partialName: (partial: number) => string;
  readonly score: Score;
  /** whether it has overtones or hums */
  readonly overtones: boolean;
  readonly exercise: ExerciseParameters;
  readonly horn: Horn;
  readonly a4Hz: number;
  readonly ruler: LevelRuler;
  readonly edges: ReturnType<typeof useEdges>;
}

/** The newest of what is heard; no tone: 0 Hz. */
export interface HeardNow {
  readonly hz: number;
  readonly levelDb: number;
  /** the early sign of a break */
  readonly upperMixes: boolean;
}

/** Note, dynamics, start and what follows of a step; they don't change while it sounds. */
export function stepTexts({ t, nameOf, partialName, score, exercise }: HeadOf, index: number) {
  const place = Math.min(index, score.steps.length - 1);
  const step = score.steps[place]!;
  const after = score.steps[index + 1];
  const { start, manner } = stepWords(t, score, place, exercise);
  return {
    note: nameOf(step.soundedMidi),
    dynamics: dynamicsText(step),
    next: after ? thenText() : '',
    start: [start, sourceWords(t, score, place, nameOf, partialName), manner].filter(Boolean).join(' · '),
  };

  function thenText(): string {
    const words = stepWords(t, score, index + 1, exercise);
    const note = [nameOf(after!.soundedMidi), sourceWords(t, score, index + 1, nameOf), words.manner]
      .filter(Boolean)
      .join(', ');
    // What comes at once; the rest is said when it comes.
    const [gap] = gapsAfter(score, index);
    return gap ? t('stand.nextAfter', { gap: t(`part.gap.${gap.kind}`), note }) : t('stand.nextNote', { note });
  }
}

/** A freely played note, how far it is off, and what it could be besides. */
export function freeTexts({ t, nameOf, partialName, horn, a4Hz }: HeadOf, hz: number) {
  const midi = Math.round(hzToMidi(hz, a4Hz));
  const written = writtenMidi(horn, midi);
  const others = sourcesOf(horn, written).filter((source) => source.partialNumber > 1 && !source.octaveKey);
  const names = others.map((other) =>
    t('stand.couldBeOne', { partial: partialName(other.partialNumber), fingered: nameOf(other.fingeredMidi) }),
  );
  return {
    note: nameOf(written),
    cents: t('stand.cents', { value: formatSigned(centsBetweenHz(midiToHz(midi, a4Hz), hz), 0) }),
    sounding: names.length > 0 ? t('stand.couldBe', { sources: names.slice(0, MOST_SOURCES).join(', ') }) : '',
  };
}

/** How far what sounds is off what is asked; nothing far off, and nothing where the tuner is hidden. */
export function centsText({ t, score, exercise, a4Hz }: HeadOf, step: Step, { hz }: HeardNow): string {
  if (exercise.tunerHidden || hz === 0) return '';
  const { targetHz } = askedHz(score, step, a4Hz);
  if (step.hum) return t('stand.humming', { cents: formatSigned(foldedCents(targetHz, hz), 0) });
  const off = centsBetweenHz(targetHz, hz);
  return Math.abs(off) < 100 ? t('stand.cents', { value: formatSigned(off, 0) }) : '';
}

/** Which partial sounds, or how near a soft note is to where it usually breaks; nothing between tones. */
export function soundingText(of: HeadOf, step: Step, now: HeardNow): string {
  const { t, partialName, overtones, horn, a4Hz } = of;
  if (now.upperMixes && mayMix(step)) return t('stand.upperMixes');
  const left = overtones ? undefined : leftDb(of, step, now);
  if (left !== undefined) return t('stand.edgeLeft', { db: formatNumber(left, 0) });
  if (step.hum) return t('stand.hum');
  if (!overtones || now.hz === 0) return '';
  const partial = soundingPartial(now.hz, writtenToHz(horn, step.fingeredMidi, a4Hz));
  const words = { partial: partialName(partial), wanted: partialName(step.partialNumber) };
  return t(partial === step.partialNumber ? 'stand.partialNow' : 'stand.partialWrong', words);
}

/** How much softer the note may still get before it usually breaks, dB; where that is near. */
function leftDb({ edges, ruler }: HeadOf, step: Step, { hz, levelDb }: HeardNow): number | undefined {
  const edge = edges.get(step.soundedMidi);
  if (!edge || hz === 0) return undefined;
  const left = edge.underPDb - (levelOfP(ruler) - levelDb);
  return left <= EDGE_NEAR_DB ? Math.max(0, left) : undefined;
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
export type Done = GapKind | 'set';
/** The breath is taken on the last beats of a count-in. */
const BREATHE_BEATS = 2;
/** On the last beat of a rest that is this long the embouchure is set again. */
const SET_BEATS = 1;
const LONG_BEATS = 2;

/** The same where each tone goes on when it is clear: while it is, the seconds that are left of its time count down. */
export function placeByEar(led: EarLed, { steps, clearS = 0 }: Score): ReturnType<typeof placeIn> {
  const number = led.share > 0 && led.step ? String(Math.ceil((1 - led.share) * clearS)) : '';
  return { step: Math.min(led.tones.length, steps.length - 1), number };
}

/** Which step sounds or comes next, the beat of it to show, and what is done meanwhile between tones, whose beats count down. */
export function placeIn(
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
