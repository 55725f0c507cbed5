import 'fake-indexeddb/auto';
import { STEP_QUANTITIES } from '@inner-hum/core/measure';
import { SeededRandom } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { beforeEach, describe, expect, it } from 'vitest';
import { silentTake as take, toldTake as told } from '../testing/takes';
import { database } from './database';
import { rebuildTold, toldTables } from './digests';
import { addDraftPiece, beginDraft, draftIds, forgetDraft, leftDraft, planDraft } from './drafts';
import { findDigests, findTakes, findTrend } from './search';
import { keepTake, mergeTakes, removeDemoTakes, removeTake, restoreTake, wholeTake } from './takes';
import { changeNote } from './takeNotes';
import { FIRST_SETTINGS } from './settings/settings';
import { readSettings } from './settings/readSettings';
import { forgetSetAside, loadSettings, setAside, storeChanges } from './settings/storedSettings';

/** Every take, oldest first. */
const allTakes = async () => {
  const ids = await database.takes.orderBy('startedAt').primaryKeys();
  return (await Promise.all(ids.map(wholeTake))).flatMap((entry) => entry ?? []);
};
const newestTakes = async (limit: number) => (await findTakes({ tags: [], since: '' }, limit)).takes;
const draft = (takeId: string) => {
  const { startedAt, parameters, score, setup, source, audioPath, onBeat } = take(takeId, 1).record;
  return {
    takeId,
    sampleRateHz: 44100,
    plan: { startedAt, parameters, score, setup, source, audioPath, onBeat, firstBeatS: null },
  };
};

beforeEach(() => Promise.all(database.tables.map((table) => table.clear())));

describe('takes', () => {
  it('come back as they were kept', async () => {
    await keepTake(take('a', 1));
    expect(await wholeTake('a')).toEqual(take('a', 1));
    expect(await wholeTake('b')).toBeUndefined();
  });

  it('newest first in lists, oldest first in backups', async () => {
    for (const [id, day] of [
      ['b', 2],
      ['c', 3],
      ['a', 1],
    ] as const)
      await keepTake(take(id, day));
    expect((await newestTakes(2)).map((entry) => entry.id)).toEqual(['c', 'b']);
    expect((await allTakes()).map((entry) => entry.record.id)).toEqual(['a', 'b', 'c']);
  });

  it('merging adds what is new and leaves what is here', async () => {
    await keepTake(take('a', 1));
    await changeNote('a', 'mine');
    expect(await mergeTakes([take('a', 1), take('b', 2)])).toBe(1);
    expect((await wholeTake('a'))?.record.note).toBe('mine');
  });

  it('a failed merge changes nothing', async () => {
    const broken = { ...take('c', 3), record: { ...take('c', 3).record, id: undefined as never } };
    await expect(mergeTakes([take('b', 2), broken])).rejects.toThrow();
    expect(await database.takes.count()).toBe(0);
    expect(await database.frames.count()).toBe(0);
  });

  it('a removed take can be put again', async () => {
    await keepTake(take('a', 1));
    await removeTake('a');
    expect(await database.sounds.count()).toBe(0);
    expect(await restoreTake('a')).toBe(true);
    expect(await wholeTake('a')).toEqual(take('a', 1));
  });

  it('the demo goes, the player’s own stays', async () => {
    await mergeTakes([take('demo', 1, true), take('own', 2)]);
    await removeDemoTakes();
    expect((await allTakes()).map((entry) => entry.record.id)).toEqual(['own']);
    expect(await database.frames.count()).toBe(1);
  });
});

describe('digests and cells', () => {
  const recent = async () =>
    (await database.cells.toArray()).flatMap((cell) => cell.recent.map((observation) => observation.values));

  it('a kept take is on the map, a removed one is not, and coming back it is again', async () => {
    await keepTake(told('a', 1, 5));
    await keepTake(told('b', 2, 9));
    expect((await recent()).map((entry) => entry.pitchCentreCents)).toEqual(expect.arrayContaining([5, 9]));
    await removeTake('b');
    expect((await recent()).map((entry) => entry.pitchCentreCents)).not.toContain(9);
    await restoreTake('b');
    expect((await recent()).map((entry) => entry.pitchCentreCents)).toContain(9);
  });

  it('many at once give the cells that one by one give', async () => {
    const takes = Array.from({ length: 25 }, (_, i) => told(`t${i}`, i + 1, i));
    await mergeTakes(takes);
    const together = await database.cells.orderBy('key').toArray();
    await Promise.all(database.tables.map((table) => table.clear()));
    for (const entry of takes) await keepTake(entry);
    expect(await database.cells.orderBy('key').toArray()).toEqual(together);
  });

  it('whatever is taken away, what is left is what the rest tells', async () => {
    const random = new SeededRandom(7);
    const below = (n: number) => Math.floor(n * random.uniform());
    // More of each kind than a cell keeps, on few reeds, free play between.
    const takes = Array.from({ length: 60 }, (_, i) => {
      const whole = told(`t${i}`, 1 + below(28), below(40));
      const { record } = whole;
      const score = i % 4 === 0 ? { ...record.score, family: 'freePlay' } : record.score;
      const minute = String(below(60)).padStart(2, '0');
      const startedAt = record.startedAt.replace(':00:00', `:${minute}:${String(i).padStart(2, '0')}`);
      const setup = { ...record.setup, ...(i % 3 > 0 && { reed: `reed ${i % 3}` }) };
      return { ...whole, record: { ...record, score, startedAt, setup } };
    });
    for (const entry of takes) await keepTake(entry);
    const { cells, milestones, reedUses } = database;
    const tables = () => Promise.all([cells, milestones, reedUses].map((table) => table.toCollection().sortBy('key')));
    const left = new Set(takes.map(({ record }) => record.id));
    for (let i = 0; i < 45; i++) {
      const id = [...left][below(left.size)]!;
      await removeTake(id);
      left.delete(id);
      if (i % 5 > 0) continue;
      const kept = await tables();
      await rebuildTold();
      expect(kept).toEqual(await tables());
    }
  });

  it('a trend has a day while it has takes', async () => {
    await mergeTakes([told('a', 1, 5), told('b', 1, 9), told('c', 2, 4)]);
    const days = async () => (await findTrend('pitchCentreCents', { tags: [], since: '' })).points;
    expect((await days()).map((point) => point.value)).toEqual([7, 4]);
    await removeTake('b');
    expect((await days()).map((point) => point.value)).toEqual([5, 4]);
    await removeTake('c');
    expect((await days()).map((point) => point.value)).toEqual([5]);
    expect(await database.tones.count()).toBe(1);
  });

  it('the same take twice is the same once, also out of the bin after a backup brought it back', async () => {
    const tables = () => Promise.all(toldTables().map(async (table) => (await table.toArray()) as object[]));
    const one = told('a', 1, 5);
    await mergeTakes([told('b', 2, 9)]);
    await keepTake(one);
    const told1 = await tables();
    await keepTake(one);
    expect(await tables()).toEqual(told1);
    await removeTake('a');
    expect(await mergeTakes([one])).toBe(1);
    await restoreTake('a');
    expect(await tables()).toEqual(told1);
    expect(await database.cells.count()).toBeGreaterThan(0);
  });

  it('a first goes to the next take that reached it, and comes back', async () => {
    // The tone holds as many beats as it is off, at 60 beats a minute.
    await mergeTakes([told('a', 1, 3), told('b', 2, 12), told('c', 3, 25), told('d', 4, 11)]);
    const firsts = async () =>
      (await database.milestones.orderBy('key').toArray()).map((milestone) => `${milestone.key} ${milestone.takeId}`);
    expect(await firsts()).toEqual(['tenor held middle 10 b', 'tenor held middle 20 c']);
    await removeTake('b');
    expect(await firsts()).toEqual(['tenor held middle 10 c', 'tenor held middle 20 c']);
    await removeTake('c');
    expect(await firsts()).toEqual(['tenor held middle 10 d']);
    await restoreTake('b');
    expect(await firsts()).toEqual(['tenor held middle 10 b']);
  });

  it('are found by what they tell, newest first', async () => {
    await mergeTakes([told('a', 1, 5), told('b', 2, 5), take('c', 3)]);
    const ids = async (tags: string[], since = '') =>
      (await findDigests({ tags, since })).map((digest) => digest.takeId);
    expect(await ids(['note:67', 'family:swell'])).toEqual(['b', 'a']);
    expect(await ids(['size:tenor'])).toEqual(['c', 'b', 'a']);
    expect(await ids(['size:tenor'], '2026-03-02')).toEqual(['c', 'b']);
    expect(await ids(['size:alto'])).toEqual([]);
    expect(await findTakes({ tags: ['note:67'], since: '' }, 1)).toMatchObject({ takes: [{ id: 'b' }], more: true });
  });
});

describe('drafts', () => {
  it('put their pieces together in order', async () => {
    await beginDraft(draft('a'));
    await addDraftPiece('a', Int16Array.from([1, 2]));
    await addDraftPiece('a', Int16Array.from([3]));
    await planDraft('a', { ...draft('a').plan, firstBeatS: 1.5 });
    const left = await leftDraft('a');
    expect([...left!.samples]).toEqual([1, 2, 3]);
    expect(left!.draft.plan.firstBeatS).toBe(1.5);
  });

  it('are forgotten with the take they became, and on demand', async () => {
    for (const id of ['a', 'b']) {
      await beginDraft(draft(id));
      await addDraftPiece(id, Int16Array.from([1]));
    }
    await keepTake(take('a', 1));
    expect(await draftIds()).toEqual(['b']);
    await forgetDraft('b');
    expect(await draftIds()).toEqual([]);
    expect(await database.draftPieces.count()).toBe(0);
  });
});

describe('settings', () => {
  const load = async () => (await loadSettings()).settings;

  it('are the first ones, then those stored', async () => {
    expect(await load()).toEqual(FIRST_SETTINGS);
    const changes = { instrumentId: 'bass', a4Hz: 442, rulers: { 'microphone:': ASSUMED_RULER } } as const;
    await storeChanges(changes);
    expect(await load()).toEqual({ ...FIRST_SETTINGS, ...changes });
  });

  it('two pages that change different things both keep theirs', async () => {
    await storeChanges({ a4Hz: 442 });
    await storeChanges({ minutes: 30 });
    expect(await load()).toMatchObject({ a4Hz: 442, minutes: 30 });
  });

  it('an older row takes first values for what it lacks', async () => {
    await database.settings.put({ name: 'settings', value: { instrumentId: 'tenor', swell: { tempoBpm: 72 } } });
    expect(await load()).toMatchObject({
      instrumentId: 'tenor',
      demand: 'firm',
      exercise: { tempoBpm: 72, beats: 8 },
    });
  });

  const goal = { kind: 'highNote', instrumentId: 'alto', midi: 93, by: '2026-12-01' };
  const swell = FIRST_SETTINGS.exercise;
  it.each([
    ['an unknown horn', { instrumentId: 'ocarina' }, ['instrumentId']],
    ['a pitch beyond tuning', { a4Hz: 1e999 }, ['a4Hz']],
    ['a ruler without an end', { rulers: { a: ASSUMED_RULER, b: { softestDb: -40 } } }, ['rulers.b']],
    ['a ruler upside down', { rulers: { b: { softestDb: -10, loudestDb: -40, origin: 'measured' } } }, ['rulers.b']],
    ['a loop that is a text', { loops: { a: 'slow' } }, ['loops.a']],
    ['a tune-up without cents', { tuneUps: { alto: { at: 'x' } } }, ['tuneUps.alto']],
    ['gear that is no list', { gear: 7 }, ['gear']],
    ['gear without a name', { gear: [{ part: 'reed' }, { part: 'room', name: 'hall' }] }, ['gear[0]']],
    ['a fitted horn of numbers', { fitted: { alto: { reed: 3 } } }, ['fitted.alto']],
    ['schools of another world', { schools: { tuner: 'needle' } }, ['schools']],
    ['a goal on no horn', { goals: [goal, { ...goal, instrumentId: 'kazoo' }] }, ['goals[1]']],
    ['a goal on no day', { goals: [{ ...goal, by: 'soon' }] }, ['goals[0]']],
    ['quiet hours without an end', { quietHours: { from: '21:00' } }, ['quietHours']],
    ['a week of three days', { weekMinutes: [1, 2, 3] }, ['weekMinutes']],
    ['a session of nothing', { session: { blocks: [{}] } }, ['session']],
    ['an exercise of no family', { exercise: { ...swell, family: 'none' } }, ['exercise']],
    ['an exercise between two notes', { exercise: { ...swell, writtenMidi: 67.5 } }, ['exercise']],
    ['a block with a hole', { block: [swell, null] }, ['block[1]']],
    ['an own exercise without a name', { own: [{ exercise: swell }] }, ['own[0]']],
    [
      'a fingering of keys there are none of',
      { fingerings: [{ instrumentId: 'alto', midi: 93, keys: ['x'] }] },
      ['fingerings[0]'],
    ],
    ['what was left for the day as a list', { left: [1] }, ['left']],
  ])('%s falls back alone, is put aside and told; the rest is as it was', async (_, bad, paths) => {
    const row = { minutes: 30, favourites: ['hold'], ...bad };
    await database.settings.put({ name: 'settings', value: row });
    const { settings, aside } = await loadSettings();
    expect(settings).toMatchObject({ minutes: 30, favourites: ['hold'] });
    expect(aside.map((entry) => entry.path)).toEqual(paths);
    expect(readSettings(settings).aside).toEqual([]);
    // The bad part survives the next change, as it was, and is put aside only once.
    await storeChanges({ minutes: 45 });
    expect((await loadSettings()).aside).toEqual([]);
    expect((await setAside()).map((entry) => entry.path)).toEqual(paths);
    expect((await database.settings.get('settings'))?.value).toEqual({ ...row, minutes: 45 });
    // Once the player has removed it, it is neither here nor there.
    await forgetSetAside();
    expect(await setAside()).toEqual([]);
    expect((await loadSettings()).aside).toEqual([]);
  });

  it.each([[7], ['text'], [[1, 2]]])('a row that is %j is put aside whole', async (value) => {
    await database.settings.put({ name: 'settings', value });
    expect(await loadSettings()).toMatchObject({ settings: FIRST_SETTINGS, aside: [{ path: 'settings', value }] });
  });
});

it('a quantity that is measured anew has an upgrade: takes of before say that they were not measured then', () => {
  // Another list of quantities needs a version of the database that migrates the takes: then both change here together.
  expect({ version: database.verno, quantities: STEP_QUANTITIES.length }).toEqual({ version: 18, quantities: 33 });
});
