import type { FindingId } from '@inner-hum/core/judge';
import { withFault, type FaultName } from '@inner-hum/core/simulate';
import { describe, expect, it } from 'vitest';
import { en } from '../web/src/text/en';
import { EXPECTED_FINDINGS, SHOWN_BY } from './expectedFindings';
import { MEASURED, OTHER_WAYS } from './otherWays';
import { playFamily, playSwell } from './play';

const SEED = 12;

describe('every sentence of the catalogue is reached by an ordered habit', () => {
  const sentences = [...new Set(Object.keys(en.verdict.findings).map((key) => key.replace(/_.*$/, '')))];
  it.each(sentences.filter((id) => !(id in OTHER_WAYS)))('%s', (sentence) => {
    const id = sentence as FindingId;
    const fault = (Object.keys(EXPECTED_FINDINGS) as FaultName[]).find((kind) => EXPECTED_FINDINGS[kind][0] === id)!;
    const family = SHOWN_BY[fault];
    const found = family
      ? playFamily(family, 'alto', SEED, withFault(fault), {}, MEASURED).findings
      : playSwell(SEED, withFault(fault)).verdict.findings;
    expect(found.map((finding) => finding.id)).toContain(id);
  });
});
