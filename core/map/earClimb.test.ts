import { describe, expect, it } from 'vitest';
import { firstRung, nextRung, rungOf, type Rung } from './earClimb';

const first = firstRung({ tubeMidi: 58, partial: 2 }, 'alto');
const rung = (writtenMidi: number, top: number, soughtS: number, clear = true): Rung => ({
  exercise: { ...first, writtenMidi, top },
  clear,
  soughtS,
  soundedS: 10,
});
const next = (done: readonly Rung[], level: 'new' | 'home' | 'advanced' = 'home') => {
  const found = nextRung(done, level);
  return found.kind === 'end' ? found.because : `${found.exercise['writtenMidi']}/${found.exercise['top']}`;
};

describe('a climb by ear', () => {
  it('begins with the partial that is learnt next, each tone clear for two seconds', () => {
    expect(first).toMatchObject({ family: 'overtoneLadder', writtenMidi: 58, top: 2, goesOn: 'clear2' });
  });

  it('goes to the next tube when all was found at once, and to the next partial after four', () => {
    expect(next([rung(58, 2, 0.6)])).toBe('59/2');
    expect(next([58, 59, 60, 61].map((tube) => rung(tube, 2, 0.6)))).toBe('58/3');
  });

  it('stays twice on what is slow or unclear, then goes on, or one partial back', () => {
    expect(next([rung(58, 3, 3)])).toBe('58/3');
    expect(next([rung(58, 3, 3), rung(58, 3, 2.5)])).toBe('59/3');
    expect(next([rung(58, 3, 9, false)])).toBe('58/3');
    expect(next([rung(58, 3, 9, false), rung(58, 3, 9, false)])).toBe('58/2');
    expect(next([rung(58, 2, 9, false), rung(58, 2, 9, false)])).toBe('hard');
  });

  it('ends when finding has become slow, not where it always was', () => {
    const quick = [rung(58, 2, 0.5), rung(59, 2, 0.6)];
    expect(next([...quick, rung(60, 2, 2.4), rung(60, 2, 2.6)])).toBe('tired');
    expect(next([...quick, rung(60, 2, 2.4), rung(60, 2, 0.7)])).not.toBe('tired');
    expect(next([rung(58, 2, 3), rung(58, 2, 3), rung(59, 2, 3.2), rung(59, 2, 3.4)])).not.toBe('tired');
  });

  it('ends after four minutes of tone, and at the last partial of the level', () => {
    const long = Array.from({ length: 24 }, (_, i) => rung(58 + (i % 2), 2, 0.5));
    expect(next(long)).toBe('long');
    expect(
      next(
        [58, 59, 60, 61].map((tube) => rung(tube, 3, 0.6)),
        'new',
      ),
    ).toBe('top');
    expect(
      next(
        [58, 59, 60, 61].map((tube) => rung(tube, 3, 0.6)),
        'home',
      ),
    ).toBe('58/4');
  });

  it('reads a rung from the score as it was led', () => {
    const step = { startBeat: 0, beats: 2, fingeredMidi: 58, partialNumber: 1, soundedMidi: 58 } as const;
    const steps = [0.1, 4, 0.3].map((foundAfterS) => ({
      ...step,
      dynamics: [],
      attack: 'breath' as const,
      foundAfterS,
    }));
    expect(rungOf(first, { steps }, true)).toMatchObject({ clear: true, soughtS: 0.3, soundedS: 10.4 });
    expect(rungOf(first, { steps: [] }, false)).toMatchObject({ clear: false, soughtS: Infinity });
  });
});
