import { exerciseScore } from '@inner-hum/core/families';
import { expect, it, vi } from 'vitest';
import { ALTERNATE_FINGERINGS, fingeringText } from '@inner-hum/core/theory';
import { planNow } from './planNow';
import { FIRST_SETTINGS, type Settings } from '../db/settings/settings';

const settings: Settings = {
  ...FIRST_SETTINGS,
  instrumentId: 'tenor',
  a4Hz: 442,
  cue: 'softPlaying.slow' as Settings['cue'],
  schools: { ...FIRST_SETTINGS.schools, brightEnd: 'judged' },
  fitted: { tenor: { reed: 'second' } },
  room: 'kitchen',
};
const path = { delayS: 0.02, delayErrorS: 0.001 };

it('the same settings planned from microphone, file and stand-in player are the same take but for the sound’s way', () => {
  vi.useFakeTimers({ now: Date.UTC(2026, 2, 1, 18) });
  const [microphone, file, standIn] = [
    planNow(settings, { kind: 'microphone', label: 'x' }, path),
    planNow(settings, { kind: 'file', name: 'x.wav' }, path),
    planNow(settings, { kind: 'standIn', seed: 1, habits: {} as never }, path),
  ].map(({ startedAt, parameters, score, setup, cues }) => ({ startedAt, parameters, score, setup, cues }));
  vi.useRealTimers();
  expect(file).toEqual(microphone);
  expect(standIn).toEqual(microphone);
  expect(microphone).toMatchObject({
    startedAt: '2026-03-01T18:00:00.000Z',
    cues: ['softPlaying.slow'],
    setup: { instrumentId: 'tenor', a4Hz: 442, reed: 'second', room: 'kitchen', evenColour: true },
    score: exerciseScore(microphone!.parameters),
  });
});

it('a take keeps the keys of its notes that are not fingered the regular way, and of no others', () => {
  const bis = fingeringText(ALTERNATE_FINGERINGS.find(({ midi }) => midi === 70)!.keys);
  const used = { ...settings, usedFingerings: { 'tenor 70': bis, 'tenor 66': 'l1', 'alto 72': 'l2' } };
  const planned = (writtenMidi: number) =>
    planNow({ ...used, exercise: { ...used.exercise, writtenMidi } }, { kind: 'file', name: '' }, path).setup
      .fingerings;
  expect(planned(70)).toEqual({ 70: bis });
  expect(planned(72)).toBeUndefined();
});
