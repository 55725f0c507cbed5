// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { reedUses } from '@inner-hum/core/history';
import { digest, seen } from '@inner-hum/core/history/testDigests';
import { fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { database } from '../../db/database';
import { store } from '../../store';
import { hornChosen, settingsChanged } from '../../store/settings';
import { freshEachTime, inApp, settings } from '../../testing/inApp';
import { GearList } from './GearList';
import { dayOf } from '../../base/days';

freshEachTime();

const add = (part: string, name: string) => {
  fireEvent.change(screen.getByLabelText('New'), { target: { value: part } });
  fireEvent.change(screen.getByLabelText('Own name'), { target: { value: name } });
  fireEvent.click(screen.getByRole('button', { name: 'Add' }));
};
const optionsOf = (label: string) =>
  within(screen.getByLabelText(label))
    .getAllByRole('option')
    .map((element) => element.textContent);

describe('gear', () => {
  it('what is added is on the horn at once', () => {
    inApp(<GearList />);
    add('reed', ' first ');
    expect(settings().fitted['alto']).toEqual({ reed: 'first' });
    expect(settings().gear).toEqual([
      { part: 'reed', name: 'first', instrumentId: 'alto', cut: '', strength: '', openedOn: dayOf(new Date()) },
    ]);
  });
  it('without a name nothing is added, and that is said', () => {
    inApp(<GearList />);
    add('reed', '   ');
    expect(settings().gear).toEqual([]);
    expect(screen.getByRole('alert').textContent!.length).toBeGreaterThan(5);
  });
  it('the same name twice is one thing', () => {
    inApp(<GearList />);
    add('mouthpiece', 'own');
    add('mouthpiece', 'own');
    expect(settings().gear).toHaveLength(1);
  });
  it('a room is the same for every horn, a mouthpiece is not', () => {
    inApp(<GearList />);
    add('room', 'kitchen');
    add('mouthpiece', 'own');
    store.dispatch(hornChosen('tenor'));
    expect(settings().room).toBe('kitchen');
    expect(settings().fitted['tenor']).toBeUndefined();
    expect(settings().gear.map((item) => item.instrumentId)).toEqual([undefined, 'alto']);
  });
  it('a retired reed is no longer offered, stays in the table, and can come back', () => {
    store.dispatch(settingsChanged({ gear: [{ part: 'reed', name: 'worn', instrumentId: 'alto' }] }));
    inApp(<GearList />);
    expect(optionsOf('Reed')).toContain('worn');
    fireEvent.click(screen.getByRole('button', { name: 'Retire' }));
    expect(settings().gear[0]!.retiredOn).toBe(dayOf(new Date()));
    expect(optionsOf('Reed')).not.toContain('worn');
    fireEvent.click(within(screen.getByRole('table')).getByRole('button'));
    expect(settings().gear[0]!.retiredOn).toBeUndefined();
  });
  it('a reed shows the minutes and starts that its takes told', async () => {
    store.dispatch(settingsChanged({ gear: [{ part: 'reed', name: 'first', instrumentId: 'alto' }] }));
    const uses = reedUses([
      digest('a', 1, [seen(), seen({ spoke: false })], { reed: 'first' }, { lastsS: 150 }),
      digest('b', 2, [seen(), seen()], { reed: 'first' }, { lastsS: 90 }),
      digest('c', 3, [seen({ spoke: false })], { reed: 'second' }, { lastsS: 600 }),
      digest('d', 3, [seen({ spoke: false })], { reed: 'first', instrumentId: 'tenor' }, { lastsS: 600 }),
      digest('e', 3, [seen({ spoke: false })]),
    ]);
    await database.reedUses.bulkPut([...uses.values()]);
    inApp(<GearList />);
    const row = within(screen.getByRole('table')).getAllByRole('row')[1]!;
    expect(await within(row).findByText('75 %')).toBeTruthy();
    expect(within(row).getByText('4')).toBeTruthy();
  });
});
