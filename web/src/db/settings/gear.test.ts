import { describe, expect, it } from 'vitest';
import { gearFor, setupNow, type GearItem } from './gear';

const gear: readonly GearItem[] = [
  { part: 'reed', name: 'first', instrumentId: 'alto' },
  { part: 'reed', name: 'worn', instrumentId: 'alto', retiredOn: '2026-01-02' },
  { part: 'reed', name: 'big', instrumentId: 'tenor' },
  { part: 'room', name: 'hall' },
];

describe('gear', () => {
  it('offers what fits this horn and is not retired', () => {
    expect(gearFor(gear, 'reed', 'alto').map((item) => item.name)).toEqual(['first']);
    expect(gearFor(gear, 'room', 'alto').map((item) => item.name)).toEqual(['hall']);
  });
  it('a set-up holds only what is said', () => {
    const fitted = { alto: { reed: 'first', mouthpiece: '' }, tenor: { reed: 'big' } };
    expect(setupNow({ instrumentId: 'alto', fitted, room: 'hall' })).toEqual({
      instrumentId: 'alto',
      reed: 'first',
      room: 'hall',
    });
    expect(setupNow({ instrumentId: 'bass', fitted, room: '' })).toEqual({ instrumentId: 'bass' });
  });
});
