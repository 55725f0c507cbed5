import abcjs from 'abcjs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dynamicPosition, INSTRUMENTS, instrumentById } from '../theory';
import {
  breathBudget,
  highestNote,
  plannedPosition,
  scoreBeats,
  scoreToAbc,
  type ExerciseParameters,
} from '../exercise';
import { exerciseScore, FAMILIES, familyById, playable, usualExercise, type Family } from './index';

const usual = (id: string, change: Record<string, number | string> = {}): ExerciseParameters => ({
  ...usualExercise(familyById(id), 'alto'),
  ...change,
});
const notes = (exercise: ExerciseParameters) => exerciseScore(exercise).steps.map((step) => step.soundedMidi);

describe.each(FAMILIES.map((family): [string, Family] => [family.id, family]))('%s', (_, family) => {
  it.each(INSTRUMENTS.map((instrument) => instrument.id))('is playable as usual on a %s', (instrumentId) => {
    const score = exerciseScore(usualExercise(family, instrumentId));
    const horn = instrumentById(instrumentId);
    expect(score.steps.length).toBeGreaterThan(0);
    let end = 0;
    for (const step of score.steps) {
      expect(step.startBeat).toBeGreaterThanOrEqual(end);
      end = step.startBeat + step.beats;
      expect(step.fingeredMidi).toBeGreaterThanOrEqual(horn.lowestWrittenMidi);
      expect(step.fingeredMidi).toBeLessThanOrEqual(highestNote(horn));
      expect(step.dynamics[0]!.beat).toBe(0);
    }
    // Air that goes on after the last tone belongs to it.
    const air = score.gaps?.at(-1);
    expect(scoreBeats(score)).toBe(air && air.startBeat >= end ? air.startBeat + air.beats : end);
  });

  it('a slurred tone follows its predecessor without a rest', () => {
    const { steps } = exerciseScore(usualExercise(family, 'tenor'));
    steps.forEach((step, i) => {
      const before = steps[i - 1];
      if (step.attack === 'slurred') expect(before && before.startBeat + before.beats).toBe(step.startBeat);
    });
  });

  it('takes every number within its limits and none beyond', () => {
    for (const [name, field] of Object.entries(family.fields)) {
      if (field.kind !== 'number') continue;
      for (const value of [field.min, field.max]) {
        // A long climb or descent may leave the horn; then the note is named, not this field.
        const score = () => exerciseScore({ ...usualExercise(family, 'alto'), [name]: value });
        try {
          expect(score().steps.length).toBeGreaterThan(0);
        } catch (error) {
          expect((error as Error).message).toMatch(/^note must be/);
        }
      }
      const beyond = () => exerciseScore({ ...usualExercise(family, 'alto'), [name]: field.max + 1 });
      expect(beyond).toThrow(`${name} must be from ${field.min} to ${field.max}, got ${field.max + 1}`);
    }
  });

  it('its part can be read by the notation package without a warning', () => {
    const score = exerciseScore(usualExercise(family, 'alto'));
    const [tune] = abcjs.parseOnly(scoreToAbc(score));
    expect(tune!.warnings ?? []).toEqual([]);
    const voices = tune!.lines.flatMap((line) => line.staff?.flatMap((staff) => staff.voices ?? []) ?? []);
    const sounded = voices.flat().filter((voice) => 'pitches' in voice && voice.pitches);
    expect(sounded.length).toBeGreaterThanOrEqual(score.steps.length);
  });
});

describe('what the families play', () => {
  it('the one-breath descent is one slur to the lowest note, in one even fade', () => {
    const score = exerciseScore(usual('oneBreathDescent'));
    expect(notes(usual('oneBreathDescent'))).toEqual([63, 62, 61, 60, 59, 58]);
    const levels = score.steps.flatMap((step) =>
      [0, step.beats].map((beat) => plannedPosition(step, beat, dynamicPosition)),
    );
    levels.slice(1).forEach((level, i) => expect(level).toBeLessThanOrEqual(levels[i]! + 1e-9));
    expect(levels[0]).toBeCloseTo(dynamicPosition('f'), 9);
    expect(levels.at(-1)).toBeCloseTo(dynamicPosition('p'), 9);
  });
  it('the zigzag turns with each note and stops at the lowest', () => {
    const { steps } = exerciseScore(usual('zigzagDescent', { writtenMidi: 60, notes: 8 }));
    expect(steps.map((step) => step.soundedMidi)).toEqual([60, 59, 58]);
    expect(steps.map((step) => step.dynamics[0]!.dynamic)).toEqual(['p', 'f', 'p']);
  });
  it.each<[string, Record<string, number | string>, number[]]>([
    ['relaySwell', { writtenMidi: 62, pairs: 2 }, [62, 63, 63, 64]],
    ['anchorSwell', { writtenMidi: 86, leaps: 3 }, [86, 85, 86, 84, 86, 83]],
    ['anchorSwell', { writtenMidi: 60, leaps: 2, direction: 'up' }, [60, 61, 60, 62]],
    ['homeNote', { writtenMidi: 58, climbs: 2 }, [58, 60, 58, 58, 62, 58]],
    ['homeNote', { writtenMidi: 58, climbs: 2, along: 'arpeggio' }, [58, 62, 58, 58, 65, 58]],
    ['octaveRestart', { writtenMidi: 59, notes: 3, restarts: 2 }, [71, 59, 59, 59, 70, 58, 58, 58]],
    ['crossingBreak', { way: 'acrossSilence' }, [72, 74]],
    ['heardInterval', { writtenMidi: 67, intervals: 2, direction: 'down' }, [67, 66, 67, 65]],
    ['overtoneMatch', { repeats: 1, tubes: 2 }, [70, 70, 70, 71, 71, 71]],
    ['overtoneMatch', { repeats: 1, tubes: 2, pattern: 'modelsFirst' }, [70, 71, 70, 71]],
    ['overtoneMatch', { repeats: 1, pattern: 'regularOvertoneLow' }, [70, 70, 58, 70, 70]],
    ['altissimoVoicing', { repeats: 1, voicingWay: 'toFingering', reach: 2 }, [84, 88, 91, 91, 91]],
    ['fullAndSubtone', { breaths: 'runUp', writtenMidi: 66 }, [66, 66, 66, 67, 68, 69, 66]],
    ['shortTwelfths', { notes: 2, pattern: 'againstRegular' }, [81, 81, 82, 82]],
    ['ownPassage', { phrase: 'G4 A4', repeats: 3, eachTime: 'semitoneUp' }, [67, 69, 68, 70, 69, 71]],
    ['overtoneRoute', { phrase: 'B♭4 F5', route: '58/2 58/3', repeats: 2, eachTime: 'semitoneUp' }, [70, 77, 71, 78]],
    ['endSets', { repeats: 1 }, [58, 60, 62, 60, 58, 60, 62]],
    ['endSets', { repeats: 1, set: 4 }, [59, 61, 63, 61, 59, 61, 63]],
    ['endSets', { repeats: 1, end: 'top', set: 5 }, [89, 87, 86, 87, 89, 87, 86]],
  ])('%s %o', (id, change, expected) => expect(notes(usual(id, change))).toEqual(expected));
  it('a full-span scale goes to both ends of its key on this horn', () => {
    const played = notes(usual('fullSpanScale', { key: 'B♭' }));
    expect([Math.min(...played), Math.max(...played)]).toEqual([58, 89]);
    expect(new Set(played.map((value) => value % 12))).toEqual(new Set([10, 0, 2, 3, 5, 7, 9]));
  });
  it('it goes from its tonic over both ends back to it, in its mode', () => {
    const played = notes(usual('fullSpanScale', { key: 'D', mode: 'dorian' }));
    expect([played[0], played.at(-1)]).toEqual([62, 62]);
    expect(played.indexOf(89)).toBeLessThan(played.indexOf(59));
    expect(new Set(played.map((value) => value % 12))).toEqual(new Set([2, 4, 5, 7, 9, 11, 0]));
  });
  it('starts with the tongue and with air by turns', () =>
    expect(exerciseScore(usual('tongueOrAir', { starts: 2 })).steps.map((step) => step.attack)).toEqual([
      'tongue',
      'breath',
      'tongue',
      'breath',
    ]));
});

describe('parameters', () => {
  it.each([
    [{ family: 'yodel' }, 'no exercise family is called yodel'],
    [{ shape: 'wobble' }, 'shape must be one of grow, fade, growFade, fadeGrow'],
    [{ beats: 'many' }, 'beats must be from 2 to 32, got many'],
    [{ beats: undefined }, 'beats must be from 2 to 32, got undefined'],
  ])('%o is refused by name', (change, message) =>
    expect(() => exerciseScore({ ...usual('swell'), ...change } as ExerciseParameters)).toThrow(message),
  );
  it('notes move into the range of another horn', () => {
    const low = { ...usualExercise(familyById('hold'), 'baritoneLowA'), writtenMidi: 57 };
    expect(playable({ ...low, instrumentId: 'alto' }).exercise['writtenMidi']).toBe(58);
  });
  it('breath: the longest slur counts, at any tempo', () =>
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 200 }), fc.integer({ min: 1, max: 8 }), (tempoBpm, beats) => {
        const { longestBreathS } = breathBudget(exerciseScore(usual('oneBreathDescent', { tempoBpm, beats })));
        expect(longestBreathS).toBeCloseTo((6 * beats * 60) / tempoBpm, 9);
      }),
    ));
});

describe('scoreToAbc', () => {
  const lines = (exercise: ExerciseParameters) => scoreToAbc(exerciseScore(exercise)).split('\n').slice(5).join('\n');
  it('ties a swell over the bar', () => expect(lines(usual('swell'))).toBe('G4-|G4|]'));
  it('says in words what lies between tones, air on the note that is fingered, no breath where the pressure is kept', () => {
    const words = { step: (i: number) => `start ${i}`, gap: (kind: string) => kind };
    const said = (family: string, change: Record<string, number | string>) =>
      scoreToAbc(exerciseScore(usual(family, change)), 'usual', words)
        .split('\n')
        .slice(5)
        .join('\n');
    expect(said('airIntoTone', { repeats: 1, beats: 4, airBeats: 2 })).toBe(
      'z2 "^air"[!style=x!D]2|"^start 0"D4|"^air"[!style=x!D]2 z2|]',
    );
    expect(said('crossingBreak', { way: 'acrossSilence', beats: 1, holdBeats: 2 })).toBe(
      '"^start 0"c "^silence"z "^start 1"d2|]',
    );
  });
  it('slurs, breathes, rests', () =>
    expect(lines(usual('crossingBreak', { way: 'byStep', holdBeats: 2, restBeats: 4 }))).toBe(
      '(c2 !breath!d2)|z4|(^c2 d2)|]',
    ));
  it('a tied note keeps its accidental unsaid', () =>
    expect(lines(usual('countedBreaths', { writtenMidi: 66, beats: 8, repeats: 2, restBeats: 8 }))).toMatch(
      /^\^F4-\|!breath!F4\|z4/,
    ));
  it('a tone without a set end is a bar under a fermata', () =>
    expect(lines(usual('hold', { writtenMidi: 66 }))).toBe('!fermata!^F4|]'));
  it('shows an overtone with the fingered note as a diamond under it, an octave-key fingering as it is fingered', () => {
    expect(lines(usual('overtoneLadder', { top: 2, beats: 2, restBeats: 4, repeats: 1 }))).toBe(
      '(_B,2 [!style=harmonic!_B,_B]2)|]',
    );
    expect(lines(usual('shortTwelfths', { notes: 1, beats: 2 }))).toBe('(d2 [!style=harmonic!da]2)|]');
  });
  it('writes the vowels of a sweep where they begin', () =>
    expect(lines(usual('vowelSweep', { writtenMidi: 60, beats: 2 }))).toBe('"^ee"C2- "^ah"C2-|"^oh"C2- "^oo"C2|]'));
  it('cancels an accidental within its bar only', () =>
    expect(lines(usual('homeNote', { along: 'chromatic', climbs: 1, beats: 1 }))).toBe('(_B, =B, _B,) z|]'));
});
