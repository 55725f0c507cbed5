import type { ExerciseParameters, Score, Step } from '@inner-hum/core/exercise';
import { exerciseKey, familyById, usualExercise } from '@inner-hum/core/families';
import { bandAt } from '@inner-hum/core/measure';
import { dynamicPosition, type HornId } from '@inner-hum/core/theory';
import { edgeOf } from '../map/edge';
import { exerciseFor, exerciseForSeam } from './exerciseFor';
import type { NoteOnMap } from '../map/hornMap';
import { needs, type Need } from '../map/needs';
import { seams, type Seam } from '../map/seams';

/** A place of a passage that the player's own map calls risky, why, and what feeds it. */
export type PassageRisk = {
  /** which steps of the score, from 0 */
  readonly steps: readonly number[];
  /** how far outside, in limits: what a need is sized by */
  readonly size: number;
  readonly feeder: ExerciseParameters;
} & (
  | { readonly kind: 'need'; readonly need: Need }
  | { readonly kind: 'seam'; readonly seam: Seam }
  /** it is asked so soft that it usually breaks, or nearly: decibels that are left, negative when beyond */
  | { readonly kind: 'edge'; readonly midi: number; readonly leftDb: number }
);

const MOST_FEEDERS = 4;
/** A note asked within this of its edge is risky, dB; each so many more are one limit. Our choice. */
const NEAR_DB = 3;
const LEAST_BREAKS = 2;
/** An uneven join is heard where it is slurred over by no more than this, semitones. */
const NEAR_SEMITONES = 4;
/** So many times as unusual as other joins is one limit. */
const SEAM_Z = 2.5;

const positionsOf = ({ dynamics }: Step) =>
  dynamics.map(({ dynamic, position }) => position ?? dynamicPosition(dynamic));

/**
 * What is risky in a passage, the worst first, with at most four feeders: of its notes those that want work at the loudness
 * that is asked, joins that it slurs over, and notes that are asked at the edge at which they break.
 * @param spanDb from pp to ff on the player's ruler, dB
 */
export function passageRisks(score: Score, map: readonly NoteOnMap[], hornId: HornId, spanDb: number): PassageRisk[] {
  const steps = score.steps.map((step, i) => ({ ...step, i, positions: positionsOf(step) }));
  const regular = steps.filter(({ partialNumber, hum }) => partialNumber === 1 && !hum);
  const wanting = needs(map, hornId).flatMap((need): PassageRisk[] => {
    const own = regular.filter(
      ({ soundedMidi, positions }) =>
        soundedMidi === need.midi &&
        (need.band === undefined || positions.some((position) => bandAt(position) === need.band)),
    );
    if (own.length === 0) return [];
    return [{ kind: 'need', need, steps: own.map(({ i }) => i), size: need.size, feeder: exerciseFor(need, hornId) }];
  });
  const joins = seams(map).flatMap((seam): PassageRisk[] => {
    const over = regular.filter(({ i, attack, soundedMidi }) => {
      const before = score.steps[i - 1];
      if (attack !== 'slurred' || !before) return false;
      const [low, high] = [soundedMidi, before.soundedMidi].sort((a, b) => a - b) as [number, number];
      return low <= seam.lower && high >= seam.upper && high - low <= NEAR_SEMITONES;
    });
    if (over.length === 0) return [];
    const feeder = exerciseForSeam(seam, hornId);
    return [{ kind: 'seam', seam, steps: over.map(({ i }) => i), size: Math.abs(seam.z) / SEAM_Z, feeder }];
  });
  const edges = map.flatMap((note): PassageRisk[] => {
    const edge = edgeOf(note);
    if (edge.kind !== 'known' || edge.breaks < LEAST_BREAKS) return [];
    const leftOf = (positions: readonly number[]) =>
      edge.underPDb - (dynamicPosition('p') - Math.min(...positions)) * spanDb;
    const own = regular.filter(
      ({ soundedMidi, positions }) => soundedMidi === note.midi && leftOf(positions) < NEAR_DB,
    );
    if (own.length === 0) return [];
    const leftDb = Math.min(...own.map(({ positions }) => leftOf(positions)));
    const feeder = { ...usualExercise(familyById('airIntoTone'), hornId), writtenMidi: note.midi };
    const size = 1 + (NEAR_DB - leftDb) / NEAR_DB;
    return [{ kind: 'edge', midi: note.midi, leftDb, steps: own.map(({ i }) => i), size, feeder }];
  });
  const fed = new Set<string>();
  return [...wanting, ...joins, ...edges]
    .sort((a, b) => b.size - a.size)
    .filter(({ feeder }) => {
      fed.add(exerciseKey(feeder));
      return fed.size <= MOST_FEEDERS;
    });
}

/** What feeds a passage: each exercise once, the worst first. */
export function feedersOf(risks: readonly PassageRisk[]): ExerciseParameters[] {
  return [...new Map(risks.map(({ feeder }) => [exerciseKey(feeder), feeder])).values()];
}
