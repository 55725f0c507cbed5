import { CLEAN_HABITS, FAULTS, withFault, type FaultName } from '@inner-hum/core/simulate';
import { familyById, SWELL_DEFAULTS, usualExercise } from '@inner-hum/core/families';
import { describe, expect, it } from 'vitest';
import { EXPECTED_FINDINGS, SHOWN_BY } from './expectedFindings';
import { playFamily, playSwell } from './play';
import { findingsOnRecorded, RECORDED_FAULTS, type RecordedFault } from './realTakes';

const SEED = 12;
const findings = (seed: number, habits = CLEAN_HABITS) =>
  playSwell(seed, habits).verdict.findings.map((finding) => finding.id);

describe('the stand-in player’s faults', () => {
  it.each((Object.keys(FAULTS) as FaultName[]).filter((fault) => !SHOWN_BY[fault]))('%s is found', (fault) => {
    const found = findings(SEED, withFault(fault));
    expect(EXPECTED_FINDINGS[fault].filter((id) => found.includes(id))).not.toEqual([]);
  });
  it.each([1, 2, 3, 4, 5])('a clean swell raises nothing (seed %d)', (seed) =>
    expect(findings(seed)).toEqual(['even']),
  );
});

describe('what can be chosen beside the usual', () => {
  const findingsOf = (family: string, change: Readonly<Record<string, string | number>>, habits = CLEAN_HABITS) =>
    playFamily(family, 'alto', SEED, habits, change)
      .findings.filter(({ weight }) => weight > 0)
      .map(({ id }) => id);
  const modelsFirst = { pattern: 'modelsFirst', tubes: 2, repeats: 1 };
  it.each([
    ['heardInterval', { openBars: 2, intervals: 2 }],
    ['overtoneMatch', modelsFirst],
    ['overtoneMatch', { pattern: 'regularHumOvertone', repeats: 1 }],
    ['fullAndSubtone', { breaths: 'pulses' }],
    ['fullAndSubtone', { subtoneVibrato: 'slow' }],
    ['tonguedDescent', { lastNote: 'shortAndSofter' }],
    ['altissimoVoicing', { voicingWay: 'toFingering', repeats: 1 }],
  ])('%s %o raises nothing when it is clean', (family, change) => expect(findingsOf(family, change)).toEqual([]));
  it('a twin that lies apart from its model is told of though others came between', () =>
    expect(findingsOf('overtoneMatch', modelsFirst, withFault('pairSharp'))).toContain('pairSharp'));
});

describe('a swell of a recorded saxophone', () => {
  const swell = { ...SWELL_DEFAULTS, instrumentId: 'alto' } as const;
  it('raises nothing: an attack is as good players’ attacks are', () => expect(findingsOnRecorded(swell)).toEqual([]));
  it.each(Object.entries(RECORDED_FAULTS))('%s in it is found', (fault, expected) =>
    expect(findingsOnRecorded(swell, fault as RecordedFault).map((finding) => finding.id)).toContain(expected),
  );
});

describe('pairs of recorded tones, joined on the beat', () => {
  it.each(['alto', 'tenor', 'soprano'] as const)('on %s no change is told that nobody can hear', (instrumentId) => {
    for (const change of [{}, { writtenMidi: 60 }, { tempoBpm: 80 }]) {
      const exercise = { ...usualExercise(familyById('overtoneMatch'), instrumentId), ...change };
      const found = findingsOnRecorded(exercise).map(({ id }) => id);
      expect(found).not.toContain('changeLate');
      expect(found).not.toContain('changeEarly');
    }
  });
});
