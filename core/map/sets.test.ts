import { describe, expect, it } from 'vitest';
import { SeededRandom } from '@inner-hum/core/simulate';
import { compare } from '../experiments/compare';
import { fingeringTrials } from './fingeringTrials';
import { leakWatch } from './leakWatch';
import { digest, seen } from '../history/testDigests';

const take = (id: string, day: number, cents: readonly number[]) =>
  digest(
    id,
    day,
    cents.map((value, i) => seen({ midi: 60 + i, values: { pitchCentreCents: value } })),
  );
function lot(name: string, count: number, centre: number, seed: number) {
  const random = new SeededRandom(seed);
  return Array.from({ length: count }, (_, i) =>
    take(
      `${name}${i}`,
      i + 1,
      [0, 1, 2].map(() => centre + 4 * random.normal()),
    ),
  );
}
const compared = (a: ReturnType<typeof lot>, b: ReturnType<typeof lot>) => {
  const random = new SeededRandom(9);
  return compare(a, b, () => random.uniform());
};

describe('compare', () => {
  it('decides a difference that is larger than chance, over all and note by note', () => {
    const found = compared(lot('a', 8, 0, 1), lot('b', 8, 15, 2));
    const [all] = found;
    expect(all).toMatchObject({ quantity: 'pitchCentreCents', midi: undefined, decided: true, takes: [8, 8] });
    expect(all!.difference).toBeCloseTo(15, -1);
    expect(found.filter((comparison) => comparison.midi !== undefined).map((comparison) => comparison.midi)).toEqual([
      60, 61, 62,
    ]);
  });
  it('leaves a small one undecided and says how many more takes would do', () => {
    const [all] = compared(lot('a', 3, 0, 3), lot('b', 3, 4, 4));
    expect(all!.decided).toBe(false);
    expect(all!.from).toBeLessThan(0);
    expect(all!.to).toBeGreaterThan(0);
  });
  it('turned round, it has the other sign', () => {
    const [a, b] = [lot('a', 6, 0, 5), lot('b', 6, 9, 6)];
    expect(compared(a, b)[0]!.difference).toBeCloseTo(-compared(b, a)[0]!.difference);
  });
  it('of many quantities that do not differ, hardly any is decided by chance', () => {
    const values = (random: SeededRandom) => ({
      pitchCentreCents: 4 * random.normal(),
      pitchSteadinessCents: 2 + random.normal(),
      responseS: 0.1 + 0.03 * random.normal(),
      softestDb: -40 + 3 * random.normal(),
      breathRatioDb: -30 + 3 * random.normal(),
      centroidPartials: 4 + random.normal(),
      levelAgainstPlanDb: 3 * random.normal(),
    });
    const lots = (name: string, seed: number) => {
      const random = new SeededRandom(seed);
      return Array.from({ length: 8 }, (_, i) => digest(`${name}${i}`, i + 1, [seen({ values: values(random) })]));
    };
    const overall = Array.from({ length: 40 }, (_, i) =>
      compared(lots('a', 100 + i), lots('b', 200 + i)).filter(({ midi }) => midi === undefined),
    );
    expect(overall.every((quantities) => quantities.length === 7)).toBe(true);
    // Each by itself, eleven of these would decide something.
    expect(overall.filter((quantities) => quantities.some(({ decided }) => decided)).length).toBeLessThanOrEqual(6);
  });
  it('compares nothing with too little', () => expect(compared(lot('a', 2, 0, 1), lot('b', 9, 9, 2))).toEqual([]));
});

describe('leakWatch', () => {
  const starts = (reed: string, day: number, tongue: boolean, breath: boolean, upper = true) =>
    digest(
      `${reed} ${day}`,
      day,
      [
        ...Array.from({ length: 4 }, () => seen({ midi: 58, attack: 'tongue', spoke: tongue })),
        ...Array.from({ length: 4 }, () => seen({ midi: 59, attack: 'breath', spoke: breath })),
        ...Array.from({ length: 4 }, () => seen({ midi: 70, attack: 'breath', spoke: upper })),
      ],
      { reed },
    );
  it.each([
    ['says nothing of a few starts', [], 'tooLittle'],
    ['is content when they speak', [starts('first', 1, true, true)], 'fine'],
    [
      'both ways, two days, two reeds: the horn',
      [starts('first', 1, false, false), starts('second', 2, false, false)],
      'horn',
    ],
    ['with the tongue only: the player', [starts('first', 1, false, true), starts('second', 2, false, true)], 'player'],
    ['on one day only: the player', [starts('first', 1, false, false), starts('second', 1, false, false)], 'player'],
    [
      'one reed and not the other: the reed',
      [starts('first', 1, false, false), starts('second', 2, true, true)],
      'reed',
    ],
    [
      'when everything fails it is no leak',
      [starts('first', 1, false, false, false), starts('second', 2, false, false, false)],
      'player',
    ],
  ])('%s', (_, digests, verdict) => expect(leakWatch(digests).verdict).toBe(verdict));
  it('names its evidence and counts by attack, reed and day', () => {
    const watch = leakWatch([starts('first', 1, false, false), starts('second', 2, false, false)]);
    expect(watch.evidence).toEqual(['bothWays', 'severalDays', 'severalReeds', 'upperSpeaks']);
    expect(watch.byAttack.tongue).toEqual({ starts: 8, failed: 8 });
    expect(watch.byReed.map((entry) => entry.reed)).toEqual(['first', 'second']);
    expect(watch.byDay).toHaveLength(2);
  });
});

describe('fingeringTrials', () => {
  const trial = (id: string, fingering: string, spoke: boolean, cents: number, mouthpiece = '') =>
    digest(
      id,
      1,
      [1, 2, 3].map(() => seen({ midi: 91, spoke, values: { pitchCentreCents: cents } })),
      { mouthpiece },
      { fingering },
    );
  it('the one that speaks and lies better is the best of its note on its set-up', () => {
    const found = fingeringTrials([
      trial('a', 'octave left1', true, 20),
      trial('b', 'octave left2', true, 3),
      trial('c', 'octave left3', false, 0),
    ]);
    expect(found.map((trials) => [trials.fingering, trials.got, trials.best])).toEqual([
      ['octave left2', 3, true],
      ['octave left1', 3, false],
      ['octave left3', 0, false],
    ]);
  });
  it('another mouthpiece is another story', () => {
    const found = fingeringTrials([trial('a', 'octave', true, 20), trial('b', 'octave', true, 3, 'other')]);
    expect(found.map((trials) => trials.best)).toEqual([true, true]);
  });
  it('takes of other families are no trials', () =>
    expect(fingeringTrials([digest('a', 1, [seen({ midi: 91 })])])).toEqual([]));
});
