import { describe, expect, it } from 'vitest';
import { DEMANDS, limitOf, QUANTITY_ROWS, shown, type QuantityRow } from './quantities.data';

const rows = Object.entries(QUANTITY_ROWS) as [string, QuantityRow][];

describe('the table of quantities', () => {
  it.each(rows)('%s: units fit its name, stricter demands are not looser', (name, row) => {
    if (name.endsWith('S') && !name.endsWith('PerS'))
      expect([row.unit, row.factor]).toEqual(name === 'holdS' ? ['s', 1] : ['ms', 1000]);
    if (name.endsWith('Cents')) expect(row.unit).toBe('cents');
    if (name.endsWith('Db')) expect(row.unit).toBe('db');
    if (row.better === 'zero') expect(row.signed).toBe(true);
    const { loose, firm, fine } = row.limits ?? { loose: 0, firm: 0, fine: 0 };
    const stricter = name === 'rangeShare' ? [fine, firm, loose] : [loose, firm, fine];
    expect(stricter).toEqual([...stricter].sort((a, b) => b - a));
  });
  it('columns are told apart', () => {
    const columns = rows.flatMap(([, row]) => row.column ?? []);
    expect(new Set(columns).size).toBe(columns.length);
  });
  it('gives limits and shown values', () => {
    expect(DEMANDS.map((demand) => limitOf('pitchCentreCents', demand))).toEqual([20, 12, 7]);
    expect(shown('responseS', 0.12)).toBeCloseTo(120, 9);
  });
});
