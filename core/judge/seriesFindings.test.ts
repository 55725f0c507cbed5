import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '../families';
import { measured, type StepMeasures } from '../measure';
import { seriesFindings } from './seriesFindings';

const scoreOf = (id: string) => exerciseScore(usualExercise(familyById(id), 'alto'));
const silent: StepMeasures = { kind: 'silent' };
const tone = (change: { octave?: boolean; share?: number; responseS?: number; beats?: number } = {}) =>
  ({
    kind: 'sounded',
    onsetS: 1,
    responseS: measured(change.responseS ?? 0.02, 0.01),
    latenessS: measured(0, 0.01),
    shareInWindow: measured(change.share ?? 1, 0.01),
    hold: { beats: measured(change.beats ?? 8, 0.01), fault: 'none' },
    jumps: change.octave ? [{ kind: 'jump', atS: 1, lastsS: 0.4, fromPartial: 1, toPartial: 2, cameBack: true }] : [],
  }) as unknown as StepMeasures;
const ids = (measures: readonly StepMeasures[], family: string) =>
  seriesFindings(measures, scoreOf(family)).map((one) => one.id);

describe('tongue or air', () => {
  const good = tone();
  const bad = tone({ octave: true });
  it.each([
    [[bad, bad, good, good], [good, good, good, good], ['tongueFails']],
    [[good, good, good, good], [bad, good, bad, bad], ['airFails']],
    [[bad, bad, bad, good], [bad, silent, good, bad], ['bothFail']],
    [[bad, good, good, good], [good, good, good, good], []],
    [[good, good, good, good], [good, good, good, good], []],
  ])('case %#', (tongued, aired, expected) => expect(ids([...tongued, ...aired], 'tongueOrAir')).toEqual(expected));
  it('counts the shares', () =>
    expect(seriesFindings([bad, bad, bad, good, good, good, good, good], scoreOf('tongueOrAir'))[0]!.values).toEqual({
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
  it('the best of the tries, in beats and seconds', () => {
    const [finding] = seriesFindings([tone({ beats: 9 }), tone({ beats: 14 }), silent], scoreOf('hold'));
    expect(finding).toEqual({ id: 'held', weight: 0, stepIndex: 1, values: { beats: 14, seconds: 14 } });
  });
  it('nothing held, nothing said', () => expect(ids([silent, silent, silent], 'hold')).toEqual([]));
});

it('other families have no findings of a row', () => expect(ids([tone(), tone()], 'swell')).toEqual([]));
