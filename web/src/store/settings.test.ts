import { exerciseScore, FAMILIES } from '@inner-hum/core/families';
import { ASSUMED_RULER, INSTRUMENTS } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import {
  exerciseChanged,
  exerciseOf,
  hornChosen,
  mainNote,
  rulerKey,
  rulerOf,
  settingsChanged,
  settingsReducer,
  usualFor,
  without,
} from './settings';
import { FIRST_SETTINGS, type Settings } from '../db/settings/settings';

const changed = (...actions: Parameters<typeof settingsReducer>[1][]) =>
  actions.reduce((state, action) => settingsReducer(state, action), FIRST_SETTINGS);

describe('choosing a horn', () => {
  it('keeps the exercise where the horn has its note', () => {
    const { instrumentId, exercise } = changed(hornChosen('tenor'));
    expect([instrumentId, exercise.instrumentId, exercise['writtenMidi']]).toEqual(['tenor', 'tenor', 67]);
  });
  it('moves a low A to the lowest note of a horn without it', () => {
    const low = changed(hornChosen('baritoneLowA'), exerciseChanged({ writtenMidi: 57 }));
    const onAlto = settingsReducer(low, hornChosen('alto'));
    expect(exerciseOf(onAlto)['writtenMidi']).toBe(58);
    // What was chosen is there again with the horn that has it.
    expect(exerciseOf(settingsReducer(onAlto, hornChosen('baritoneLowA')))['writtenMidi']).toBe(57);
  });
  it('leaves what can be played with every family', () => {
    for (const family of FAMILIES)
      for (const { id } of INSTRUMENTS) {
        const settings = changed(settingsChanged({ exercise: usualFor(changed(hornChosen('alto')), family.id) }));
        const other = settingsReducer(settings, hornChosen(id));
        expect(exerciseScore(exerciseOf(other)).steps.length, `${family.id} ${id}`).toBeGreaterThan(0);
      }
  });
});

describe('the ruler', () => {
  const measured = { ...ASSUMED_RULER, loudestDb: -8 };
  it('belongs to a microphone, not to all', () => {
    const settings = changed(settingsChanged({ deviceId: 'input', rulers: { 'microphone:input': measured } }));
    expect(rulerOf(settings)).toEqual(measured);
    expect(rulerOf({ ...settings, deviceId: 'stand' })).toEqual(ASSUMED_RULER);
    expect(rulerOf({ ...settings, source: 'standIn' })).toEqual(ASSUMED_RULER);
  });
  it.each([
    [{ source: 'microphone', deviceId: 'input' }, 'microphone:input'],
    [{ source: 'microphone', deviceId: '' }, 'microphone:'],
    [{ source: 'file', deviceId: 'input' }, 'file'],
    [{ source: 'standIn', deviceId: '' }, 'standIn'],
  ] as const)('%o is kept under %s', (from, key) => expect(rulerKey({ room: '', ...from })).toBe(key));
});

it('a family on the present horn follows the player’s school', () => {
  const settings = changed(
    hornChosen('soprano'),
    settingsChanged({ schools: { ...FIRST_SETTINGS.schools, tuner: 'hide' } }),
  );
  expect(usualFor(settings, 'hold')).toMatchObject({ instrumentId: 'soprano', family: 'hold', tunerHidden: true });
});

it.each([
  ['hold', { writtenMidi: 60 }, 60],
  ['threeZones', { middle: 62 }, 62],
  ['crossingBreak', {}, 67],
])('the main note of %s %o is %i', (family, fields, midi) =>
  expect(mainNote({ family, instrumentId: 'alto', tempoBpm: 60, tunerHidden: false, ...fields })).toBe(midi),
);

it('a record loses one entry and no other', () => {
  expect(without({ a: 1, b: 2 }, 'a')).toEqual({ b: 2 });
  expect(without({ a: 1 }, 'c')).toEqual({ a: 1 });
});

describe('the ruler of a microphone', () => {
  const [old, kitchen] = [
    { softestDb: -50, loudestDb: -20, origin: 'measured' },
    { softestDb: -44, loudestDb: -12, origin: 'measured' },
  ] as const;
  const inRoom = (room: string, rulers: Settings['rulers']) =>
    rulerOf({ ...FIRST_SETTINGS, source: 'microphone', deviceId: 'input', room, rulers });
  it('from before any room was told serves until a room has its own', () =>
    expect(inRoom('kitchen', { 'microphone:input': old })).toBe(old));
  it('is that of the room, and another room begins anew', () => {
    const rulers = { 'microphone:input': old, 'microphone:input kitchen': kitchen };
    expect(inRoom('kitchen', rulers)).toBe(kitchen);
    expect(inRoom('hall', rulers).origin).toBe('assumed');
  });
});
