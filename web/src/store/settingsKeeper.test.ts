// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { expect, it, vi } from 'vitest';
import { store } from '.';
import { entry } from './lists';
import { listsChanged, settingsChanged } from './settings';
import { database } from '../db/database';
import { keepSettings } from './settingsKeeper';
import { leaveOver, storeLeftOver } from '../db/settings/leftOver';
import { storeChanges, storedSettings } from '../db/settings/storedSettings';

const now = () => store.getState().settings;

it('quick changes are never undone by what was stored before them; another page’s change is taken over', async () => {
  await keepSettings();
  const seen: number[] = [];
  store.subscribe(() => seen.push(now().a4Hz));
  for (let hz = 430; hz < 450; hz++) {
    store.dispatch(settingsChanged({ a4Hz: hz }));
    await new Promise((resolve) => setTimeout(resolve, hz % 3));
  }
  await vi.waitFor(async () => expect((await storedSettings())?.a4Hz).toBe(449));
  expect(seen).toEqual([...seen].sort((a, b) => a - b));
  await storeChanges({ minutes: 45 });
  await vi.waitFor(() => expect(now().minutes).toBe(45));
  expect(now().a4Hz).toBe(449);
});

it('a change on the way while the page goes is stored by the next page', async () => {
  store.dispatch(settingsChanged({ instrumentId: 'tenor' }));
  window.dispatchEvent(new Event('pagehide'));
  await vi.waitFor(async () => expect((await storedSettings())?.instrumentId).toBe('tenor'));
  await storeChanges({ instrumentId: 'alto' });
  await storeLeftOver();
  expect((await storedSettings())?.instrumentId).toBe('tenor');
  // Once: what is changed later stays.
  await storeChanges({ instrumentId: 'alto' });
  await storeLeftOver();
  expect((await storedSettings())?.instrumentId).toBe('alto');
});

it('a page that goes with all stored leaves nothing, and what was cut short is passed over', async () => {
  window.dispatchEvent(new Event('pagehide'));
  expect(localStorage.length).toBe(0);
  leaveOver({ minutes: 15 });
  localStorage.setItem(localStorage.key(0)!, '{"minutes":1');
  await storeLeftOver();
  expect(localStorage.length).toBe(0);
});

it('where they can’t be stored they wait, and no reading of settings fails for it', async () => {
  leaveOver({ minutes: 20 });
  const full = () => {
    throw new DOMException('no room', 'QuotaExceededError');
  };
  database.settings.hook('updating', full);
  await storeLeftOver();
  database.settings.hook('updating').unsubscribe(full);
  expect((await storedSettings())?.minutes).not.toBe(20);
  await storeLeftOver();
  expect((await storedSettings())?.minutes).toBe(20);
  await storeChanges({ minutes: 45 });
});

it('a change that could not be stored is told, holds here, and is stored with the next one', async () => {
  const full = () => {
    throw new DOMException('no room', 'QuotaExceededError');
  };
  database.settings.hook('creating', full);
  database.settings.hook('updating', full);
  store.dispatch(settingsChanged({ minutes: 30 }));
  await vi.waitFor(() => expect(store.getState().notices.current?.key).toBe('app.settingsNotStored'));
  expect(now().minutes).toBe(30);
  expect((await storedSettings())?.minutes).toBe(45);
  database.settings.hook('creating').unsubscribe(full);
  database.settings.hook('updating').unsubscribe(full);
  store.dispatch(settingsChanged({ a4Hz: 442 }));
  await vi.waitFor(async () => expect(await storedSettings()).toMatchObject({ a4Hz: 442, minutes: 30 }));
});

it('two pages add to one list: both entries stay, and what one takes away goes alone', async () => {
  const goal = (midi: number) => ({ kind: 'longTone', midi, by: '2027-01-31', instrumentId: 'alto' }) as const;
  store.dispatch(settingsChanged({ goals: [goal(60)] }));
  await vi.waitFor(async () => expect((await storedSettings())?.goals).toHaveLength(1));
  const before = now();
  // Another page, which knows of the first goal alone, adds its own while this one adds another.
  store.dispatch(listsChanged([entry.added('goals', goal(62))]));
  await storeChanges({ goals: [goal(60), goal(64)] }, before);
  await vi.waitFor(async () =>
    expect((await storedSettings())?.goals.map(({ midi }) => midi).sort()).toEqual([60, 62, 64]),
  );
  await vi.waitFor(() => expect(now().goals).toHaveLength(3));
  store.dispatch(listsChanged([entry.removed('goals', goal(60))]));
  await vi.waitFor(async () =>
    expect((await storedSettings())?.goals.map(({ midi }) => midi).sort()).toEqual([62, 64]),
  );
  expect(await database.entries.where('list').equals('goals').count()).toBe(2);
});
