import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INSTRUMENTS, instrumentById } from '../theory';
import { highestNote, type ExerciseParameters, type Field } from '../exercise';
import { FAMILIES, playable, tryScore, usualExercise } from './index';

const horns = INSTRUMENTS.map((instrument) => instrument.id);

/** Everything that one control of an exercise can be set to. */
function choicesOf(field: Field, instrumentId: ExerciseParameters['instrumentId']): (number | string)[] {
  if (field.kind === 'choice') return [...field.options];
  if (field.kind === 'text' || field.kind === 'phrase') return [field.usual, '', 'C9 D9', 'x'];
  const horn = instrumentById(instrumentId);
  const [min, max] = field.kind === 'note' ? [horn.lowestWrittenMidi, highestNote(horn)] : [field.min, field.max];
  return Array.from({ length: max - min + 1 }, (_, i) => min + i);
}

const changes = FAMILIES.flatMap((family) =>
  horns.flatMap((instrumentId) => {
    const usual = usualExercise(family, instrumentId);
    return Object.entries(family.fields).flatMap(([name, field]) =>
      choicesOf(field, instrumentId).map((value): ExerciseParameters => ({ ...usual, [name]: value })),
    );
  }),
);

describe('what a person chooses', () => {
  it('gives a score, or the reason and the nearest that plays, for every change of a single control', () => {
    const wrong = changes.filter((chosen) => {
      const { exercise, score, issue, changes: made } = playable(chosen);
      const plays = score.steps.length > 0 && 'score' in tryScore(exercise);
      return !plays || (issue ? made.length < 1 || made.length > 2 : exercise !== chosen);
    });
    expect(wrong).toEqual([]);
    const refused = changes.filter((chosen) => playable(chosen).issue).length;
    expect(changes.length).toBeGreaterThan(10_000);
    expect(refused).toBeGreaterThan(0);
  });

  it.each([
    [
      'relaySwell',
      { writtenMidi: 102 },
      { reason: 'tooHigh', midi: 103, limit: 102 },
      { field: 'writtenMidi', to: 101 },
    ],
    ['anchorSwell', { writtenMidi: 58 }, { reason: 'tooLow', midi: 57, limit: 58 }, { field: 'writtenMidi' }],
    ['homeNote', { writtenMidi: 102 }, { reason: 'tooHigh', limit: 102 }, { field: 'writtenMidi' }],
    ['overtoneLadder', { writtenMidi: 91 }, { reason: 'tooHigh', midi: 103 }, { field: 'writtenMidi', to: 90 }],
    ['swell', { writtenMidi: 67.5 }, { reason: 'whole', path: 'writtenMidi' }, { field: 'writtenMidi', to: 68 }],
    ['swell', { softest: 'f' }, { reason: 'order' }, { to: 'mf' }],
    ['swell', { tempoBpm: 1e308 }, { reason: 'limits', path: 'tempoBpm', max: 200 }, { field: 'tempoBpm', to: 200 }],
    ['swell', { beats: NaN }, { reason: 'limits', path: 'beats' }, { field: 'beats', to: 8 }],
    ['swell', { shape: 'spiral' }, { reason: 'unknown', path: 'shape' }, { field: 'shape', to: 'growFade' }],
    ['shortTwelfths', { writtenMidi: 60 }, { reason: 'fingered' }, { field: 'writtenMidi', to: 74 }],
    ['octaveDisplacement', { phrase: 'x' }, { reason: 'phrase', why: 'note' }, { field: 'phrase' }],
  ])('%s with %j: why not, and what is nearest', (family, change, issue, made) => {
    const usual = usualExercise(
      FAMILIES.find((candidate) => candidate.id === family)!,
      'alto',
    );
    const found = playable({ ...usual, ...change });
    expect(found.issue).toMatchObject(issue);
    expect(found.changes).toHaveLength(1);
    expect(found.changes[0]).toMatchObject(made);
  });

  it('plays on any horn with any settings at all', () => {
    const garbage = fc.oneof(fc.double(), fc.integer({ min: -10, max: 140 }), fc.string(), fc.boolean());
    fc.assert(
      fc.property(
        fc.constantFrom(...FAMILIES),
        fc.constantFrom(...horns),
        fc.array(garbage, { minLength: 12, maxLength: 12 }),
        (family, instrumentId, values) => {
          const fields = Object.fromEntries(Object.keys(family.fields).map((name, i) => [name, values[i % 12]!]));
          const tempoBpm = values[11] as number;
          const chosen = { family: family.id, instrumentId, tunerHidden: false, ...fields, tempoBpm };
          const { exercise, score } = playable(chosen);
          expect(score.steps.length).toBeGreaterThan(0);
          expect(playable(exercise).issue).toBeUndefined();
        },
      ),
      { numRuns: 300, seed: 12 },
    );
  });

  it('knows an answer it has given', () => {
    const chosen = { ...usualExercise(FAMILIES[0]!, 'alto'), writtenMidi: 1000 };
    expect(playable(chosen)).toBe(playable(chosen));
  });

  it('refuses a family that there is none of', () => {
    const chosen = { ...usualExercise(FAMILIES[0]!, 'alto'), family: 'none' };
    expect(() => playable(chosen)).toThrow(RangeError);
  });
});
