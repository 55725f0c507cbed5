import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NOTE_NAME_SYSTEMS, parseNoteName } from '../theory';
import { parsePhrase, PhraseError, phraseText } from './index';
import { exerciseScore, familyById, usualExercise } from '../families';

describe('note names', () => {
  it.each([
    ['B♭3', 'english', 58],
    ['Bb3', 'english', 58],
    ['bb3', 'english', 58],
    ['F#5', 'english', 78],
    ['C', 'english', 60],
    ['H3', 'german', 59],
    ['B3', 'german', 58],
    ['Cis4', 'german', 61],
    ['Es5', 'german', 75],
    ['As4', 'german', 68],
    ['Si♭3', 'fixedDo', 58],
    ['sol4', 'fixedDo', 67],
    ['ré3', 'french', 62],
    ['Re3', 'french', 62],
    ['la3', 'italian', 69],
    ['H3', 'english', undefined],
    ['X4', 'english', undefined],
    ['4', 'english', undefined],
  ] as const)('%s in %s is %s', (name, system, midi) => expect(parseNoteName(name, system)).toBe(midi));
});

describe('phrase', () => {
  it.each(['(G4 r A4)', '(G4 A4 r B4 C5)', '(G4 A4 r) B4', 'G4 (r A4 B4)', '(G4 r r A4 B4)'])(
    'a rest ends a slur: %s reads the same when it is written anew',
    (text) => {
      const notes = parsePhrase(text);
      notes.forEach((note, i) => expect(note.slurred === true && notes[i - 1]?.midi === null).toBe(false));
      expect(parsePhrase(phraseText(notes))).toEqual(notes);
    },
  );
  it('reads names, beats and rests; an octave holds until another is named', () =>
    expect(parsePhrase('G4 A Bb:2 r:0.5, c5:1.5 | D')).toEqual([
      { midi: 67, beats: 1 },
      { midi: 69, beats: 1 },
      { midi: 70, beats: 2 },
      { midi: null, beats: 0.5 },
      { midi: 72, beats: 1.5 },
      { midi: 74, beats: 1 },
    ]));
  it.each([
    ['', 'the phrase has no note'],
    ['r r', 'the phrase has no note'],
    ['G4 Q5', 'word 2 of the phrase, “Q5”: note'],
    ['G4:0.3', 'word 1 of the phrase, “G4:0.3”: beats'],
    ['G4:x', 'word 1 of the phrase, “G4:x”: beats'],
    ['C4 '.repeat(201), 'word 201 of the phrase, “C4”: tooLong'],
  ])('“%s” is refused with its place', (text, message) => expect(() => parsePhrase(text)).toThrow(message));
  const note = fc.record({
    midi: fc.option(fc.integer({ min: 46, max: 102 }), { nil: null }),
    beats: fc.integer({ min: 1, max: 64 }).map((quarters) => quarters / 4),
  });
  it.each(NOTE_NAME_SYSTEMS)('text and back is the same (%s)', (system) =>
    fc.assert(
      fc.property(fc.array(note, { minLength: 1, maxLength: 30 }), (notes) => {
        fc.pre(notes.some((entry) => entry.midi !== null));
        expect(parsePhrase(phraseText(notes, system), system)).toEqual(notes);
      }),
    ),
  );
});

describe('families of phrases and of the whole horn', () => {
  const steps = (id: string, change: Record<string, string | number> = {}) =>
    exerciseScore({ ...usualExercise(familyById(id), 'alto'), ...change }).steps;
  it('octave displacement plays the phrase and then an octave away, slurred between rests', () => {
    const found = steps('octaveDisplacement', { phrase: 'E5 D5 r C5:2', direction: 'down', restBeats: 2 });
    expect(found.map((step) => step.soundedMidi)).toEqual([76, 74, 72, 64, 62, 60]);
    expect(found.map((step) => step.startBeat)).toEqual([0, 1, 3, 7, 8, 10]);
    expect(found.map((step) => step.attack)).toEqual(['breath', 'slurred', 'breath', 'breath', 'slurred', 'breath']);
  });
  it('a phrase that leaves the horn is refused', () =>
    expect(() => steps('octaveDisplacement', { phrase: 'C4 D4' })).toThrow('note must be from 58'));
  it('a quick survey is nine notes from end to end, each at three dynamics', () => {
    const found = steps('survey');
    expect(found).toHaveLength(27);
    expect([found[0]!.soundedMidi, found.at(-1)!.soundedMidi]).toEqual([58, 90]);
    expect(new Set(found.slice(0, 3).map((step) => step.dynamics[0]!.dynamic))).toEqual(new Set(['p', 'mf', 'f']));
  });
  it('the parts of a survey are the whole horn, each note once', () => {
    const notes = ['low', 'middle', 'palm'].flatMap((part) =>
      steps('survey', { part }).map((step) => step.soundedMidi),
    );
    expect([...new Set(notes)]).toEqual(Array.from({ length: 33 }, (_, i) => 58 + i));
    expect(notes).toHaveLength(99);
  });
  it('the second of each pair is to be like the first', () =>
    expect(steps('ventMatch').map((step) => step.pair ?? false)).toEqual([false, true, false, true, false, true]));
});

describe('triplets', () => {
  const TEXT = 'G4:1/3 A4:1/3 B4:1/3 C5:2/3 D5:1/3 E5:1/6 F5:1/6 G5:1/6 A5:0.5 G5';
  it('are typed as fractions of a beat and written so again', () => expect(phraseText(parsePhrase(TEXT))).toBe(TEXT));
  it('fill their beat exactly, wherever they stand', () => {
    let place = 0;
    const ends = parsePhrase(`${TEXT} ${TEXT}`).map(({ beats }) => (place += beats));
    expect([2, 4, 8, 9, 12, 14, 18, 19].map((i) => ends[i])).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    expect(ends[0]).toBeCloseTo(1 / 3, 3);
  });
  it.each(['G4:1/5', 'G4:0.3', 'G4:1/24', 'G4:1/0', 'G4:2/3/4'])('%s is no length', (text) =>
    expect(() => parsePhrase(text)).toThrow(PhraseError),
  );
});
