import type { LevelRuler } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { byLoudness, loudnessBand, softestDb } from './byLoudness';
import { colourOverLevel } from './colour';
import { valueOf } from './measured';
import type { ToneBody } from './tone';

const ruler: LevelRuler = { softestDb: -45, loudestDb: -15, origin: 'measured' };

/** A tone whose pitch and colour follow its level. */
function body(levels: readonly number[]): ToneBody {
  const from = (of: (db: number, i: number) => number) => Float64Array.from(levels, of);
  return {
    frame: Int32Array.from(levels, (_, i) => i),
    timeS: from((_, i) => i / 100),
    cents: from((db) => -(db + 30)),
    levelDb: from((db) => db),
    breathDb: from(() => -30),
    centroidPartials: from((db) => 4 + (db + 30) / 10),
  };
}
const swell = body(Array.from({ length: 301 }, (_, i) => -45 + i / 10));

describe('byLoudness', () => {
  it('gives each third of the ruler its own centre and colour', () => {
    const { soft, medium, loud } = byLoudness(swell, ruler);
    expect(valueOf(soft.pitchCentreCents)).toBeCloseTo(10, 0);
    expect(valueOf(medium.pitchCentreCents)).toBeCloseTo(0, 0);
    expect(valueOf(loud.pitchCentreCents)).toBeCloseTo(-10, 0);
    expect(valueOf(loud.centroidPartials)).toBeCloseTo(5, 1);
    expect(soft.lastsS + medium.lastsS + loud.lastsS).toBeCloseTo(3.01);
  });
  it('moves with the ruler', () => {
    const louder = body(Array.from(swell.levelDb, (db) => db + 6));
    const moved = byLoudness(louder, { ...ruler, softestDb: -39, loudestDb: -9 });
    expect(moved.soft.lastsS).toBe(byLoudness(swell, ruler).soft.lastsS);
  });
  it('says nothing of a band that was hardly touched', () => {
    const short = byLoudness(body([-40, -40, -30]), ruler);
    expect(short.soft).toMatchObject({ lastsS: 0.02, pitchCentreCents: { kind: 'absent' } });
    expect(softestDb(body([-40])).kind).toBe('absent');
  });
  it('leaves flickers out of the softest level', () => {
    const flickering = body([...Array.from({ length: 99 }, () => -38), -60]);
    expect(valueOf(softestDb(flickering))).toBeCloseTo(-38);
  });
  it.each([
    [-80, 'soft'],
    [-30, 'medium'],
    [0, 'loud'],
  ])('%f dBFS is %s', (db, band) => expect(loudnessBand(db, ruler)).toBe(band));
});

describe('colour over loudness', () => {
  it('has a step for each 3 dB, the loudest first, at the colour of that level', () => {
    const steps = colourOverLevel(swell);
    expect(steps.map(({ underDb }) => underDb)).toEqual([0, 3, 6, 9, 12, 15, 18, 21, 24, 27, 30]);
    // 10 dB are one partial.
    expect(steps[1]!.centroidPartials - steps[6]!.centroidPartials).toBeCloseTo(1.5, 1);
  });
  it('is one step of a tone at one loudness, and none of no tone', () => {
    expect(colourOverLevel(body(Array.from({ length: 100 }, () => -30)))).toEqual([
      { underDb: 0, centroidPartials: 4 },
    ]);
    expect(colourOverLevel(body([]))).toEqual([]);
  });
});
