import { INSTRUMENTS, midiToHz } from '@inner-hum/core/theory';
import type { BenchCase, Tone } from './benchCase';

const LOUD = { pp: 0.02, mf: 0.12, ff: 0.5 } as const;
const BRIGHT = { pp: 2, mf: 10, ff: 28 } as const;
type Band = keyof typeof LOUD;

/** A horn, and a way to add a case of it. */
interface HornCases {
  /** sounding MIDI number of its lowest note */
  readonly lowest: number;
  /** sounding pitch so many semitones above it, Hz */
  at(semitones: number): number;
  add(name: string, trap: string, tones: readonly Tone[], more?: Partial<BenchCase>): void;
}

/** Every trap over all sizes and three dynamics. Pure: the same list each time. */
export function allCases(): BenchCase[] {
  const cases: BenchCase[] = [];
  const horns = INSTRUMENTS.filter((instrument) => instrument.id !== 'baritone').map((horn): HornCases => {
    const lowest = horn.lowestWrittenMidi + horn.soundingOffsetSemitones;
    const add = (name: string, trap: string, tones: readonly Tone[], more: Partial<BenchCase> = {}) => {
      const lengthS = Math.max(...tones.map((tone) => tone.endS)) + 0.7;
      cases.push({ name: `${horn.id} ${name}`, trap, lengthS, tones, ...more });
    };
    return { lowest, at: (semitones: number) => midiToHz(lowest + semitones, 440), add };
  });
  for (const horn of horns) for (const addCases of [plainCases, airyCases, changingCases]) addCases(horn);
  const silent = (name: string, more: Partial<BenchCase>) =>
    cases.push({ name, trap: 'no tone at all', lengthS: 6, tones: [], ...more });
  silent('hum 50', { hum: { hz: 50, db: -45 } });
  silent('hum 60', { hum: { hz: 60, db: -40 } });
  silent('hum 50 soft', { hum: { hz: 50, db: -58 }, noiseDb: -60 });
  silent('metronome', { clicks: { everyS: 0.5, hz: 1000, amplitude: 0.3 } });
  silent('metronome fast', { clicks: { everyS: 0.25, hz: 1800, amplitude: 0.1 } });
  silent('key clicks', { keyClicks: true });
  for (const take of ['first', 'second', 'third', 'fourth']) {
    silent(`rattling keys, ${take}`, { rattle: true });
    silent(`speech, ${take}`, { speech: true });
    silent(`whisper, ${take}`, { whisper: true });
    silent(`whisper near, ${take}`, { whisper: true, noiseDb: -60, gain: 4 });
  }
  silent('room noise', { noiseDb: -40 });
  cases.push({ name: 'breath alone', trap: 'no tone at all', lengthS: 6, tones: [], noiseDb: -30 });
  for (const { at, add } of horns)
    for (const attackS of [0.2, 0.35, 0.5])
      for (const breathDb of [-24, -18])
        add(`soft start ${attackS} s, ${breathDb} dB`, 'soft starts', [
          long(at(attackS * 40), 'mf', { attackS, breathDb, airBeforeS: 0.25, brightness: 4 }),
        ]);
  for (const { at, add } of horns)
    for (const breathDb of [-10, -8])
      add(`airy vibrato ${breathDb}`, 'airy vibrato', [
        long(at(12), 'mf', { vibrato: { hz: 5.5, cents: 35 }, jitterCents: 2, breathDb }),
      ]);
  return cases;
}

/** Held, high, overtone, and in rooms with noise, tail, metronome or hum. */
function plainCases({ lowest, at, add }: HornCases): void {
  for (const band of ['pp', 'mf', 'ff'] as const) {
    for (const [zone, semitones] of [
      ['low', 0],
      ['low', 2],
      ['middle', 14],
      ['break', 16],
      ['palm', 30],
    ] as const) {
      const down = semitones < 5 && lowest < 50 ? 26 : semitones < 5 ? 12 : 0;
      add(`${zone}${semitones} ${band}`, 'held notes', [long(at(semitones), band, { fundamentalDownDb: down })]);
    }
    add(`altissimo ${band}`, 'altissimo', [long(Math.min(2700, at(36)), band)]);
    for (const partial of [2, 3, 4])
      add(`overtone ${partial} ${band}`, 'overtones', [long(at(0) * partial, band, { residue: { partial, db: -24 } })]);
    add(`noise ${band}`, 'room noise', [long(at(7), band, { breathDb: -25 })], { noiseDb: -55 });
    add(`reverb ${band}`, 'reverberation', scale(at, band), { reverbS: 0.6 });
    add(`bleed ${band}`, 'metronome bleed', [long(at(9), band)], {
      clicks: { everyS: 0.5, hz: 1400, amplitude: 0.06 },
    });
    add(`hum ${band}`, 'mains hum', [long(at(5), band)], { hum: { hz: 50, db: -52 } });
  }
}

/** Tones with much air, and short ones. */
function airyCases({ at, add }: HornCases): void {
  add('subtone -6', 'subtone', [
    long(at(1), 'pp', { amplitude: 0.08, brightness: 0.7, breathDb: -6, airBeforeS: 0.3 }),
  ]);
  add('subtone -8', 'subtone', [
    long(at(4), 'pp', { amplitude: 0.08, brightness: 0.8, breathDb: -8, airBeforeS: 0.3 }),
  ]);
  add('subtone -10', 'subtone', [
    long(at(6), 'pp', { amplitude: 0.08, brightness: 0.8, breathDb: -10, airBeforeS: 0.3 }),
  ]);
  for (const semitones of [1, 4])
    add(`rough subtone ${semitones}`, 'rough subtone', [
      long(at(semitones), 'pp', {
        amplitude: 0.06,
        brightness: 0.7,
        breathDb: -4,
        airBeforeS: 0.3,
        shimmer: 0.12,
        jitterCents: 3,
      }),
    ]);
  for (const [semitones, jitterCents, breathDb] of [
    [1, 3, -4],
    [4, 8, -4],
    [7, 3, -2],
  ] as const) {
    const summed = {
      startS: 0.5,
      endS: 3,
      hz: at(semitones),
      jitterCents,
      shimmer: 0.12,
      breathDb,
      breathPulse: 0.7,
    };
    add(`summed subtone ${semitones}`, 'rough subtone, summed', [], { summed, lengthS: 3.7 });
  }
  const wanders = { cents: 14, fromS: 0.3, toS: 1 } as const;
  for (const [semitones, breathDb] of [
    [1, -6],
    [3, -8],
    [6, -10],
    [4, -4],
  ] as const) {
    const rough = { amplitude: 0.06, brightness: 0.7, breathDb, airBeforeS: 0.3, shimmer: 0.12, jitterCents: 4 };
    add(`wandering subtone ${semitones}`, 'rough subtone, wandering', [
      { ...long(at(semitones), 'pp', { ...rough, wanders }), endS: 6 },
    ]);
    const summed = {
      startS: 0.5,
      endS: 6,
      hz: at(semitones),
      jitterCents: 4,
      shimmer: 0.12,
      breathDb,
      breathPulse: 0.7,
    };
    add(`summed wandering subtone ${semitones}`, 'rough subtone, wandering', [], {
      summed: { ...summed, wanders },
      lengthS: 6.7,
    });
  }
  add(
    'short airy notes',
    'short airy notes',
    [0, 1, 2, 3].map((i) => ({
      ...long(at(3 + 2 * i), 'pp', { amplitude: 0.08, brightness: 0.8, breathDb: -10, airBeforeS: 0.1 }),
      startS: 0.5 + 0.6 * i,
      endS: 0.5 + 0.6 * i + 0.16 + 0.04 * i,
    })),
  );
}

/** What changes within a tone or from one to the next, and bad input. */
function changingCases({ at, add }: HornCases): void {
  for (const share of [0.25, 0.4, 0.55])
    add(`doubled ${share}`, 'octave below for a while', [
      long(at(4), 'ff', { fundamentalDownDb: 8, doubling: { share, fromS: 1, forS: 0.5 } }),
    ]);
  for (const forS of [0.04, 0.07, 0.1])
    add(`doubled start ${forS}`, 'octave below in the attack', [
      long(at(9), 'mf', { doubling: { share: 0.9, fromS: 0, forS } }),
      long(at(2), 'ff', { startS: 3.5, endS: 5, doubling: { share: 0.6, fromS: 0, forS } }),
    ]);
  add('soft start', 'soft starts', [
    long(at(2), 'mf', { attackS: 0.35, breathDb: -18, airBeforeS: 0.25, brightness: 4 }),
  ]);
  for (const rate of [4, 5.5, 7])
    add(`vibrato ${rate}`, 'vibrato', [long(at(12), 'mf', { vibrato: { hz: rate, cents: 35 }, jitterCents: 2 })]);
  add('swell', 'swells', [
    long(at(8), 'ff', {
      startS: 0.5,
      endS: 5,
      shape: (place) => 10 ** ((-30 + 30 * Math.sin(Math.PI * place)) / 20),
    }),
  ]);
  add('partial jumps', 'partial jumps', jumps(at(0), [1, 2, 1, 3, 2, 4, 3, 1]));
  add('octave low start', 'octave low start', [
    { startS: 0.5, endS: 0.62, hz: at(12) / 2, amplitude: 0.1, brightness: 10, releaseS: 0.004 },
    { startS: 0.62, endS: 2.6, hz: at(12), amplitude: 0.12, brightness: 10, attackS: 0.004 },
  ]);
  add('chromatic', 'changing notes', scale(at, 'mf'));
  add('clipped', 'bad input', [long(at(10), 'ff', { amplitude: 1.4 })], { clip: 0.9 });
  add('very low', 'bad input', [long(at(10), 'ff')], { gain: 0.004, noiseDb: -48 });
  add('offset', 'bad input', [long(at(10), 'mf')], { offset: 0.2 });
}

function long(hz: number, band: Band, more: Partial<Tone> = {}): Tone {
  return {
    startS: 0.5,
    endS: 3,
    hz,
    amplitude: LOUD[band],
    brightness: BRIGHT[band] * Math.min(1, 300 / hz + 0.15),
    ...more,
  };
}

function scale(at: (semitones: number) => number, band: Band): Tone[] {
  return Array.from({ length: 12 }, (_, i) => ({
    startS: 0.4 + 0.25 * i,
    endS: 0.4 + 0.25 * (i + 1) - (i % 2 ? 0.06 : 0),
    hz: at(3 + i * 2),
    amplitude: LOUD[band],
    brightness: BRIGHT[band] * Math.min(1, 300 / at(3 + i * 2) + 0.15),
    attackS: 0.012,
    releaseS: 0.012,
  }));
}

function jumps(fundamental: number, partials: readonly number[]): Tone[] {
  return partials.map((partial, i) => ({
    startS: 0.5 + 0.4 * i,
    endS: 0.5 + 0.4 * (i + 1),
    hz: fundamental * partial,
    amplitude: 0.15,
    brightness: 12 * Math.min(1, 300 / (fundamental * partial) + 0.15),
    attackS: 0.006,
    releaseS: 0.006,
    ...(partial > 1 ? { residue: { partial, db: -26 } } : {}),
  }));
}
