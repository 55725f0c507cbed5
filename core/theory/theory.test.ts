import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  ASSUMED_RULER,
  centsBetweenHz,
  dynamicLevelDb,
  DYNAMICS,
  hzToMidi,
  instrumentById,
  INSTRUMENTS,
  midiToHz,
  naturalOffsetCents,
  nearestDynamic,
  noteName,
  partialSemitones,
  partialTargetHz,
  pitchClassName,
  soundingMidi,
  soundingPartial,
  soundingRangeHz,
  spellMidi,
  writtenMidi,
  writtenToHz,
  zoneOf,
} from './index';

describe('pitch', () => {
  it.each([
    [69, 440, 440],
    [69, 442, 442],
    [60, 440, 261.6256],
    [32, 440, 51.9131],
  ])('MIDI %i at A4 = %i is %f Hz', (midi, a4, hz) => expect(midiToHz(midi, a4)).toBeCloseTo(hz, 3));

  it('hzToMidi undoes midiToHz at every reference', () =>
    fc.assert(
      fc.property(fc.double({ min: 24, max: 110, noNaN: true }), fc.integer({ min: 415, max: 466 }), (midi, a4) => {
        expect(hzToMidi(midiToHz(midi, a4), a4)).toBeCloseTo(midi, 9);
      }),
    ));

  it('cents read upward', () => {
    expect(centsBetweenHz(220, 440)).toBeCloseTo(1200, 9);
    expect(centsBetweenHz(440, 220)).toBeCloseTo(-1200, 9);
  });

  it('refuses what is not a pitch', () => {
    expect(() => midiToHz(60, 414)).toThrow('a4Hz must be from 415 to 466, got 414');
    expect(() => centsBetweenHz(0, 440)).toThrow('frequency must be > 0 Hz, got 0');
  });
});

describe('instruments', () => {
  it.each([
    ['sopranino', 58, 61],
    ['soprano', 58, 56],
    ['alto', 58, 49],
    ['cMelody', 58, 46],
    ['tenor', 58, 44],
    ['baritone', 58, 37],
    ['baritoneLowA', 57, 36],
    ['bass', 58, 32],
  ] as const)('lowest note of the %s: written %i sounds %i', (id, written, sounding) => {
    const horn = instrumentById(id);
    expect(horn.lowestWrittenMidi).toBe(written);
    expect(soundingMidi(horn, written)).toBe(sounding);
    expect(writtenMidi(horn, sounding)).toBe(written);
  });

  it('has unique ids and sane ranges', () => {
    expect(new Set(INSTRUMENTS.map((instrument) => instrument.id)).size).toBe(INSTRUMENTS.length);
    for (const horn of INSTRUMENTS) {
      const { minHz, maxHz } = soundingRangeHz(horn, 440);
      expect(minHz).toBeGreaterThanOrEqual(48);
      expect(maxHz).toBeLessThanOrEqual(2800);
      expect(writtenToHz(horn, horn.lowestWrittenMidi, 440)).toBeGreaterThan(minHz);
      expect(writtenToHz(horn, horn.highestKeyedWrittenMidi, 440)).toBeLessThan(maxHz);
    }
  });

  it('draws the zone borders at D4, C♯6 and F♯6', () =>
    expect([62, 63, 85, 86, 90, 91].map(zoneOf)).toEqual(['low', 'middle', 'middle', 'palm', 'palm', 'altissimo']));

  it('names an unknown size', () => expect(() => instrumentById('tubax' as never)).toThrow('tubax'));
});

describe('partials', () => {
  it.each([
    [1, 0, 0],
    [2, 0, 12],
    [3, 2, 19],
    [5, -14, 28],
    [6, 2, 31],
    [7, -31, 34],
    [9, 4, 38],
  ])('partial %i leans %i cents and lies %i semitones up', (n, cents, semitones) => {
    expect(naturalOffsetCents(n)).toBeCloseTo(cents, 0);
    expect(partialSemitones(n)).toBe(semitones);
  });

  it('natural and tempered targets differ by the natural offset', () => {
    for (let n = 1; n <= 10; n++) {
      const difference = centsBetweenHz(partialTargetHz(100, n, 'tempered'), partialTargetHz(100, n, 'natural'));
      expect(difference).toBeCloseTo(naturalOffsetCents(n), 9);
    }
  });

  it('hears which partial sounds, even 40 cents off', () => {
    for (let n = 1; n <= 8; n++) expect(soundingPartial(100 * n * 2 ** (40 / 1200), 100)).toBe(n);
    expect(soundingPartial(51, 100)).toBe(1);
  });

  it('refuses partial 0', () => expect(() => naturalOffsetCents(0)).toThrow('whole number from 1'));
});

describe('note names', () => {
  it.each([
    [58, 'B♭3', 'B3', 'Si♭3'],
    [59, 'B3', 'H3', 'Si3'],
    [61, 'C♯4', 'Cis4', 'Do♯4'],
    [63, 'E♭4', 'Es4', 'Mi♭4'],
    [68, 'G♯4', 'Gis4', 'Sol♯4'],
  ])('%i is %s, %s, %s', (midi, english, german, fixedDo) => {
    expect([noteName(midi, 'english'), noteName(midi, 'german'), noteName(midi, 'fixedDo')]).toEqual([
      english,
      german,
      fixedDo,
    ]);
  });

  it.each([
    [58, 'Si♭2', 'Si♭2'],
    [62, 'Ré3', 'Re3'],
    [69, 'La3', 'La3'],
  ])('%i is %s in French and %s in Italian: their octaves count from do3', (midi, french, italian) =>
    expect([noteName(midi, 'french'), noteName(midi, 'italian')]).toEqual([french, italian]),
  );

  it('every spelling sounds its own note', () => {
    const semitones = [0, 2, 4, 5, 7, 9, 11];
    for (let midi = 36; midi < 100; midi++)
      for (const spelling of ['usual', 'sharps', 'flats'] as const) {
        const { step, alter, octave } = spellMidi(midi, spelling);
        expect((octave + 1) * 12 + semitones[step]! + alter).toBe(midi);
      }
    expect(pitchClassName(56, 'german', 'flats')).toBe('As');
  });

  it('refuses quarter tones', () => expect(() => spellMidi(60.5)).toThrow('whole number'));
});

describe('dynamics', () => {
  it('puts six dynamics at five equal steps', () => {
    expect(DYNAMICS.map((dynamic) => dynamicLevelDb(dynamic, ASSUMED_RULER))).toEqual([-45, -39, -33, -27, -21, -15]);
  });
  it('names a level, also beyond the ends', () =>
    expect([-80, -40, -28, 0].map((level) => nearestDynamic(level, ASSUMED_RULER))).toEqual(['pp', 'p', 'mf', 'ff']));
});
