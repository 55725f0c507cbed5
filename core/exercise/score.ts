import type { Dynamic, HornId, PartialTuning } from '@inner-hum/core/theory';

/** Vowels to think of, from bright to dark. */
export const VOWELS = ['ee', 'ah', 'oh', 'oo'] as const;
export type Vowel = (typeof VOWELS)[number];

/** A vibrato that is asked for: waves to the beat, and how far it goes to each side, cents. */
export interface AskedVibrato {
  readonly waves: number;
  readonly widthCents: number;
}

export type Attack = 'breath' | 'tongue' | 'slurred';

/**
 * What is done between two tones: a breath is taken, nothing while the pressure of the air is kept, nothing with the
 * embouchure set, air goes through the horn, the next tone is heard inwardly, or one plays what one likes.
 */
export const GAP_KINDS = ['breath', 'silence', 'rest', 'air', 'hear', 'open'] as const;
export type GapKind = (typeof GAP_KINDS)[number];

/** A stretch between tones and what is done in it. One before beat 0 lies in the count-in. */
export interface Gap {
  readonly startBeat: number;
  readonly beats: number;
  readonly kind: GapKind;
}

/** A written dynamic at a beat of its step; between two points the level moves in a straight line of decibels. */
export interface DynamicPoint {
  readonly beat: number;
  readonly dynamic: Dynamic;
  /** place on the player's ruler, 0–1, where it lies between two dynamics */
  readonly position?: number;
}

/** One intended tone. What lies between two steps is a breath where no gap says otherwise. Pitches are written MIDI numbers. */
export interface Step {
  /** beats from the first beat of the score */
  readonly startBeat: number;
  readonly beats: number;
  readonly fingeredMidi: number;
  /** partial of the fingered tube that is meant to sound; 1 is the fingered note itself */
  readonly partialNumber: number;
  readonly soundedMidi: number;
  /** at least one point, in order of beats, the first at beat 0 */
  readonly dynamics: readonly DynamicPoint[];
  readonly attack: Attack;
  /** fingered with the octave key: `fingeredMidi` is the tube, an octave lower than the fingers' own note */
  readonly octaveKey?: boolean;
  /** hummed or sung, in any octave, not played */
  readonly hum?: boolean;
  /** goes this far down and back by voicing alone, cents; negative: up */
  readonly bendCents?: number;
  /** no pitch is asked for: it may rest wherever it does */
  readonly freePitch?: boolean;
  /** lasts as long as it stays good: `beats` is only the longest that is listened for */
  readonly openEnd?: boolean;
  /** vowels to think of, spread evenly over the step */
  readonly vowels?: readonly Vowel[];
  readonly vibrato?: AskedVibrato;
  /** should sound like its model and is compared with it: see `modelOf` */
  readonly pair?: boolean;
  /** the pitch asked for lies this far from the tempered one, cents */
  readonly offCents?: number;
  /** written note that sounds meanwhile, as a drone in the headphones */
  readonly droneMidi?: number;
  /** voiced as a subtone: jaw low, slow warm air, under the plain soft tone in level and colour */
  readonly subtone?: boolean;
  /** in a score that was led by ear: how long this tone was looked for before it was clear, seconds */
  readonly foundAfterS?: number;
}

/** What is to be played, on a beat grid. */
export interface Score {
  /** id of the family that made it */
  readonly family: string;
  readonly instrumentId: HornId;
  readonly tempoBpm: number;
  readonly countInBeats: number;
  readonly beatsPerBar: number;
  readonly partialTuning: PartialTuning;
  readonly tunerHidden: boolean;
  /** led by ear: each tone goes on when it has been clear for so long, seconds; on the beat where left out */
  readonly clearS?: number;
  readonly steps: readonly Step[];
  /** what is done between tones where it is not only a breath */
  readonly gaps?: readonly Gap[];
}

export const TEMPO_RANGE_BPM = { min: 30, max: 200 } as const;

/** Seconds of one beat. */
export function beatSeconds(score: Pick<Score, 'tempoBpm'>): number {
  return 60 / score.tempoBpm;
}

/** Beats from the first beat to the end of the last step, or of the air that goes on after it. */
export function scoreBeats({ steps, gaps = [] }: Pick<Score, 'steps' | 'gaps'>): number {
  return Math.max(0, ...[...steps, ...gaps].map(({ startBeat, beats }) => startBeat + beats));
}

/** Index of the tone that a step of a pair is like: the last before it that is played on its pitch, or the one before. */
export function modelOf(steps: readonly Step[], index: number): number {
  const { soundedMidi } = steps[index]!;
  const same = steps.slice(0, index).findLastIndex((step) => step.soundedMidi === soundedMidi && !step.hum);
  return same < 0 ? index - 1 : same;
}

/** What is done at a beat between tones; undefined while a tone is due. */
export function gapAt({ steps, gaps = [] }: Pick<Score, 'steps' | 'gaps'>, beat: number): GapKind | undefined {
  const at = ({ startBeat, beats }: Pick<Step, 'startBeat' | 'beats'>) => beat >= startBeat && beat < startBeat + beats;
  return steps.some(at) ? undefined : (gaps.find(at)?.kind ?? 'breath');
}

/** The gaps between a step and the next one, in turn: a breath where nothing else is asked for. */
export function gapsAfter({ steps, gaps = [] }: Pick<Score, 'steps' | 'gaps'>, index: number): readonly Gap[] {
  const fromBeat = steps[index]!.startBeat + steps[index]!.beats;
  const untilBeat = steps[index + 1]?.startBeat ?? Infinity;
  const own = gaps.filter(({ startBeat }) => startBeat >= fromBeat && startBeat < untilBeat);
  if (own.length > 0 || !Number.isFinite(untilBeat) || untilBeat <= fromBeat) return own;
  return [{ startBeat: fromBeat, beats: untilBeat - fromBeat, kind: 'breath' }];
}

/** Whether a step is to follow the one before it without a new breath: slurred right to it, or after nothing but a silence. */
export function asksNoBreath(score: Pick<Score, 'steps' | 'gaps' | 'clearS'>, index: number): boolean {
  // What is looked for by ear may take a breath.
  if (index === 0 || score.clearS !== undefined) return false;
  const between = gapsAfter(score, index - 1);
  if (between.length > 0) return between.every(({ kind }) => kind === 'silence');
  return score.steps[index]!.attack === 'slurred';
}

/** A tone without a set end is written as one bar under a fermata. */
const WRITTEN_OPEN_BEATS = 4;

/**
 * A score as it is written down: tones that last as long as they stay good are a bar long, what follows moves up; what is
 * done in the count-in stands in a bar of its own.
 */
export function notated(score: Score): Score {
  let earlier = score.gaps?.some(({ startBeat }) => startBeat < 0) ? -score.beatsPerBar : 0;
  const moved: { readonly fromBeat: number; readonly by: number }[] = [{ fromBeat: -Infinity, by: earlier }];
  const steps = score.steps.map((step): Step => {
    const startBeat = step.startBeat - earlier;
    if (!step.openEnd || step.beats <= WRITTEN_OPEN_BEATS) return { ...step, startBeat };
    earlier += step.beats - WRITTEN_OPEN_BEATS;
    moved.push({ fromBeat: step.startBeat + step.beats, by: earlier });
    return { ...step, startBeat, beats: WRITTEN_OPEN_BEATS };
  });
  const gaps = score.gaps?.map((gap) => {
    const { by } = moved.findLast(({ fromBeat }) => gap.startBeat >= fromBeat)!;
    return { ...gap, startBeat: gap.startBeat - by };
  });
  return { ...score, steps, ...(gaps && { gaps }) };
}

/** Beats that the written part begins before the first beat of the score: the bar of what is done in the count-in. */
export function writtenLeadBeats(score: Score): number {
  return notated(score).steps[0]!.startBeat - score.steps[0]!.startBeat;
}

/** Whether a score has a tone that lasts as long as it stays good. */
export function isOpenEnded({ steps }: Pick<Score, 'steps'>): boolean {
  return steps.some((step) => step.openEnd === true);
}

/** Beats of the longest silence between two steps. */
export function longestRestBeats({ steps }: Pick<Score, 'steps'>): number {
  return Math.max(0, ...steps.slice(1).map((step, i) => step.startBeat - steps[i]!.startBeat - steps[i]!.beats));
}

/**
 * Planned place on the player's ruler at a beat of a step, 0 (pp) to 1 (ff), straight between points; before the first
 * and after the last point it stays.
 */
export function plannedPosition(step: Step, beat: number, positionOf: (dynamic: Dynamic) => number): number {
  const points = step.dynamics;
  const after = points.findIndex((point) => point.beat > beat);
  const placeOf = (point: DynamicPoint) => point.position ?? positionOf(point.dynamic);
  if (after === 0) return placeOf(points[0]!);
  if (after < 0) return placeOf(points[points.length - 1]!);
  const from = points[after - 1]!;
  const to = points[after]!;
  const share = (beat - from.beat) / (to.beat - from.beat);
  return placeOf(from) * (1 - share) + placeOf(to) * share;
}
