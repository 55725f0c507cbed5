import 'fake-indexeddb/auto';
import { digest, seen } from '@inner-hum/core/history/testDigests';
import { milestonesOf, tonesAfter, type Digest } from '@inner-hum/core/history';
import { beforeEach, describe, expect, it } from 'vitest';
import { database } from './database';
import { findDigests, findFirsts, findTrend } from './search';

const tone = (midi: number, cents: number, change = {}) =>
  seen({ midi, values: { pitchCentreCents: cents }, ...change });
const DIGESTS: readonly Digest[] = [
  digest('a', 1, [tone(60, 4), tone(62, -8)], {}, { tags: ['size:alto', 'family:hold', 'reed:first'] }),
  digest('b', 2, [tone(60, 6)], {}, { tags: ['size:alto', 'family:hold', 'reed:second'] }),
  digest('c', 3, [tone(60, 9)], { instrumentId: 'tenor' }, { tags: ['size:tenor', 'family:swell'] }),
  digest('d', 9, [tone(60, 2), tone(91, 11)], {}, { tags: ['size:alto', 'family:swell'] }),
];
const ALL = { tags: [], since: '' };

beforeEach(async () => {
  await Promise.all(database.tables.map((table) => table.clear()));
  await database.digests.bulkPut([...DIGESTS]);
  await database.tones.bulkPut([...tonesAfter(DIGESTS).values()]);
  await database.milestones.bulkPut([...milestonesOf(DIGESTS).values()]);
});

describe('digests', () => {
  const ids = async (...args: Parameters<typeof findDigests>) =>
    (await findDigests(...args)).map((entry) => entry.takeId);
  it.each([
    ['everything, newest first', ALL, ['d', 'c', 'b', 'a']],
    ['one tag', { tags: ['family:hold'], since: '' }, ['b', 'a']],
    ['all tags must be there', { tags: ['family:hold', 'reed:first'], since: '' }, ['a']],
    ['tags that no take has', { tags: ['family:none'], since: '' }, []],
    ['from a day on', { tags: [], since: '2026-01-02' }, ['d', 'c', 'b']],
    ['before a day', { tags: [], since: '', before: '2026-01-03' }, ['b', 'a']],
    ['between days with a tag', { tags: ['size:alto'], since: '2026-01-02', before: '2026-01-09' }, ['b']],
  ])('%s', async (_, filter, wanted) => expect(await ids(filter)).toEqual(wanted));
  it('no more than asked for', async () => expect(await ids(ALL, 2)).toEqual(['d', 'c']));
});

describe('a trend', () => {
  const values = async (...args: Parameters<typeof findTrend>) =>
    (await findTrend(...args)).points.map((point) => [point.day, point.value]);
  it.each([
    [
      'of all',
      ALL,
      [
        ['2026-01-01', -2],
        ['2026-01-02', 6],
        ['2026-01-03', 9],
        ['2026-01-09', 6.5],
      ],
    ],
    ['of a note', { tags: ['note:62'], since: '' }, [['2026-01-01', -8]]],
    ['of a note on a size of horn', { tags: ['note:60', 'size:tenor'], since: '' }, [['2026-01-03', 9]]],
    ['of a reed', { tags: ['reed:second'], since: '' }, [['2026-01-02', 6]]],
    ['of a family and a note', { tags: ['family:swell', 'note:91'], since: '' }, [['2026-01-09', 11]]],
    [
      'from a day on',
      { tags: [], since: '2026-01-03' },
      [
        ['2026-01-03', 9],
        ['2026-01-09', 6.5],
      ],
    ],
    ['of what no take told', { tags: ['family:none'], since: '' }, []],
  ] as const)('%s', async (_, filter, wanted) => expect(await values('pitchCentreCents', filter)).toEqual(wanted));
  it('keeps quantities apart', async () => expect(await values('responseS', ALL)).toEqual([]));
  it('can be of one partial', async () => {
    const overtone = digest('o', 4, [tone(77, 40, { fingeredMidi: 58, partial: 3 })]);
    await database.tones.bulkPut([...tonesAfter([overtone]).values()]);
    expect(await values('pitchCentreCents', { tags: ['note:77'], since: '' }, { partial: 1 })).toEqual([]);
    expect(await values('pitchCentreCents', { tags: ['note:77'], since: '' }, { partial: 3 })).toEqual([
      ['2026-01-04', 40],
    ]);
  });
});

describe('firsts', () => {
  const kinds = async (tags: readonly string[], since = '') =>
    (await findFirsts({ tags, since })).map((milestone) => `${milestone.takeId} ${milestone.kind} ${milestone.midi}`);
  it('are those of the notes, horns and takes that are asked for', async () => {
    expect(await kinds([])).toEqual(['d altissimo 91']);
    expect(await kinds(['note:91'])).toEqual(['d altissimo 91']);
    expect(await kinds(['note:60'])).toEqual([]);
    expect(await kinds(['size:tenor'])).toEqual([]);
    expect(await kinds(['family:swell'])).toEqual(['d altissimo 91']);
    expect(await kinds(['reed:first'])).toEqual([]);
    expect(await kinds([], '2026-01-10')).toEqual([]);
  });
});
