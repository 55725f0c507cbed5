import { expect, it } from 'vitest';
import { en } from './en';
import { i18next } from './i18n';
import type { ParseKeys } from 'i18next';
import { saidText } from './tableText';

/** A typical filling of each blank of the catalogue; the texts come out as a player reads them. */
const FILLED: Readonly<Record<string, string | number>> = {
  airPercent: 40,
  asked: 100,
  a4: 442,
  band: 'soft',
  beat: 3,
  beats: 4.5,
  cents: 14,
  celsius: 21,
  changes: 'beats 8',
  cue: 'slow the air',
  date: '3 November',
  day: 'Monday',
  days: 14,
  db: 6,
  detail: 'no room left',
  error: 1.5,
  exercise: 'Swell',
  field: 'Beats',
  fingered: 'B♭3',
  fingering: '1 + 2 + 3 + side F♯',
  first: 'G4',
  folder: 'Practice',
  from: 1.8,
  fromDb: 5,
  got: 6,
  half: 10,
  heard: 'B♭4',
  here: '',
  high: 14,
  hold: 11,
  horn: 'Alto',
  hz: 442,
  just: 84,
  kB: 240,
  keys: 3,
  lastsMs: 80,
  layer: 'Pitch',
  level: -48,
  limit: 'C4',
  link: 'https://…',
  khz: 3.4,
  longestS: 6.5,
  points: 'soft +4, loud −2',
  other: 'Swell',
  own: 'Swell',
  finding: 'One bump: the level jumped by 5 dB on beat 3.',
  lost: 12,
  low: 9,
  lower: 'C5',
  mB: 84,
  max: 16,
  min: 2,
  minutes: 20,
  ms: 90,
  name: 'Morning',
  note: 'G4',
  notes: 21,
  number: 2,
  of: 9,
  offset: -14,
  part: 'Reed',
  parts: 4,
  partial: 3,
  partialName: 'Partial 3',
  partials: 0.8,
  percent: 86,
  perMinute: 290,
  plannedDb: 18,
  played: 5,
  quantity: 'Pitch',
  reasons: 'no score',
  reeds: 2,
  reserve: 96,
  seconds: 9,
  second: 'A4',
  side: 'A',
  soft: -46,
  loud: -18,
  source: 'Microphone',
  sources: 'partial 2 of G3',
  spread: 4,
  starts: 12,
  step: 12,
  takes: '8 + 9',
  text: 'H9',
  time: 4.2,
  title: 'Swell on G4',
  to: 3.2,
  tonguePercent: 60,
  total: 8,
  tries: 4,
  uncertainty: 1,
  unit: 'cents',
  upper: 'C♯5',
  value: 12,
  wanted: 'C5',
  was: 8,
  waves: 4,
  way: 'sharper',
  what: 'Partials',
  why: 'it would need C7.',
  word: 3,
  worth: 72,
  z: 4,
  zone: 'The low notes',
  when: '3 November, 18:20',
  room: ', room 21 °C',
  signed: 'Mara B.',
  failed: 3,
  tempo: 72,
};

function* entries(node: object, path: string): Generator<[string, string]> {
  for (const [key, value] of Object.entries(node) as [string, unknown][])
    if (typeof value === 'string') yield [`${path}${key}`, value];
    else yield* entries(value as object, `${path}${key}.`);
}

it('every sentence with a blank reads as a sentence', async () => {
  const lines: string[] = [];
  for (const [key, text] of entries(en, '')) {
    const blanks = [...text.matchAll(/\{\{(\w+)\}\}/g)].map(([, name]) => name!);
    if (blanks.length === 0) continue;
    const count = /_(one|zero|other)$/.exec(key)?.[1];
    const values = { ...FILLED, count: count === 'one' ? 1 : count === 'zero' ? 0 : 3 };
    expect(
      blanks.filter((name) => !(name in values)),
      key,
    ).toEqual([]);
    lines.push(`${key}: ${saidText(i18next.t, key.replace(/_(one|zero|other)$/, '') as ParseKeys, values)}`);
  }
  await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot('examples.txt');
});
