import { expect, it } from 'vitest';
import { asksNoBreath, type Step } from './score';

const step = (startBeat: number, attack: Step['attack']) => ({ startBeat, beats: 4, attack }) as Step;

it.each([
  ['slurred right to it', [step(0, 'tongue'), step(4, 'slurred')], undefined, true],
  ['tongued right after it', [step(0, 'tongue'), step(4, 'tongue')], undefined, false],
  ['slurred, a breath between', [step(0, 'tongue'), step(6, 'slurred')], undefined, false],
  ['after a silence with the air kept', [step(0, 'tongue'), step(5, 'tongue')], 'silence', true],
  ['after air', [step(0, 'tongue'), step(5, 'breath')], 'air', false],
] as const)('a note %s', (_, steps, kind, asked) => {
  const gaps = kind ? [{ startBeat: 4, beats: 1, kind }] : [];
  expect(asksNoBreath({ steps, gaps }, 1)).toBe(asked);
  expect(asksNoBreath({ steps, gaps }, 0)).toBe(false);
  expect(asksNoBreath({ steps, gaps, clearS: 1 }, 1)).toBe(false);
});
