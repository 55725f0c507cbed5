import { CLEAN_HABITS, FAULTS, withFault, type FaultName } from '@inner-hum/core/simulate';
import { describe, expect, it } from 'vitest';
import { EXPECTED_FINDINGS, SHOWN_BY } from './expectedFindings';
import { playSwell } from './play';

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
