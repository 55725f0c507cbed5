import { describe, expect, it } from 'vitest';
import { modelOf } from '../exercise';
import { exerciseScore, familyById, usualExercise } from './index';
import { byTurn } from './teaching';

const usual = (id: string, change: Record<string, number | string> = {}) =>
  exerciseScore({ ...usualExercise(familyById(id), 'alto'), ...change });

describe('what lies between tones', () => {
  it('air into tone grows out of air and back into it, with a breath of its own between', () => {
    const { steps, gaps } = usual('airIntoTone', { repeats: 2, beats: 4, airBeats: 2, breathBeats: 2 });
    expect(steps.map(({ startBeat }) => startBeat)).toEqual([0, 10]);
    expect(gaps).toEqual([
      { startBeat: -2, beats: 2, kind: 'air' },
      { startBeat: 4, beats: 2, kind: 'air' },
      { startBeat: 6, beats: 2, kind: 'breath' },
      { startBeat: 8, beats: 2, kind: 'air' },
      { startBeat: 14, beats: 2, kind: 'air' },
    ]);
  });
  it('across the break the pressure is kept: a silence, no breath', () => {
    const { gaps, steps } = usual('crossingBreak', { way: 'acrossSilence' });
    expect(gaps).toEqual([{ startBeat: 2, beats: 1, kind: 'silence' }]);
    expect(steps.map(({ fingeredMidi, attack }) => [fingeredMidi, attack])).toEqual([
      [72, 'breath'],
      [74, 'breath'],
    ]);
  });
});

describe('vent match', () => {
  it('opens and closes the key within one breath, only where the pitch stays', () => {
    for (const [vent, midi] of [
      ['palmD', 74],
      ['frontE', 88],
      ['frontF', 89],
    ] as const) {
      const { steps } = usual('ventMatch', { vent, pairs: 1 });
      expect(steps.map(({ fingeredMidi, attack, pair }) => [fingeredMidi, attack, pair ?? false])).toEqual([
        [midi, 'breath', false],
        [midi, 'slurred', true],
      ]);
    }
  });
});

describe('octave drop and restart', () => {
  it('takes the upper octave from C♯4 down as the overtone of the low fingering itself', () => {
    const upper = usual('octaveRestart', { writtenMidi: 62, notes: 3, restarts: 1 }).steps.filter(
      (_, i) => i % 3 === 0,
    );
    expect(upper.map(({ fingeredMidi, partialNumber }) => [fingeredMidi, partialNumber])).toEqual([
      [74, 1],
      [61, 2],
      [60, 2],
    ]);
  });
  it('goes from G4 to the lowest note at once', () => {
    const { steps } = usual('octaveRestart', { writtenMidi: 67, notes: 10, restarts: 1 });
    expect(steps.at(-1)!.fingeredMidi).toBe(58);
  });
});

describe('chromatic long tones', () => {
  it('keep their place: each time they go on where they stopped, over the whole horn', () => {
    const family = familyById('chromaticLongTones');
    const { instrumentId } = usualExercise(family, 'alto');
    const horn = { lowestWrittenMidi: 58, highestKeyedWrittenMidi: 90 };
    const from = (turn: number, level: string) =>
      family.teaching.planned!.turn!({ horn, level, turn } as never)!['writtenMidi'];
    expect(instrumentId).toBe('alto');
    expect([0, 1, 2, 6, 7].map((turn) => from(turn, 'home'))).toEqual([58, 63, 68, 88, 58]);
    expect([0, 1, 4, 5].map((turn) => from(turn, 'new'))).toEqual([62, 67, 82, 62]);
  });
  it('stop at the top of the horn', () =>
    expect(usual('chromaticLongTones', { writtenMidi: 88, notes: 5 }).steps.map((step) => step.fingeredMidi)).toEqual([
      88, 89, 90,
    ]));
});

describe('what covers the whole horn', () => {
  const planned = (id: string, turn: number, about: object = {}) => {
    const horn = { lowestWrittenMidi: 58, highestKeyedWrittenMidi: 90 };
    return familyById(id).teaching.planned!.turn!({ horn, level: 'home', turn, ...about } as never)!;
  };
  it('relay and anchor go on where they stopped', () => {
    expect([0, 1, 10, 11].map((turn) => planned('relaySwell', turn)['writtenMidi'])).toEqual([58, 61, 88, 58]);
    expect([0, 1, 2, 3, 16].map((turn) => planned('anchorSwell', turn))).toMatchObject([
      { writtenMidi: 89, direction: 'down', firstLeap: 1 },
      { writtenMidi: 58, direction: 'up', firstLeap: 1 },
      { writtenMidi: 89, direction: 'down', firstLeap: 5 },
      { writtenMidi: 58, direction: 'up', firstLeap: 5 },
      { writtenMidi: 89, direction: 'down', firstLeap: 1 },
    ]);
    expect(notes('anchorSwell', { writtenMidi: 89, firstLeap: 5, leaps: 2 })).toEqual([89, 84, 89, 83]);
  });
  it('a stubborn twelfth has every second turn', () => {
    const of = (turn: number, stubbornTwelfth?: number) =>
      planned('shortTwelfths', turn, { frontier: { partial: 3 }, stubbornTwelfth })['writtenMidi'];
    expect([of(0, 79), of(1, 79), of(1, 85), of(1)]).toEqual([74, 77, 81, 74]);
  });
  const notes = (id: string, change: Record<string, number | string>) =>
    usual(id, change).steps.map((step) => step.fingeredMidi);
  it('relay goes through the octaves of each pair before the next', () =>
    expect(notes('relaySwell', { writtenMidi: 58, pairs: 4, order: 'byOctaves' })).toEqual([
      58, 59, 70, 71, 82, 83, 59, 60,
    ]));
  it('relay and anchor end with the horn', () => {
    expect(notes('relaySwell', { writtenMidi: 82, pairs: 31, order: 'byOctaves' }).at(-1)).toBe(90);
    expect(notes('relaySwell', { writtenMidi: 100, pairs: 31 }).at(-1)).toBe(102);
    expect(notes('anchorSwell', { writtenMidi: 89, leaps: 31 }).at(-1)).toBe(58);
  });
  it('the sets at an end are those of the keys, all of them, of two notes to five', () => {
    const sets = (size: number) =>
      new Set(
        [1, 2, 3, 4, 5, 6, 7, 8].map((set) => notes('endSets', { set, size, repeats: 1 }).slice(0, size).join(' ')),
      );
    expect(sets(3)).toEqual(new Set(['58 60 62', '58 60 61', '58 59 61', '59 61 63', '59 61 62', '59 60 62']));
    expect([...sets(2)].sort()).toEqual(['58 59', '58 60', '59 60', '59 61']);
    expect(sets(5).size).toBeGreaterThan(4);
  });
  it('on a horn with a low A what begins at the bottom begins there', () => {
    const lowA = usualExercise(familyById('homeNote'), 'baritoneLowA');
    expect(lowA['writtenMidi']).toBe(57);
  });
});

it('an interval is gone to while the first note sounds, or over a silence in which it is heard', () => {
  const joined = usual('heardInterval', { intervals: 1 });
  expect(joined.steps[1]!.attack).toBe('slurred');
  expect(joined.gaps).toBeUndefined();
  expect(usual('heardInterval', { intervals: 1, move: 'afterSilence' }).gaps).toEqual([
    { startBeat: 4, beats: 4, kind: 'hear' },
  ]);
  expect(usual('heardInterval', { intervals: 2, openBars: 1 }).gaps).toEqual([
    { startBeat: 8, beats: 4, kind: 'open' },
    { startBeat: 12, beats: 4, kind: 'breath' },
  ]);
});

it('what is to be alike is compared with the last tone on its pitch, never with a hum', () => {
  const models = (change: object) => {
    const { steps } = usual('overtoneMatch', { repeats: 1, ...change });
    return steps.flatMap((step, i) => (step.pair ? [[i, modelOf(steps, i)]] : []));
  };
  expect(models({ pattern: 'regularHumOvertone' })).toEqual([[2, 0]]);
  expect(models({ pattern: 'modelsFirst', tubes: 3 })).toEqual([
    [3, 0],
    [4, 1],
    [5, 2],
  ]);
  // All models of one tube, then its overtones: each is compared with the model of its own pitch.
  expect(models({ pattern: 'modelsOverPartials', partial: 4 })).toEqual([
    [3, 0],
    [4, 1],
    [5, 2],
  ]);
  expect(models({})).toEqual([
    [1, 0],
    [2, 1],
  ]);
});

it('a match goes over its tubes from the long end, or from the short one', () => {
  const tubes = (tubeOrder: string) =>
    usual('overtoneMatch', { repeats: 1, tubes: 3, pattern: 'modelsFirst', tubeOrder }).steps.map(
      ({ soundedMidi }) => soundedMidi,
    );
  expect(tubes('fromLong').slice(0, 3)).toEqual([70, 71, 72]);
  expect(tubes('fromShort').slice(0, 3)).toEqual([72, 71, 70]);
});

it('the last note of a tongued descent is shorter and fades, its bar as long as it was', () => {
  const { steps } = usual('tonguedDescent', { lastNote: 'shortAndSofter' });
  const last = steps[steps.length / 2 - 1]!;
  expect(last.beats).toBe(0.5);
  expect(last.dynamics[1]!.position).toBeLessThan(last.dynamics[0]!.position ?? 0.6);
  expect(steps[steps.length / 2]!.startBeat - last.startBeat).toBe(5);
});

describe('direct overtone', () => {
  it('goes over the tubes from F4 down, the short ones first', () => {
    const { steps } = usual('directOvertone', { overtoneWay: 'overTubes' });
    expect(steps.map((step) => step.fingeredMidi)).toEqual([65, 64, 63, 62, 61, 60, 59, 58]);
    expect(new Set(steps.map((step) => step.partialNumber))).toEqual(new Set([2]));
  });
  it('goes from each overtone down to its fundamental, over the tubes from either end', () => {
    const row = (change: object) =>
      usual('directOvertone', { overtoneWay: 'rowDown', ...change }).steps.map(
        ({ fingeredMidi, partialNumber, attack }) => `${fingeredMidi}/${partialNumber} ${attack}`,
      );
    expect(row({}).slice(0, 4)).toEqual(['65/2 breath', '65/1 slurred', '64/2 breath', '64/1 slurred']);
    expect(row({ tubeOrder: 'fromLong', partial: 3 }).slice(0, 3)).toEqual([
      '58/3 breath',
      '58/1 slurred',
      '59/3 breath',
    ]);
    expect(row({})).toHaveLength(16);
  });
  it('goes on for as long as it holds', () => {
    const { steps } = usual('directOvertone', { overtoneWay: 'asItHolds' });
    expect(steps).toMatchObject([{ openEnd: true, partialNumber: 2 }]);
  });
  it('goes straight down to the fundamental in one breath at one level', () => {
    const { steps } = usual('directOvertone', { overtoneWay: 'straightDown', partial: 4, repeats: 1 });
    expect(steps.map(({ partialNumber, attack }) => `${partialNumber} ${attack}`)).toEqual([
      '4 breath',
      '3 slurred',
      '2 slurred',
      '1 slurred',
    ]);
  });
});

describe('drone intervals', () => {
  it('are pure over the drone when they are wanted so', () => {
    const pure = usual('droneIntervals', { intervals: 4 }).steps;
    expect(pure.map(({ soundedMidi, offCents = 0 }) => [soundedMidi - 67, offCents])).toEqual([
      [12, 0],
      [7, 2],
      [5, -2],
      [4, -14],
    ]);
    expect(pure.every((step) => step.droneMidi === 67)).toBe(true);
    const tempered = usual('droneIntervals', { intervals: 4, intervalTuning: 'tempered' }).steps;
    expect(tempered.some((step) => step.offCents !== undefined)).toBe(false);
  });
});

it('terraces are steps with a middle one, up and back', () =>
  expect(usual('terraces').steps.map((step) => step.dynamics.map((point) => point.dynamic).join())).toEqual([
    'pp',
    'mp',
    'f',
    'mp',
    'pp',
  ]));

it('one of a list by turns', () =>
  expect([0, 1, 2, 3].map((turn) => byTurn(['a', 'b', 'c'], turn)).join('')).toBe('abca'));

describe('what ends or joins otherwise', () => {
  it('D5 over the break lasts as long as it holds, the last one only', () => {
    const { steps } = usual('crossingBreak', { lastNote: 'asItHolds' });
    expect(steps.map(({ fingeredMidi, openEnd = false }) => [fingeredMidi, openEnd])).toEqual([
      [76, false],
      [74, false],
      [77, false],
      [76, false],
      [74, true],
    ]);
  });
  it('full and subtone turn into one another in one breath', () => {
    const { steps } = usual('fullAndSubtone', { breaths: 'allInOne' });
    expect(steps.map(({ startBeat, attack, subtone = false }) => [startBeat, attack, subtone])).toEqual([
      [0, 'breath', false],
      [4, 'slurred', false],
      [8, 'slurred', true],
      [12, 'slurred', false],
    ]);
  });
});
