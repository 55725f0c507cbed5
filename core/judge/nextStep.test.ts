import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type ExerciseParameters } from '../exercise';
import { exerciseScore, FAMILIES, usualExercise, type Family } from '../families';
import { INSTRUMENTS } from '../theory';
import { nextStep } from './nextStep';
import { finding } from './finding';
import type { Finding } from './finding';
import type { Decision } from './verdict';

const stopped = finding('stoppedEarly', 0, { beats: 2 });
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
  const exercises = (FAMILIES as readonly Family[]).filter(({ teaching }) => teaching.planned?.slot !== 'tune');
  it.each(exercises.map((family) => family.id))('%s can be made easier and harder from what is usual', (id) => {
    // A survey measures: there is nothing to make harder in it.
    for (const decision of id === 'survey' ? (['easier'] as const) : (['easier', 'harder'] as const)) {
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
    expect(apply(usual('countedBreaths'), 'easier').change).toBe('shorter');
    expect(apply(usual('countedBreaths'), 'easier', [stopped])).toMatchObject({
      change: 'fasterTempo',
      next: { tempoBpm: 72 },
    });
  });

  it('is made harder once a day', () =>
    expect(nextStep('harder', [], usual('swell'), { goalNotes: [], harderToday: true })).toEqual({
      change: 'tomorrow',
      parameters: {},
    }));

  it('leaves the note that a goal names', () => {
    const low = { ...usual('hold'), dynamic: 'f' };
    expect(nextStep('easier', [], { ...low, writtenMidi: 60 })).toEqual({
      change: 'higherNote',
      parameters: { writtenMidi: 61 },
    });
    expect(nextStep('easier', [], { ...low, writtenMidi: 60 }, { goalNotes: [60], harderToday: false }).change).toBe(
      'none',
    );
  });

  it('easier is lower for a high note, and no semitone for a middle one', () => {
    const loud = { ...usual('hold'), dynamic: 'f' };
    expect(nextStep('easier', [], { ...loud, writtenMidi: 88 }).parameters).toEqual({ writtenMidi: 87 });
    expect(nextStep('easier', [], { ...loud, writtenMidi: 70 }).change).toBe('none');
  });

  it('asks for no longer breath than the player has', () => {
    const long = { ...usual('swell'), softest: 'pp', loudest: 'ff', tunerHidden: true };
    expect(nextStep('harder', [], long).change).toBe('none');
    expect(
      nextStep('harder', [], long, { goalNotes: [], harderToday: false, held: { holdS: 14, sure: true } }),
    ).toEqual({
      change: 'slower',
      parameters: { tempoBpm: 55 },
    });
  });

  it.each<[string, Partial<ExerciseParameters>, Decision, string, object]>([
    ['swell', {}, 'harder', 'softer', { softest: 'pp' }],
    ['swell', { softest: 'pp' }, 'harder', 'hideTuner', { tunerHidden: true }],
    ['swell', { softest: 'pp', tunerHidden: true }, 'harder', 'wider', { loudest: 'ff' }],
    ['swell', { softest: 'mp', loudest: 'f' }, 'easier', 'shorter', { beats: 7 }],
    ['swell', { writtenMidi: 58 }, 'easier', 'startLouder', { softest: 'mp' }],
    ['swell', { writtenMidi: 86 }, 'easier', 'shorter', { beats: 7 }],
    ['hold', { writtenMidi: 86, beats: 1, dynamic: 'mp' }, 'easier', 'lowerNote', { writtenMidi: 85 }],
    ['hold', { writtenMidi: 64, beats: 1, dynamic: 'mp' }, 'easier', 'startLouder', { dynamic: 'mf' }],
    ['countedBreaths', {}, 'easier', 'shorter', { beats: 7 }],
    ['countedBreaths', { beats: 2 }, 'easier', 'fewer', { repeats: 5 }],
    ['countedBreaths', {}, 'harder', 'more', { repeats: 7 }],
    ['tongueOrAir', { dynamic: 'f' }, 'easier', 'higherNote', { writtenMidi: 59 }],
    ['tongueOrAir', { dynamic: 'pp', writtenMidi: 60 }, 'harder', 'lowerNote', { writtenMidi: 59 }],
    ['oneBreathDescent', {}, 'easier', 'fadeLess', { softest: 'mp' }],
    ['fullSpanScale', {}, 'easier', 'slower', { tempoBpm: 74 }],
    ['crossingBreak', { tempoBpm: 130 }, 'harder', 'quicker', { tempoBpm: 132 }],
    ['crossingBreak', { tempoBpm: 132 }, 'harder', 'softer', { dynamic: 'mp' }],
    ['overtoneLadder', {}, 'harder', 'more', { top: 3 }],
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

it('proposes no step of tempo or length to who is led by ear: there is no beat to change', () => {
  for (const id of ['overtoneLadder', 'octaveRestart', 'altissimoVoicing', 'overtoneRoute'])
    for (const decision of ['easier', 'harder'] as const) {
      const { next } = apply({ ...usual(id), goesOn: 'clear2' }, decision, [stopped]);
      expect([id, next.tempoBpm, next['beats']]).toEqual([id, usual(id).tempoBpm, usual(id)['beats']]);
    }
  // On the beat the same asks for a quicker one.
  expect(apply(usual('altissimoVoicing'), 'easier', [stopped]).next.tempoBpm).toBeGreaterThan(
    usual('altissimoVoicing').tempoBpm,
  );
});
