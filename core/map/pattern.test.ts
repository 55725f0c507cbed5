import { describe, expect, it } from 'vitest';
import { cellsFrom } from '../history/cells';
import { hornMap } from './hornMap';
import { hornPatterns } from './pattern';
import { digest, wholeHorn } from '../history/testDigests';
import type { Observation } from '../history/observation';

const mapOf = (values: (midi: number) => Observation['values']) =>
  hornMap(cellsFrom([1, 2, 3].map((day) => digest(`d${day}`, day, wholeHorn(values, 0)))).values());
const pitch = (cents: (midi: number) => number) => mapOf((midi) => ({ pitchCentreCents: cents(midi) }));

const hornPattern = (notes: Parameters<typeof hornPatterns>[0]) => hornPatterns(notes)[0];

describe('hornPatterns', () => {
  it.each([
    ['flat low and sharp high', pitch((midi) => (midi <= 62 ? -14 : midi >= 86 ? 12 : 0)), 'flatLowSharpHigh'],
    ['all sharp', pitch(() => 11), 'allSharp'],
    ['all flat', pitch(() => -11), 'allFlat'],
    ['one zone', pitch((midi) => (midi >= 86 ? 13 : 1)), 'zoneSharp'],
    ['one note', pitch((midi) => (midi === 76 ? -20 : 1)), 'oneNote'],
    ['sharp when soft everywhere', mapOf(() => ({ pitchAgainstLevelCents: -10 })), 'sharpWhenSoft'],
    ['flat when soft everywhere', mapOf(() => ({ pitchAgainstLevelCents: 10 })), 'flatWhenSoft'],
  ] as const)('%s', (_, notes, kind) => expect(hornPattern(notes)?.kind).toBe(kind));

  it('says nothing of a horn in tune, nor of one that leans here and there', () => {
    expect(hornPattern(pitch(() => 2))).toBeUndefined();
    expect(hornPattern(pitch((midi) => (midi % 2 ? 12 : -12)))).toBeUndefined();
  });
  it('says nothing while few notes are known', () => expect(hornPattern(pitch(() => 12).slice(0, 5))).toBeUndefined());
  it('tells sizes', () => {
    const found = hornPattern(pitch((midi) => (midi <= 62 ? -14 : midi >= 86 ? 12 : 0)));
    expect(found).toMatchObject({ low: expect.closeTo(14, 0), high: expect.closeTo(12, 0) });
  });

  describe('of the ends', () => {
    const colour = (palm: number) => (midi: number) => (8 * 2 ** ((58 - midi) / 12) + 1) * (midi >= 86 ? palm : 1);
    it.each([
      ['the low notes come weaker', mapOf((midi) => ({ levelAgainstPlanDb: midi <= 62 ? -7 : -1 })), ['zoneWeak']],
      ['palm notes are thin', mapOf((midi) => ({ centroidPartials: colour(2)(midi) })), ['palmThin']],
      ['palm notes are dull', mapOf((midi) => ({ centroidPartials: colour(0.4)(midi) })), ['palmDull']],
      ['a colour that only goes along with the notes', mapOf((midi) => ({ centroidPartials: colour(1)(midi) })), []],
      ['all notes softer than asked', mapOf(() => ({ levelAgainstPlanDb: -7 })), []],
    ] as const)('%s', (_, notes, kinds) => expect(hornPatterns(notes).map(({ kind }) => kind)).toEqual(kinds));
    it('tells them beside a pattern of pitch', () => {
      const notes = mapOf((midi) => ({ pitchCentreCents: 11, levelAgainstPlanDb: midi >= 86 ? -6 : 0 }));
      expect(hornPatterns(notes)).toMatchObject([{ kind: 'allSharp' }, { kind: 'zoneWeak', zone: 'palm', db: 6 }]);
    });
  });
});
