import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { measured, type StepMeasures } from '@inner-hum/core/measure';
import { describe, expect, it } from 'vitest';
import { bendTags, pullsOf } from './pull';

/** A take of bends that went so far, each way, cents. */
function bent(direction: 'down' | 'up', cents: readonly number[], fingering?: string) {
  const usual = usualExercise(familyById('bend'), 'alto');
  const score = exerciseScore({ ...usual, direction, writtenMidi: 84, repeats: cents.length });
  const bend = (depth: number) => ({ depthCents: measured(depth, 2) });
  const measures = cents.map((depth) => ({ kind: 'sounded', bend: bend(depth) }) as unknown as StepMeasures);
  return { score, measures, setup: fingering === undefined ? {} : { fingerings: { 84: fingering } } };
}

describe('how far a note is pulled', () => {
  it('is the farthest each way, by fingering, the regular one first', () => {
    const takes = [bent('down', [80, 120], 'frontF'), bent('down', [60, 95]), bent('up', [22, 15])];
    expect(pullsOf(84, takes)).toEqual([
      { downCents: 95, upCents: 22 },
      { fingering: 'frontF', downCents: 120 },
    ]);
  });
  it('is nothing of another note, of no bend, and of one that went the other way', () => {
    expect(pullsOf(82, [bent('down', [80])])).toEqual([]);
    expect(pullsOf(84, [bent('up', [-3])])).toEqual([]);
  });
  it('is looked for in both ways of each family that bends', () => expect(bendTags(84, 'alto')).toHaveLength(2));
});
