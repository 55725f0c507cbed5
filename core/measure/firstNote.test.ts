import { hear } from '@inner-hum/core/signal';
import { CLEAN_HABITS, playStandIn } from '@inner-hum/core/simulate';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { ASSUMED_RULER, INSTRUMENTS, instrumentById, writtenToHz } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { firstNote } from './firstNote';

const G4 = 67;
type Part = readonly [hz: number, lastsS: number, levelDb?: number];
const heard = (...parts: readonly Part[]) => {
  const rows = parts.flatMap(([hz, lastsS, levelDb = hz > 0 ? -25 : -60]) =>
    Array.from({ length: Math.round(lastsS * 100) }, () => [hz, levelDb] as const),
  );
  const [f0Hz, levelDb] = [Float32Array.from(rows, ([hz]) => hz), Float32Array.from(rows, (row) => row[1])];
  return { f0Hz, levelDb, count: rows.length };
};
const SIZES = INSTRUMENTS.filter(({ id }) => id !== 'baritoneLowA');
const soundsAt = (id: (typeof SIZES)[number]['id'], cents = 0) =>
  writtenToHz(instrumentById(id), G4, 440) * 2 ** (cents / 1200);

describe.each(SIZES.map(({ id }) => [id] as const))('a written G of a %s', (id) => {
  it.each([-60, -20, 0, 20, 60])('%i cents off, its beginning an octave low', (cents) => {
    const hz = soundsAt(id, cents);
    expect(firstNote(heard([0, 1], [hz / 2, 0.1], [hz, 2]), G4)).toMatchObject({
      kind: 'heard',
      instrumentId: id,
      cents: expect.closeTo(cents, 3),
    });
  });
});

it.each(SIZES.map(({ id }, i) => (i % 2 === 0 ? ([id, 44100, 55] as const) : ([id, 48000, -55] as const))))(
  '%s at %i Hz, %i cents off: heard in the stand-in player’s own sound, with its room and its dynamics',
  (id, sampleRateHz, cents) => {
    const score = exerciseScore({ ...usualExercise(familyById('swell'), id), writtenMidi: G4, beats: 6 });
    const a4Hz = 440 * 2 ** (cents / 1200);
    const settings = { score, a4Hz, ruler: ASSUMED_RULER, habits: CLEAN_HABITS, seed: 3, sampleRateHz };
    const found = firstNote(hear(playStandIn(score, { ...settings, leadS: 1.5, tailS: 1 }), { sampleRateHz }), G4);
    expect(found).toMatchObject({ kind: 'heard', instrumentId: id, cents: expect.closeTo(cents, -0.5) });
    if (found.kind !== 'heard') return;
    expect(found.roomDb).toBeLessThan(-55);
    expect(found.ruler!.loudestDb - found.ruler!.softestDb).toBeGreaterThan(6);
  },
);

it.each([
  ['nothing', [[0, 3]], 'listening'],
  [
    'a tone that is too short',
    [
      [0, 1],
      [soundsAt('alto'), 1.2],
    ],
    'listening',
  ],
  ['a glide', [[0, 1], ...Array.from({ length: 20 }, (_, i) => [200 + 8 * i, 0.1] as const)], 'listening'],
  [
    'another note',
    [
      [0, 1],
      [soundsAt('alto', 100), 2],
    ],
    'otherNote',
  ],
] as const satisfies readonly (readonly [string, readonly Part[], string])[])('%s: %s', (_, parts, kind) =>
  expect(firstNote(heard(...parts), G4).kind).toBe(kind),
);

it('one loudness gives no span of the dynamics, and no quiet no room', () => {
  expect(firstNote(heard([soundsAt('alto'), 3]), G4)).toMatchObject({ ruler: undefined, roomDb: undefined });
});
