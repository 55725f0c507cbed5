import { describe, expect, it } from 'vitest';
import { SeededRandom } from '@inner-hum/core/simulate';
import { cellsFrom } from '../history/cells';
import { evenness, evennessGains } from './evenness';
import { exerciseFor, exerciseForSeam } from '../lesson/exerciseFor';
import { hornMap, otherFingerings } from './hornMap';
import { needGroups, needs } from './needs';
import { seams } from './seams';
import { digest, seen, wholeHorn } from '../history/testDigests';
import { exerciseScore } from '../families';
import type { Observation } from '../history/observation';

const mapOf = (...observations: (readonly Observation[])[]) =>
  hornMap(cellsFrom(observations.map((own, i) => digest(`t${i}`, i + 1, own))).values());
/** Four days of the whole horn with a little chance in each. */
function days(valuesOf: (midi: number) => Observation['values'], seed = 1) {
  const random = new SeededRandom(seed);
  return mapOf(
    ...[1, 2, 3, 4].map((day) =>
      wholeHorn((midi) => {
        const { pitchCentreCents = 0, responseS = 0.05, centroidPartials = 4, rangeDb = 20 } = valuesOf(midi);
        return {
          pitchCentreCents: pitchCentreCents + 2 * random.normal(),
          responseS: responseS + 0.008 * random.normal(),
          centroidPartials: centroidPartials * (1 + 0.03 * random.normal()),
          rangeDb: rangeDb + random.normal(),
          levelAgainstPlanDb: 0.5 * random.normal(),
          pitchSteadinessCents: 2,
        };
      }, day * 86_400_000),
    ),
  );
}

describe('fingerings', () => {
  const on = (day: number, cents: number, change: Partial<Observation> = {}) =>
    seen({ midi: 66, atMs: day * 86_400_000, values: { pitchCentreCents: cents }, ...change });
  const side = { fingering: 'l1 l2 l3 sideFSharp' };
  const rows = (...observations: Observation[]) => {
    const cells = [...cellsFrom(observations.map((one, i) => digest(`t${i}`, i + 1, [one]))).values()];
    const told = ({ fingering, all }: ReturnType<typeof hornMap>[number]) => [
      fingering,
      all.map(({ values }) => values.pitchCentreCents),
    ];
    return { map: hornMap(cells).map(told), others: otherFingerings(cells).map(told) };
  };
  it('a note stands by the one it was last played with, the other has a row of its own', () => {
    expect(rows(on(1, 2), on(2, 3), on(3, 11, side))).toEqual({
      map: [[side.fingering, [11]]],
      others: [[undefined, [2, 3]]],
    });
    expect(rows(on(1, 11, side), on(3, 2)).map).toEqual([[undefined, [2]]]);
  });
  it('a trial does not take the place of what is played, but stands where there is nothing else', () => {
    const trial = { ...side, trial: true } as const;
    expect(rows(on(1, 2), on(3, 11, trial)).map).toEqual([[undefined, [2]]]);
    expect(rows(on(1, 2), on(3, 11, trial)).others).toEqual([[side.fingering, [11]]]);
    expect(rows(on(3, 11, trial)).map).toEqual([[side.fingering, [11]]]);
  });
});

describe('seams', () => {
  it('a planted step of pitch, and of response, is found between its notes and nowhere else', () => {
    const found = seams(
      days((midi) => ({ pitchCentreCents: midi >= 74 ? 25 : 0, responseS: midi === 58 ? 0.3 : 0.05 })),
    );
    expect(found.map(({ lower, upper, quantity }) => `${lower} ${upper} ${quantity}`).sort()).toEqual([
      '58 59 responseS',
      '73 74 pitchCentreCents',
    ]);
    expect(found.find((seam) => seam.lower === 73)!.step).toBeCloseTo(25, -1);
  });
  it.each([1, 2, 3, 4, 5, 6])('an even horn has none (seed %i)', (seed) =>
    expect(seams(days(() => ({}), seed))).toEqual([]),
  );
  it('says nothing while few neighbours are known', () =>
    expect(
      seams(mapOf([60, 61].map((midi) => seen({ midi, values: { pitchCentreCents: 40 * (midi - 60) } })))),
    ).toEqual([]));
});

describe('evenness', () => {
  const even = evenness(days(() => ({})));
  it('is high for an even horn and falls with every spread', () => {
    if (even.kind === 'unknown') throw new Error('unknown');
    expect(even.value).toBeGreaterThan(80);
    expect(even.parts.map((part) => part.part)).toEqual(['pitch', 'colour', 'response', 'range']);
    const crooked = evenness(days((midi) => ({ pitchCentreCents: (midi % 2) * 30 })));
    expect(crooked.kind === 'known' && crooked.value).toBeLessThan(even.value - 15);
  });
  it('a colour that rises smoothly over the horn is even', () => {
    const rising = evenness(days((midi) => ({ centroidPartials: 8 - (midi - 58) / 6 })));
    expect(rising.kind === 'known' && rising.parts.find((part) => part.part === 'colour')!.worth).toBeGreaterThan(75);
  });
  it('is the mean of its published parts', () => {
    if (even.kind === 'unknown') throw new Error('unknown');
    expect(even.value).toBeCloseTo(even.parts.reduce((sum, part) => sum + part.worth, 0) / even.parts.length);
  });
  it('says which note would raise it most, and by how much', () => {
    const map = days((midi) => ({ pitchCentreCents: midi === 74 ? 60 : midi === 80 ? 40 : 0 }));
    const [first, second] = evennessGains(map, 3);
    expect(first).toMatchObject({ part: 'pitch', midi: 74 });
    expect(second).toMatchObject({ part: 'pitch', midi: 80 });
    const before = evenness(map);
    const after = evenness(days((midi) => ({ pitchCentreCents: midi === 80 ? 40 : 0 })));
    if (before.kind !== 'known' || after.kind !== 'known') throw new Error('not known');
    expect(first!.points).toBeCloseTo(after.value - before.value, 1);
    expect(
      evennessGains(
        days(() => ({})),
        3,
      ),
    ).toEqual([]);
  });
  it('is unknown for a few notes', () =>
    expect(evenness(mapOf([seen({ values: { pitchCentreCents: 1 } })]))).toEqual({ kind: 'unknown', notes: 1 }));
});

describe('needs', () => {
  const first = (notes: ReturnType<typeof mapOf>) => needs(notes, 'alto')[0];
  it.each<[string, Observation['values'], string]>([
    ['leans', { pitchCentreCents: 35 }, 'pitch'],
    ['is slow', { responseS: 0.5 }, 'response'],
  ])('a note that %s is one', (_, values, reason) =>
    expect(first(days((midi) => (midi === 70 ? values : {})))).toMatchObject({ midi: 70, reason }),
  );
  it('what is inside its limit is none, nor a horn that was never measured', () => {
    expect(
      needs(
        days(() => ({ pitchCentreCents: 6, responseS: 0.06 })),
        'alto',
      ),
    ).toEqual([]);
    expect(needs([], 'alto')).toEqual([]);
  });
  it('a note that fails is one, with how many of its starts; slurred notes are no starts', () => {
    const failing = (attack: Observation['attack']) =>
      wholeHorn(() => ({ pitchCentreCents: 0 })).map((observation) =>
        observation.midi === 60 ? { ...observation, spoke: false, attack } : observation,
      );
    expect(first(mapOf(failing('breath'), failing('breath')))).toMatchObject({
      midi: 60,
      reason: 'failing',
      value: 6,
      of: 6,
    });
    expect(needs(mapOf(failing('slurred'), failing('slurred')), 'alto')).toEqual([]);
  });
  it('what failed while the player was tired is no matter of the note', () => {
    const failing = wholeHorn(() => ({})).map((observation) => ({ ...observation, spoke: observation.midi !== 60 }));
    expect(needs(mapOf(failing, failing), 'alto', () => false)).toEqual([]);
  });
  it('a note that is sharp at every loudness is sharp, not sharp when soft', () => {
    const cents = (soft: number, others: number) => {
      const seenAt = wholeHorn((midi, band) => ({
        pitchCentreCents: midi === 76 ? (band === 'soft' ? soft : others) : 0,
      }));
      return mapOf(...Array.from({ length: 4 }, () => seenAt));
    };
    expect(first(cents(19, 13))?.band).toBeUndefined();
    expect(first(cents(19, 3))?.band).toBe('soft');
  });
  it('the same want in one zone is one need', () => {
    const groups = needGroups(
      needs(
        days((midi) => ({ pitchCentreCents: midi >= 86 ? 30 : midi === 60 ? -30 : 0 })),
        'alto',
      ),
    );
    expect(groups.map(({ key, needs: own }) => [key, own.length])).toEqual([
      ['pitch palm 1', 5],
      ['pitch low -1', 1],
    ]);
  });
  it('each need has an exercise that can be played, on every note of the horn', () => {
    for (let midi = 57; midi <= 90; midi++)
      for (const reason of ['failing', 'response', 'pitch', 'slope', 'steadiness'] as const)
        expect(exerciseScore(exerciseFor({ midi, reason }, 'baritoneLowA')).steps.length).toBeGreaterThan(0);
  });
  it('a seam leads over it', () => {
    const seam = { lower: 73, upper: 74, quantity: 'pitchCentreCents', step: 20, uncertainty: 3, z: 4 } as const;
    const notes = exerciseScore(exerciseForSeam(seam, 'alto')).steps.map((step) => step.soundedMidi);
    expect(notes).toEqual([73, 74]);
  });
});
