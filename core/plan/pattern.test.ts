import { describe, expect, it } from 'vitest';
import { cellsFrom } from './cells';
import { hornMap } from './hornMap';
import { hornPattern } from './pattern';
import { digest, wholeHorn } from './testDigests';
import type { Observation } from './observation';

const mapOf = (values: (midi: number) => Observation['values']) =>
  hornMap(cellsFrom([1, 2, 3].map((day) => digest(`d${day}`, day, wholeHorn(values, 0)))).values());
const pitch = (cents: (midi: number) => number) => mapOf((midi) => ({ pitchCentreCents: cents(midi) }));

describe('hornPattern', () => {
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
});
