import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '../families';
import { absent, measured, type StepMeasures } from '../measure';
import { aimFindings } from './aims';
import type { LevelRuler } from '../theory';

const silent: StepMeasures = { kind: 'silent' };
const tone = (change: { octave?: boolean; share?: number; responseS?: number; beats?: number } = {}) =>
  ({
    kind: 'sounded',
    onsetS: 1,
    endS: 9,
    responseS: measured(change.responseS ?? 0.02, 0.01),
    latenessS: measured(0, 0.01),
    shareInWindow: measured(change.share ?? 1, 0.01),
    hold: { beats: measured(change.beats ?? 8, 0.01), fault: 'none' },
    jumps: change.octave ? [{ kind: 'jump', atS: 1, lastsS: 0.4, fromPartial: 1, toPartial: 2, cameBack: true }] : [],
  }) as unknown as StepMeasures;
const MEASURED: LevelRuler = { softestDb: -50, loudestDb: -20, origin: 'measured' };
const found = (measures: readonly StepMeasures[], family: string, change: object = {}) => {
  const parameters = { ...usualExercise(familyById(family), 'alto'), ...change };
  const about = {
    score: exerciseScore(parameters),
    parameters,
    demand: 'firm',
    ruler: MEASURED,
    before: [],
  } as const;
  return aimFindings(measures, about, familyById(family).teaching.aims ?? []);
};
const ids = (measures: readonly StepMeasures[], family: string) => found(measures, family).map((finding) => finding.id);

/** Starts with the tongue and with air, as they are played: by turns. */
const byTurns = (tongued: readonly StepMeasures[], aired: readonly StepMeasures[]) =>
  tongued.flatMap((one, i) => [one, aired[i]!]);

describe('tongue or air', () => {
  const good = tone();
  const bad = tone({ octave: true });
  it.each([
    [[bad, bad, good, good], [good, good, good, good], ['tongueFails']],
    [[good, good, good, good], [bad, good, bad, bad], ['airFails']],
    [[bad, bad, bad, good], [bad, silent, good, bad], ['bothFail']],
    [[bad, good, good, good], [good, good, good, good], []],
    [[good, good, good, good], [good, good, good, good], []],
  ])('case %#', (tongued, aired, expected) => expect(ids(byTurns(tongued, aired), 'tongueOrAir')).toEqual(expected));
  it('counts the shares', () =>
    expect(found(byTurns([bad, bad, bad, good], [good, good, good, good]), 'tongueOrAir')[0]!.values).toEqual({
      tonguePercent: 75,
      airPercent: 0,
    }));
});

describe('counted breaths', () => {
  const row = (change: (i: number) => Parameters<typeof tone>[0]) =>
    Array.from({ length: 6 }, (_, i) => tone(change(i)));
  it('the last as good as the first says nothing', () =>
    expect(
      ids(
        row(() => ({})),
        'countedBreaths',
      ),
    ).toEqual([]));
  it('a third less within the window is worse', () =>
    expect(
      ids(
        row((i) => ({ share: i < 4 ? 1 : 0.67 })),
        'countedBreaths',
      ),
    ).toEqual(['laterWorse']));
  it('80 ms later to speak is worse, 40 ms is not', () => {
    expect(
      ids(
        row((i) => ({ responseS: i < 4 ? 0.02 : 0.1 })),
        'countedBreaths',
      ),
    ).toEqual(['laterWorse']);
    expect(
      ids(
        row((i) => ({ responseS: i < 4 ? 0.02 : 0.06 })),
        'countedBreaths',
      ),
    ).toEqual([]);
  });
  it('two tones are no row', () => expect(ids([tone(), tone({ share: 0 })], 'countedBreaths')).toEqual([]));
});

describe('hold', () => {
  it('is told in beats and seconds', () => {
    const [finding] = found([tone({ beats: 14 })], 'hold');
    expect(finding).toMatchObject({ id: 'held', weight: 0, stepIndex: 0, values: { beats: 14, seconds: 14 } });
  });
  it('nothing held, nothing said', () => expect(ids([silent], 'hold')).toEqual([]));
  it('is told of tones that last as long as they hold, of no others', () =>
    expect(ids([tone(), tone(), tone(), tone(), tone()], 'crossingBreak')).toEqual([]));
});

describe('aims of a colour and a level', () => {
  const at = (levelDb: number, centroid = 4, cents = 0, airDb = -30) =>
    ({
      kind: 'sounded',
      onsetS: 1,
      endS: 4,
      jumps: [],
      levelDb: measured(levelDb, 0.3),
      softestDb: measured(levelDb, 0.3),
      centroidPartials: measured(centroid, 0.1),
      breathRatioDb: measured(airDb, 1),
      colourTravelPartials: measured(centroid / 5, 0.1),
      pitchCentreCents: measured(cents, 0.5),
    }) as unknown as StepMeasures;
  it('a subtone lies well under the full tone, darker, at its pitch', () => {
    const [full, soft] = [at(-22, 5), at(-32, 4)];
    const of = (sub: StepMeasures) => ids([full, soft, sub, full], 'fullAndSubtone');
    expect(of(at(-34, 3, 0, -20))).toEqual(['subtone']);
    expect(of(at(-25, 3, 0, -20))).toEqual(['noSubtone']);
    expect(of(at(-34, 4.9, 0, -20))).toEqual(['noSubtone']);
    expect(of(at(-34, 3, -20, -20))).toEqual(['subtone', 'subtoneSags']);
    // Clear and soft is not a subtone: it lacks the air, or is no darker than the plain soft tone.
    expect(of(at(-34, 3, 0, -29))).toEqual(['plainSoft']);
    expect(of(at(-34, 4, 0, -20))).toEqual(['plainSoft']);
  });
  it('a subtone that runs up stops where its air, its softness or its partial goes', () => {
    const [full, plain, sub] = [at(-22, 5), at(-32, 4), at(-34, 3, 0, -20)];
    const run = { breaths: 'runUp', writtenMidi: 67 };
    const of = (...tones: StepMeasures[]) =>
      found([full, plain, sub, ...tones, full], 'fullAndSubtone', run).map(({ id, values }) => [id, values]);
    expect(of(sub, sub)).toEqual([
      ['subtone', { db: 12 }],
      ['subtoneRuns', { count: 2 }],
    ]);
    const stops = (count: number) => ['subtoneStops', { count }];
    expect(of(at(-34, 3, 0, -29), sub)).toContainEqual(stops(1));
    expect(of(sub, at(-27, 3, 0, -20))).toContainEqual(stops(2));
    expect(of(sub, { ...sub, jumps: [{}] } as never)).toContainEqual(stops(2));
    expect(of(sub, silent)).toContainEqual(stops(2));
    // One that was none from the start is told as that alone.
    expect(found([full, plain, plain, plain, plain, full], 'fullAndSubtone', run).map(({ id }) => id)).toEqual([
      'plainSoft',
    ]);
  });
  it('a descent is one fade', () => {
    expect(
      ids(
        [-20, -23, -26, -30, -34, -38].map((db) => at(db)),
        'oneBreathDescent',
      ),
    ).toEqual(['fades']);
    expect(
      ids(
        [-20, -23, -26, -22, -34, -38].map((db) => at(db)),
        'oneBreathDescent',
      ),
    ).toEqual(['fadeBack']);
    expect(
      ids(
        [-20, -20, -21, -21, -22, -22].map((db) => at(db)),
        'oneBreathDescent',
      ),
    ).toEqual(['fadeShallow']);
  });
  it('a vowel sweep travels in colour, or does not', () => {
    expect(ids([at(-22, 5)], 'vowelSweep')).toEqual(['colourTravels']);
    expect(ids([at(-22, 1)], 'vowelSweep')).toEqual(['colourStays']);
  });
  it('a scale of long tones has one pitch, soft and loud', () => {
    const played = (...cents: number[]) =>
      found(
        cents.map((value, i) => at(i % 2 === 0 ? -35 : -25, 4, value)),
        'longToneScale',
      );
    expect(played(2, 0, 3, 1, 2)).toEqual([]);
    expect(played(15, 0, 22, 1, 17)).toMatchObject([{ id: 'sharpWhenSoft', stepIndex: 2, values: { cents: 16.5 } }]);
    expect(played(-15, 0, -14, 1, -30)).toMatchObject([{ id: 'flatWhenSoft', stepIndex: 4 }]);
    expect(played(20)).toEqual([]);
  });
  it('a start from nothing is told against the player’s own softest', () => {
    expect(found([at(-46), at(-48), at(-49)], 'fromNothing')).toMatchObject([{ id: 'fromNothing', values: { db: 4 } }]);
    expect(found([at(-46), at(-39), at(-49)], 'fromNothing')).toMatchObject([
      { id: 'startsAbove', stepIndex: 1, values: { db: 11 } },
    ]);
  });
  it('a vibrato comes as it was asked for and goes again', () => {
    // Four waves to the beat at 72: 4.8 a second, 20 cents to each side.
    const wave = (hz: number, cents: number, regular = 0.95) =>
      ({
        ...at(-25),
        vibratoHz: measured(hz, 0.1),
        vibratoCents: measured(cents, 0.5),
        vibratoRegularity: measured(regular, 0.05),
      }) as unknown as StepMeasures;
    const straight = { ...at(-25), vibratoHz: absent('noVibrato'), vibratoCents: absent('noVibrato') } as never;
    const middle = (tone: StepMeasures) => ids([straight, tone, straight], 'vibrato');
    expect(middle(wave(4.8, 20))).toEqual(['vibratoRight']);
    expect(middle(straight)).toEqual(['vibratoMissing']);
    expect(middle(wave(3.9, 20))).toEqual(['vibratoOff']);
    expect(middle(wave(4.8, 9))).toEqual(['vibratoNarrow']);
    expect(middle(wave(4.8, 40))).toEqual(['vibratoWide']);
    expect(middle(wave(4.8, 20, 0.55))).toEqual(['vibratoUneven']);
    expect(ids([wave(5, 15), wave(4.8, 20), straight], 'vibrato')).toEqual(['vibratoStays']);
  });
  it('the first trace is told against the player’s own softest', () =>
    expect(found([at(-44), at(-47)], 'firstTrace')).toMatchObject([
      { id: 'firstTraceAt', stepIndex: 1, values: { db: 3 } },
    ]));
});

it('other families have no findings of a row', () => expect(ids([tone(), tone()], 'swell')).toEqual([]));
