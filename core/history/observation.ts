import { beatSeconds, type Attack, type Score, type Step } from '@inner-hum/core/exercise';
import { isFree } from '@inner-hum/core/families';
import type { untoldOf } from '@inner-hum/core/judge';
import { bandAt, LOUDNESS_BANDS, spoke, valueOf, type LoudnessBand, type StepMeasures } from '@inner-hum/core/measure';
import { dynamicPosition, naturalOffsetCents } from '@inner-hum/core/theory';

/** What a note is known by on the map. Each is a number in the unit of its name. */
export const QUANTITIES = [
  'pitchCentreCents',
  'pitchSteadinessCents',
  'responseS',
  'softestDb',
  'breathRatioDb',
  'centroidPartials',
  'rangeDb',
  'levelAgainstPlanDb',
  'pitchAgainstLevelCents',
  'brokeUnderPDb',
  'heldUnderPDb',
  'holdS',
] as const;
export type Quantity = (typeof QUANTITIES)[number];

/** What one tone told of one note in one third of the ruler. Quantities that it did not tell are left out. */
export interface Observation {
  /** when: milliseconds since 1970, with the place of its step in the take */
  readonly atMs: number;
  readonly midi: number;
  readonly fingeredMidi: number;
  readonly partial: number;
  readonly band: LoudnessBand;
  readonly attack: Attack;
  /** whether this was a try at speaking: the band in which the tone was to start */
  readonly tried: boolean;
  /** whether it spoke as itself and at once */
  readonly spoke: boolean;
  readonly values: Readonly<Partial<Record<Quantity, number>>>;
  /** keys that were down, where it was not fingered the regular way */
  readonly fingering?: string;
  /** whether it was a trial of that fingering */
  readonly trial?: true;
  /** heard in free play, where nothing was asked for */
  readonly free?: true;
}

/** Shorter than this a band tells nothing, seconds. */
const LEAST_BAND_S = 0.4;
/** A tone tells of the range only when it is asked to move this far, dB. */
const LEAST_RANGE_DB = 6;

/**
 * What the steps of a take told; `untold` is what its device did not let be heard. Hums, bends, free pitches and what came after the player
 * had stopped tell nothing.
 */
export function observations(
  score: Score,
  measures: readonly StepMeasures[],
  startedAtMs: number,
  untold: ReturnType<typeof untoldOf> & { readonly holds?: boolean } = { levels: false, colour: false },
): Observation[] {
  if (isFree(score)) return freeObservations(score, measures, startedAtMs, untold.levels);
  const natural = score.partialTuning === 'natural';
  const played = measures.findLastIndex((measure) => measure.kind === 'sounded') + 1;
  return score.steps.slice(0, played).flatMap((step, i): Observation[] => {
    if (step.hum || step.bendCents || step.freePitch) return [];
    const told = ofStep(step, measures[i]!, startedAtMs + i, natural, untold.levels);
    const seen = untold.holds ? told : told.map(withHold(score, i, measures[i]!));
    return untold.colour ? seen.map(withoutColour) : seen;
  });
}

/** With how long the breath held, at the loudness of its start, where the breath ended it and not the score. */
function withHold(score: Score, index: number, measures: StepMeasures): (one: Observation) => Observation {
  const beats =
    measures.kind === 'sounded' && endedByBreath(score.steps[index]!, measures) ? measures.hold.beats : undefined;
  const value = beats && valueOf(beats);
  if (value === undefined) return (one) => one;
  return (one) => (one.tried ? { ...one, values: { ...one.values, holdS: value * beatSeconds(score) } } : one);
}

/** Whether a tone lasted as long as the breath did: else its length is only a lower bound. */
export function endedByBreath(
  { openEnd }: Step,
  { hold: { fault } }: Extract<StepMeasures, { kind: 'sounded' }>,
): boolean {
  return fault === 'ended' || (fault === 'none' && openEnd === true);
}

function withoutColour(one: Observation): Observation {
  return { ...one, values: numbers({ ...one.values, centroidPartials: undefined }) };
}

/** Free play tells where notes lie and how steady they are; no start was asked for, and no dynamic. */
function freeObservations(
  score: Score,
  measures: readonly StepMeasures[],
  startedAtMs: number,
  levelsUntold: boolean,
): Observation[] {
  return score.steps.flatMap((step, i) =>
    ofStep(step, measures[i]!, startedAtMs + i, false, levelsUntold).flatMap(({ values, ...about }): Observation[] => {
      const told = Object.entries(values).filter(([name]) => TOLD_FREELY.has(name));
      return told.length === 0 ? [] : [{ ...about, tried: false, free: true, values: Object.fromEntries(told) }];
    }),
  );
}
const TOLD_FREELY: ReadonlySet<string> = new Set([
  'pitchCentreCents',
  'pitchSteadinessCents',
  'breathRatioDb',
  'centroidPartials',
  'pitchAgainstLevelCents',
] satisfies Quantity[]);

function ofStep(
  step: Step,
  measures: StepMeasures,
  atMs: number,
  natural: boolean,
  levelsUntold = false,
): Observation[] {
  const start = bandAt(placeOf(step));
  const about = {
    atMs,
    midi: step.soundedMidi,
    fingeredMidi: step.octaveKey ? step.fingeredMidi + 12 : step.fingeredMidi,
    partial: step.partialNumber,
    attack: step.attack,
  };
  if (measures.kind === 'silent') return [{ ...about, band: start, tried: true, spoke: false, values: {} }];
  const speaks = spoke(measures);
  const own = measures.otherSoundingMidi === undefined;
  const bands = measures.byLoudness;
  const main = LOUDNESS_BANDS.reduce(
    (best, loudnessBand) => (bands[loudnessBand].lastsS > bands[best].lastsS ? loudnessBand : best),
    start,
  );
  const softest = LOUDNESS_BANDS.find((loudnessBand) => bands[loudnessBand].lastsS >= LEAST_BAND_S);
  // The map tells every offset against tempered, whatever the target was.
  const offsetCents = natural ? naturalOffsetCents(step.partialNumber) : 0;
  const tempered = (values: Partial<Record<Quantity, number>>) =>
    values.pitchCentreCents === undefined
      ? values
      : { ...values, pitchCentreCents: values.pitchCentreCents + offsetCents };
  // Where the device moved the levels, a tone tells of its pitch, at the loudness that was asked for.
  if (levelsUntold) {
    const told = numbers(own ? pick(measures, ['pitchCentreCents', 'pitchSteadinessCents', 'responseS']) : {});
    return [{ ...about, band: start, tried: true, spoke: speaks, values: tempered(told) }];
  }
  return LOUDNESS_BANDS.flatMap((band): Observation[] => {
    const heard = own && bands[band].lastsS >= LEAST_BAND_S;
    if (!heard && band !== start) return [];
    const values = numbers({
      ...(heard && pick(bands[band], ['pitchCentreCents', 'centroidPartials'])),
      ...(own && band === start && pick(measures, ['responseS'])),
      ...(heard &&
        band === main &&
        pick(measures, [
          'pitchSteadinessCents',
          'breathRatioDb',
          // A level tone, or one step of a long fade, has no range to speak of.
          ...(measures.plannedRangeDb >= LEAST_RANGE_DB ? (['rangeDb'] as const) : []),
          'levelAgainstPlanDb',
          'softestDb',
          'pitchAgainstLevelCents',
        ])),
      // A break is one of the softest that was played.
      ...(heard && band === softest && pick(measures, ['brokeUnderPDb', 'heldUnderPDb'])),
    });
    return [{ ...about, band, tried: band === start, spoke: speaks, values: tempered(values) }];
  });
}

function placeOf(step: Step): number {
  const first = step.dynamics[0]!;
  return first.position ?? dynamicPosition(first.dynamic);
}

type AnyMeasured = Parameters<typeof valueOf>[0];

function pick<K extends Quantity>(from: Readonly<Record<K, AnyMeasured>>, names: readonly K[]) {
  return Object.fromEntries(names.map((name) => [name, valueOf(from[name])])) as Partial<Record<Quantity, number>>;
}

function numbers(values: Partial<Record<Quantity, number | undefined>>): Partial<Record<Quantity, number>> {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined));
}
