import { describe, expect, it } from 'vitest';
import { stretch } from './stretch';

const RATE = 8000;
const tone = (hz: number) => Float32Array.from({ length: RATE }, (_, i) => Math.sin((2 * Math.PI * hz * i) / RATE));
/** Rising passages through zero a second: the pitch of a plain tone. */
function pitchOf(samples: Float32Array): number {
  let count = 0;
  for (let i = 1; i < samples.length; i++) if (samples[i - 1]! < 0 && samples[i]! >= 0) count++;
  return (count * RATE) / samples.length;
}

describe('stretch', () => {
  it.each([110, 220, 430])('makes %i Hz twice as long at the same pitch', (hz) => {
    const slow = stretch(tone(hz), RATE, 2);
    expect(slow.length).toBe(2 * RATE);
    expect(Math.abs(pitchOf(slow.subarray(RATE / 2, 1.5 * RATE)) / hz - 1)).toBeLessThan(0.02);
  });
  it('keeps the loudness in the middle', () => {
    const slow = stretch(tone(220), RATE, 2).subarray(RATE / 2, RATE);
    expect(Math.sqrt(slow.reduce((sum, value) => sum + value * value, 0) / slow.length)).toBeCloseTo(Math.SQRT1_2, 1);
  });
  it('leaves what is too short as it is', () => expect(stretch(new Float32Array(10), RATE, 2)).toHaveLength(10));
  it('says what is no factor', () => expect(() => stretch(tone(100), RATE, 9)).toThrow('factor must be from 1 to 4'));
});
