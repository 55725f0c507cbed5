import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type ExerciseParameters } from '../exercise';
import { exerciseScore, FAMILIES, usualExercise } from '../families';
import { INSTRUMENTS } from '../theory';
import { demandsOf } from './familyDemands';
import { nextStep } from './nextStep';
import type { Decision, Finding } from './verdict';

const stopped: Finding = { id: 'stoppedEarly', weight: 3, stepIndex: 0, values: { beats: 2 } };
const usual = (id: string): ExerciseParameters =>
  usualExercise(
    FAMILIES.find((family) => family.id === id)!,
    'alto',
  );
const apply = (now: ExerciseParameters, decision: Decision, findings: readonly Finding[] = []) => {
  const { change, parameters } = nextStep(decision, findings, now);
  return { change, next: { ...now, ...parameters } as ExerciseParameters };
};

describe('nextStep', () => {
  it.each(FAMILIES.map((family) => family.id))('%s can be made easier and harder from what is usual', (id) => {
    for (const decision of ['easier', 'harder'] as const) {
      const { change, next } = apply(usual(id), decision);
      expect(change).not.toBe('none');
      expect(next).not.toEqual(usual(id));
      expect(exerciseScore(next).steps.length).toBeGreaterThan(0);
    }
  });

  it('any run of decisions stays playable, on any horn, but for notes beyond it', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILIES),
        fc.constantFrom(...INSTRUMENTS),
        fc.array(fc.constantFrom<Decision>('easier', 'harder'), { maxLength: 40 }),
        (family, horn, decisions) => {
          let now = usualExercise(family, horn.id);
          for (const decision of decisions) {
            now = apply(now, decision).next;
            try {
              exerciseScore(now);
            } catch (error) {
              // A climb that grows may pass the top of the horn: the sentence names the note.
              expect((error as Error).message).toMatch(/^note must be/);
              return;
            }
          }
        },
      ),
      { numRuns: 300 },
    ));

  it('again and leave change nothing', () => {
    for (const decision of ['again', 'leave'] as const)
      expect(nextStep(decision, [], usual('swell'))).toEqual({ change: 'none', parameters: {} });
  });

  it('a breath that did not last is answered by the tempo first', () => {
    expect(apply(usual('hold'), 'easier').change).toBe('startLouder');
    expect(apply(usual('hold'), 'easier', [stopped])).toMatchObject({ change: 'fasterTempo', next: { tempoBpm: 69 } });
  });

  it.each<[string, Partial<ExerciseParameters>, Decision, string, object]>([
    ['swell', {}, 'harder', 'softer', { softest: 'pp' }],
    ['swell', { softest: 'pp' }, 'harder', 'hideTuner', { tunerHidden: true }],
    ['swell', { softest: 'pp', tunerHidden: true }, 'harder', 'wider', { loudest: 'ff' }],
    ['swell', { softest: 'mf', loudest: 'f' }, 'easier', 'fasterTempo', { tempoBpm: 69 }],
    ['countedBreaths', {}, 'easier', 'shorter', { beats: 6 }],
    ['countedBreaths', { beats: 2 }, 'easier', 'fewer', { repeats: 5 }],
    ['countedBreaths', {}, 'harder', 'more', { repeats: 7 }],
    ['tongueOrAir', { dynamic: 'ff' }, 'easier', 'higherNote', { writtenMidi: 59 }],
    ['tongueOrAir', { dynamic: 'pp', writtenMidi: 60 }, 'harder', 'lowerNote', { writtenMidi: 59 }],
    ['fullSpanScale', {}, 'easier', 'slower', { tempoBpm: 70 }],
    ['heardInterval', { intervals: 1 }, 'easier', 'longer', { beats: 5 }],
  ])('%s %o, %s: %s', (id, change, decision, expected, parameters) => {
    const now = { ...usual(id), ...change } as ExerciseParameters;
    expect(nextStep(decision, [], now)).toEqual({ change: expected, parameters });
  });

  it('says nothing when everything is at its limit', () =>
    expect(nextStep('harder', [], { ...usual('tongueOrAir'), dynamic: 'pp' })).toEqual({
      change: 'none',
      parameters: {},
    }));
});

describe('demandsOf', () => {
  it('gives a family without its own what is usual', () => {
    expect(demandsOf('relaySwell').easier[0]).toBe('startLouder');
    expect(demandsOf('relaySwell').without).toEqual([]);
  });
  it('what is meant to be airy is not called so', () =>
    expect(demandsOf('firstTrace').without).toContain('airySoftEnd'));
});
