import { REASON_KINDS, routineBlocks, routineOf, type SessionBlock } from '@inner-hum/core/lesson';
import { familyById, usualExercise } from '@inner-hum/core/families';
import { expect, it } from 'vitest';
import { readSettings } from './readSettings';
import { FIRST_SETTINGS } from './settings';

it('a session that goes an hour by the clock, in the shortest tries, is there again after a reload', () => {
  const tone: SessionBlock = {
    exercise: { ...usualExercise(familyById('swell'), 'alto'), beats: 2, tempoBpm: 120 },
    tries: 1,
    restS: 0,
    reason: { kind: 'plain', midi: 67 },
  };
  const [block] = routineOf('An hour', [tone]).blocks;
  const routine = { ...routineOf('An hour', []), asWritten: true, blocks: [{ ...block!, minutes: 60 }] };
  const blocks = routineBlocks(routine, 'alto');
  expect(blocks[0]!.tries).toBeGreaterThan(50);
  const session = { day: '2026-03-01', instrumentId: 'alto', minutes: 60, blocks, done: 0, change: null } as const;
  const stored: unknown = JSON.parse(JSON.stringify({ ...FIRST_SETTINGS, session }));
  expect(readSettings(stored).settings.session).toEqual(session);
});

it.each(REASON_KINDS)('a session with the reason “%s” is there again after a reload', (kind) => {
  const exercise = usualExercise(familyById('hold'), 'alto');
  const target = { day: 3, inside: 1, isIn: true };
  const blocks = [{ exercise, tries: 2, restS: 20, reason: { kind, midi: 67, target } }];
  const session = { day: '2026-03-01', instrumentId: 'alto', minutes: 20, blocks, done: 0, change: null };
  const stored: unknown = JSON.parse(JSON.stringify({ ...FIRST_SETTINGS, session }));
  expect(readSettings(stored).settings.session).toEqual(session);
});
