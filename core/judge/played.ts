import type { Score } from '@inner-hum/core/exercise';
import { valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { dynamicPosition } from '@inner-hum/core/theory';
import type { Sounded } from './rule';
import type { TakeCase } from './takeCase';

/** A take as its aims are judged: what was played of it, up to the last tone that sounded. */
export interface Played {
  readonly measures: readonly StepMeasures[];
  readonly about: TakeCase;
}

export function isSounded(step: StepMeasures): step is Sounded {
  return step.kind === 'sounded';
}

/** Tones that sounded, each with its place in the score. */
export function soundedOf({ measures }: Played) {
  return measures.flatMap((step, stepIndex) => (isSounded(step) ? [{ step, stepIndex }] : []));
}

/** Median level of a tone's body, dBFS. */
export function levelDb(step: Sounded): number | undefined {
  return valueOf(step.levelDb);
}

/** Where a step lies on the ruler on the whole, 0–1. */
export function placeOf({ dynamics }: Score['steps'][number]): number {
  return mean(dynamics.map(({ dynamic, position }) => position ?? dynamicPosition(dynamic)));
}

export function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
}

/** All of what was asked is not there. */
export const MISSING = 3;
