import { exerciseScore, familyById, isExercise, usualExercise } from '@inner-hum/core/families';
import { describe, expect, it } from 'vitest';
import { cellsFrom } from '../history/cells';
import { hornMap } from '../map/hornMap';
import { feedersOf, passageRisks } from './passageRisks';
import { digest, seen, wholeHorn } from '../history/testDigests';

const SPAN_DB = 30;
const passage = (phrase: string) => exerciseScore({ ...usualExercise(familyById('ownPassage'), 'alto'), phrase });
/** An even horn, but for what is told of some notes. */
const mapOf = (...own: Parameters<typeof digest>[2][number][]) => {
  const even = wholeHorn(() => ({ pitchCentreCents: 0, responseS: 0.05, pitchSteadinessCents: 2 }));
  return hornMap(cellsFrom([digest('even', 1, even), digest('own', 2, own)]).values());
};
const sharp = (midi: number, band: 'soft' | 'loud', cents = 25) =>
  Array.from({ length: 8 }, () => seen({ midi, band, values: { pitchCentreCents: cents } }));
const broke = (midi: number, underPDb: number) =>
  Array.from({ length: 3 }, () => seen({ midi, band: 'soft', values: { brokeUnderPDb: underPDb } }));
const risksOf = (phrase: string, map: ReturnType<typeof mapOf>) => passageRisks(passage(phrase), map, 'alto', SPAN_DB);

describe('what is risky in a passage', () => {
  it('is nothing on an even horn', () => expect(risksOf('[p] (C5 D5 E5) [f] G4:2', mapOf())).toEqual([]));
  it('is a note that wants work at the loudness that is asked, and at no other', () => {
    const map = mapOf(...sharp(74, 'loud'));
    expect(risksOf('[f] C5 D5 E5 D5', map)).toMatchObject([{ kind: 'need', need: { midi: 74 }, steps: [1, 3] }]);
    expect(risksOf('[p] C5 D5 E5', map)).toEqual([]);
    expect(risksOf('[f] C5 E5', map)).toEqual([]);
  });
  it('is a note that is asked as soft as it usually breaks', () => {
    const map = mapOf(...broke(60, 1));
    const [risk] = risksOf('[mf] G4 [p] C4:2', map);
    expect(risk).toMatchObject({
      kind: 'edge',
      midi: 60,
      steps: [1],
      feeder: { family: 'airIntoTone', writtenMidi: 60 },
    });
    expect(risk!.kind === 'edge' && risk!.leftDb).toBeCloseTo(1, 0);
    expect(risksOf('[f] C4:2', map)).toEqual([]);
  });
  it('has feeders that play, each once, at most four, the worst first', () => {
    const notes = [60, 64, 67, 71, 74, 77];
    const map = mapOf(...notes.flatMap((midi, i) => sharp(midi, 'loud', 16 + 4 * i)));
    const risks = risksOf('[f] C4 E4 G4 B4 D5 F5 D5', map);
    const feeders = feedersOf(risks);
    expect(feeders.length).toBeGreaterThan(1);
    expect(feeders.length).toBeLessThanOrEqual(4);
    expect(feeders.every(isExercise)).toBe(true);
    expect(risks.map(({ size }) => size)).toEqual(risks.map(({ size }) => size).sort((a, b) => b - a));
  });
});
