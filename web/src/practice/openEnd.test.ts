import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { HOP_S } from '@inner-hum/core/signal';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { expect, it } from 'vitest';
import { LIVE_FIELDS } from '../input/protocol';
import { LiveTrace } from '../input/liveTrace';
import { holdEnds } from './openEnd';

const setup = { instrumentId: 'alto', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' } as const;
const G4_HZ = 440 * 2 ** ((67 - 9 - 69) / 12);
const RATE_HZ = 48000;

/** A trace into which frames come, so many at a time; gives when it was told, seconds. */
function toldAtS(family: string, hzAt: (t: number) => number, batch: number, dueS = 10): number[] {
  const plan = { score: exerciseScore(usualExercise(familyById(family), 'alto')), setup };
  const asked = holdEnds(plan, dueS);
  const trace = new LiveTrace();
  trace.receive({ kind: 'started', firstSample: 10 * RATE_HZ }, { sampleRate: RATE_HZ, currentTime: 10 });
  const told: number[] = [];
  for (let from = 0; from < 900; from += batch) {
    const rows = Array.from({ length: batch }, (_, i) => [from + i, hzAt((from + i) * HOP_S), -20, -40, 0]).flat();
    expect(rows).toHaveLength(batch * LIVE_FIELDS);
    const live = { peak: 0.1, lost: [], rows: Float32Array.from(rows) } as const;
    trace.receive({ kind: 'frames', ...live }, { sampleRate: RATE_HZ, currentTime: 10 + (from + batch) * HOP_S });
    if (asked(trace)) told.push((from + batch) * HOP_S);
  }
  return told;
}

it.each([1, 3, 7])('the end of a good hold is told once, within 0.3 s, in batches of %d frames', (batch) => {
  const told = toldAtS('hold', (t) => (t < 6 ? G4_HZ : 2 * G4_HZ), batch);
  expect(told).toHaveLength(1);
  expect(told[0]).toBeGreaterThan(6);
  expect(told[0]).toBeLessThan(6.3);
});

it('what comes before the tone is due, a tone that only ends and an exercise with set ends tell nothing', () => {
  expect(toldAtS('hold', (t) => (t < 1 ? 2 * G4_HZ : t < 2 ? 0 : G4_HZ), 3, 12)).toEqual([]);
  expect(toldAtS('hold', (t) => (t < 6 ? G4_HZ : 0), 3)).toEqual([]);
  expect(toldAtS('swell', (t) => (t < 6 ? G4_HZ : 2 * G4_HZ), 3)).toEqual([]);
});
