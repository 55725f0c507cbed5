import type { Level } from '@inner-hum/core/families';
import type { LoudnessBand } from '@inner-hum/core/measure';
import type { Goal, Practice } from '@inner-hum/core/lesson';
import type { InstrumentId } from '@inner-hum/core/theory';

/** A player as a teacher would describe one, before practice has changed anything. Notes are written. */
export interface ModelledPlayer {
  readonly name: string;
  readonly instrumentId: InstrumentId;
  readonly level: Level;
  readonly minutes: number;
  /** what is part of the own practice already */
  readonly practices: readonly Practice[];
  readonly goals: readonly Goal[];
  /** how far a note lies from in tune at a loudness, cents */
  readonly cents: (midi: number, band: LoudnessBand) => number;
  /** air before a note speaks, seconds */
  readonly responseS: (midi: number) => number;
  /** pitch against level, cents for each 10 dB */
  readonly slopeCents: (midi: number) => number;
  /** how likely a tone speaks as itself, 0–1 */
  readonly speaks: (midi: number, partial: number) => number;
  /** how long a good tone lasts, seconds */
  readonly breathS: number;
  /** how much likelier a tone breaks with each minute of a day */
  readonly tires: number;
  /** what of a weakness a day of practice on its note takes off; 0 for one that stays as described */
  readonly learns: number;
  /** whether there is practice on a day, counted from 1; every day when left out */
  readonly plays?: (day: number) => boolean;
  /** sessions on a day; one when left out */
  readonly sessions?: number;
  /** the whole horn is so far out, cents, until the tuner has come first twice */
  readonly hornCents?: number;
  /** a dead reed: air before any note speaks, seconds, and the days on which it is on the mouthpiece */
  readonly deadReed?: { readonly responseS: number; readonly isOn: (day: number) => boolean };
}

const alike = () => 0;
const plain = {
  goals: [],
  cents: (midi: number, band: LoudnessBand) => (midi >= 76 && band === 'soft' ? 16 : midi <= 60 ? -12 : 2),
  responseS: (midi: number) => (midi <= 61 ? 0.22 : 0.06),
  slopeCents: (midi: number) => (midi >= 76 ? -9 : -2),
  speaks: (midi: number, partial: number) => (partial > 1 ? 0.85 - 0.15 * (partial - 2) : midi <= 60 ? 0.85 : 0.97),
  breathS: 12,
  tires: 0.004,
  learns: 0.05,
} as const;

/** The players of the bench: our own scenario. The first five stay as they are, the others learn. */
export const PLAYERS: readonly ModelledPlayer[] = [
  {
    name: 'beginner on tenor: flat low, slow bell notes',
    instrumentId: 'tenor',
    level: 'new',
    minutes: 15,
    practices: [],
    goals: [],
    cents: (midi) => (midi <= 62 ? -18 : 0),
    responseS: (midi) => (midi <= 61 ? 0.45 : 0.06),
    slopeCents: alike,
    speaks: (midi, partial) => (partial > 1 ? 0.75 - 0.25 * (partial - 2) : midi <= 60 ? 0.7 : 0.95),
    breathS: 8,
    tires: 0.01,
    learns: 0,
  },
  {
    name: 'home player on alto: sharp when soft and high',
    instrumentId: 'alto',
    level: 'home',
    minutes: 30,
    practices: ['longTones', 'swells', 'scales'],
    goals: [],
    cents: (midi, band) => (midi >= 76 && band === 'soft' ? 19 : 2),
    responseS: () => 0.06,
    slopeCents: (midi) => (midi >= 76 ? -10 : -2),
    speaks: (_, partial) => (partial > 1 ? 0.9 - 0.15 * (partial - 2) : 0.97),
    breathS: 14,
    tires: 0.004,
    learns: 0,
  },
  {
    name: 'advanced on alto: an altissimo goal',
    instrumentId: 'alto',
    level: 'advanced',
    minutes: 60,
    practices: ['longTones', 'lowStarts', 'swells', 'descents', 'subtone', 'overtones', 'vibrato', 'scales'],
    goals: [{ kind: 'highNote', instrumentId: 'alto', midi: 91, by: '2026-02-24' }],
    cents: (midi) => (midi > 88 ? 9 : 1),
    responseS: () => 0.05,
    slopeCents: () => -2,
    speaks: (midi, partial) => (midi > 90 ? 0.6 : partial > 1 ? 0.95 - 0.06 * (partial - 2) : 0.99),
    breathS: 20,
    tires: 0.002,
    learns: 0,
  },
  {
    name: 'tired on baritone: breaks as the evening goes on',
    instrumentId: 'baritone',
    level: 'home',
    minutes: 30,
    practices: ['longTones', 'lowStarts', 'scales'],
    goals: [],
    cents: () => 4,
    responseS: (midi) => (midi <= 60 ? 0.25 : 0.08),
    slopeCents: () => 3,
    speaks: (_, partial) => (partial > 1 ? 0.7 : 0.93),
    breathS: 9,
    tires: 0.02,
    learns: 0,
  },
  {
    name: 'five minutes a day on alto',
    instrumentId: 'alto',
    level: 'home',
    minutes: 5,
    practices: ['longTones'],
    goals: [],
    cents: (midi) => (midi === 76 ? 14 : 3),
    responseS: () => 0.07,
    slopeCents: () => -4,
    speaks: (_, partial) => (partial > 1 ? 0.8 : 0.96),
    breathS: 12,
    tires: 0.003,
    learns: 0,
  },
  {
    ...plain,
    name: 'ten minutes on soprano, learns',
    instrumentId: 'soprano',
    level: 'home',
    minutes: 10,
    practices: ['longTones', 'swells'],
  },
  {
    ...plain,
    name: 'twenty minutes on alto, 19 of 20 overtones right',
    instrumentId: 'alto',
    level: 'home',
    minutes: 20,
    practices: ['longTones', 'swells', 'scales'],
    speaks: () => 0.97,
  },
  {
    ...plain,
    name: 'twenty minutes on alto, the horn 16 cents sharp',
    instrumentId: 'alto',
    level: 'home',
    minutes: 20,
    practices: ['longTones', 'scales'],
    hornCents: 16,
  },
  {
    ...plain,
    name: 'thirty minutes on tenor, a dead reed for a week',
    instrumentId: 'tenor',
    level: 'home',
    minutes: 30,
    practices: ['longTones', 'lowStarts', 'swells', 'scales'],
    deadReed: { responseS: 0.3, isOn: (day) => day <= 7 },
  },
  {
    ...plain,
    name: 'three days in seven on baritone, away for twelve days',
    instrumentId: 'baritoneLowA',
    level: 'new',
    minutes: 15,
    practices: [],
    breathS: 8,
    plays: (day) => [1, 3, 6].includes(day % 7) && !(day > 30 && day <= 42),
  },
  {
    ...plain,
    name: 'forty-five minutes twice a day on C melody',
    instrumentId: 'cMelody',
    level: 'home',
    minutes: 45,
    practices: ['longTones', 'lowStarts', 'swells', 'descents', 'scales'],
    sessions: 2,
  },
  {
    ...plain,
    name: 'sixty minutes on bass, advanced, a soft low entry by the eighth week',
    instrumentId: 'bass',
    level: 'advanced',
    minutes: 60,
    practices: ['longTones', 'lowStarts', 'swells', 'descents', 'subtone', 'overtones', 'vibrato', 'scales', 'bends'],
    goals: [{ kind: 'softLowEntry', instrumentId: 'bass', midi: 58, by: '2026-03-02' }],
  },
  {
    ...plain,
    name: 'twenty minutes on sopranino, learns',
    instrumentId: 'sopranino',
    level: 'home',
    minutes: 20,
    practices: ['longTones', 'scales'],
  },
  {
    ...plain,
    name: 'five minutes on tenor, C♯5 24 cents sharp and nobody told',
    instrumentId: 'tenor',
    level: 'home',
    minutes: 5,
    practices: ['longTones'],
    cents: (midi) => (midi === 73 ? 24 : 3),
    responseS: () => 0.06,
    slopeCents: () => -2,
  },
  {
    ...plain,
    name: 'forty minutes on alto, A6 in ten weeks',
    instrumentId: 'alto',
    level: 'home',
    minutes: 40,
    practices: ['longTones', 'lowStarts', 'swells', 'overtones', 'scales', 'bends'],
    goals: [{ kind: 'highNote', instrumentId: 'alto', midi: 93, by: '2026-03-16' }],
    speaks: (midi, partial) => (midi > 90 ? 0.55 : midi > 88 ? 0.7 : partial > 1 ? 0.92 - 0.07 * (partial - 2) : 0.97),
  },
  {
    ...plain,
    name: 'twenty-five minutes on alto, a dead reed on six of fourteen days',
    instrumentId: 'alto',
    level: 'home',
    minutes: 25,
    practices: ['longTones', 'swells', 'scales'],
    deadReed: { responseS: 0.3, isOn: (day) => day <= 14 && [1, 2, 5, 6, 9, 10].includes(day) },
  },
];
