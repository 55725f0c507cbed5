import { describe, expect, it } from 'vitest';
import { FINDING_IDS, rowOf } from './findings.data';
import { RULES } from './rules';

describe('the table of findings', () => {
  it('has a row for every rule, and no rule twice', () => {
    const ids = RULES.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(FINDING_IDS).toEqual(expect.arrayContaining(ids));
  });

  it.each(FINDING_IDS)('%s agrees with itself', (id) => {
    const { values, weight, about, part, tries = [], explains = [], explainsInTake = [] } = rowOf(id);
    expect(explains).not.toContain(id);
    expect(new Set(explains).size).toBe(explains.length);
    // What broke or missed the demand says what to try, or it lies with the device.
    if (weight >= 2 && about === undefined && id !== 'wrongPartial' && id !== 'heldShort')
      expect([...tries, ...explains, ...explainsInTake]).not.toEqual([]);
    // What went well explains nothing away.
    if (weight === 0) expect([...explains, ...explainsInTake, ...tries]).toEqual([]);
    // What has a moment of its own is shown there, what is about no tone in none of its parts.
    if (values.includes('atS') || about !== undefined) expect(part).toBeUndefined();
  });
});
