import { object, string } from 'yup';
import { describe, expect, it } from 'vitest';
import { listOf, ofNow, recordOf, whole } from './parts';
import { readSettings } from './readSettings';
import { FIRST_SETTINGS, SETTINGS_PARTS, type Settings } from './settings';
import { united } from './united';

const goal = { kind: 'highNote', instrumentId: 'alto', midi: 91, by: '2026-12-24' } as const;
const experiment = (id: string) => ({ id, question: id }) as unknown as Settings['experiments'][number];

describe('what a backup adds beside takes', () => {
  it('is what is not here yet; what is here stays as it is', () => {
    const own = { ...FIRST_SETTINGS, goals: [goal], experiments: [experiment('lip')], a4Hz: 442 };
    const changed = { ...experiment('lip'), question: 'an older state of the same' };
    const other = {
      ...FIRST_SETTINGS,
      goals: [goal, { ...goal, midi: 92 }],
      experiments: [changed, experiment('reed')],
    };
    const added = united(own, other);
    expect(added.goals).toEqual([goal, { ...goal, midi: 92 }]);
    expect(added.experiments).toEqual([experiment('lip'), experiment('reed')]);
    expect(added).not.toHaveProperty('a4Hz');
  });

  it.each(Object.entries(SETTINGS_PARTS).filter(([, part]) => part.by !== 'whole' && !part.ofNow))(
    'has the entries of %s',
    (name, { by }) => {
      const entry = by === 'list' ? [{ made: 'up' }] : { made: 'up' };
      const added = united(FIRST_SETTINGS, { ...FIRST_SETTINGS, [name]: entry } as unknown as Settings);
      expect(added).toMatchObject({ [name]: entry });
    },
  );

  it('has those of a list that was added to the table, without a word elsewhere', () => {
    const words = object({ word: string().required() });
    const parts = { shelves: listOf(words), places: recordOf(words), queue: ofNow(listOf(words)), one: whole(words) };
    const own = { shelves: [{ word: 'a' }], places: { x: { word: 'here' } } } as unknown as Settings;
    const other = {
      shelves: [{ word: 'a' }, { word: 'b' }],
      places: { x: { word: 'there' }, y: { word: 'new' } },
      queue: [{ word: 'c' }],
      one: { word: 'd' },
    } as unknown as Settings;
    expect(united(own, other, parts)).toEqual({
      shelves: [{ word: 'a' }, { word: 'b' }],
      places: { x: { word: 'here' }, y: { word: 'new' } },
    });
  });
});

it.each(['2026-13-45', '0000-00-00', '2026-02-30', 'soon'])('a goal by %s is set aside, and costs no other', (by) => {
  const { settings, aside } = readSettings({ goals: [{ ...goal, by }, goal] });
  expect(settings.goals).toEqual([goal]);
  expect(aside).toMatchObject([{ path: 'goals[0]', reason: expect.stringContaining('day') as string }]);
});
