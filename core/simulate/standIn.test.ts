import { describe, expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '../families';
import { hear } from '../signal';
import { ASSUMED_RULER, instrumentById } from '../theory';
import { CLEAN_HABITS, FAULTS, playStandIn, SeededRandom, withFault, type Habits } from './index';
import { addRoom } from './room';
import { fillSpectrum, MOST_PARTIALS } from './spectrum';

const RATE_HZ = 44100;
const play = (habits: Partial<Habits> = {}, seed = 3, family = 'homeCheck', change = {}, sampleRateHz = RATE_HZ) =>
  playStandIn(exerciseScore({ ...usualExercise(familyById(family), 'alto'), ...change }), {
    sampleRateHz,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    habits: { ...CLEAN_HABITS, ...habits },
    seed,
    leadS: 0.5,
    tailS: 0.3,
  });
const rms = (sound: Float32Array, fromS: number, toS: number) => {
  const part = sound.subarray(fromS * RATE_HZ, toS * RATE_HZ);
  return Math.sqrt(part.reduce((sum, value) => sum + value * value, 0) / part.length);
};

describe('playStandIn', () => {
  it('plays the same for the same seed, and otherwise for another', () => {
    expect(play()).toEqual(play());
    expect(play({}, 4)).not.toEqual(play());
  });
  it('is as long as its score, with lead and tail', () => {
    // Four beats at 80.
    expect(play().length).toBe(Math.ceil((0.5 + 3 + 0.3) * RATE_HZ));
  });
  it('plays at the planned level', () => {
    const soft = rms(play({}, 3, 'hold', { dynamic: 'pp', beats: 4, repeats: 1 }), 1, 3);
    const loud = rms(play({}, 3, 'hold', { dynamic: 'ff', beats: 4, repeats: 1 }), 1, 3);
    expect(20 * Math.log10(soft)).toBeCloseTo(ASSUMED_RULER.softestDb, 0);
    expect(20 * Math.log10(loud)).toBeCloseTo(ASSUMED_RULER.loudestDb, 0);
  });
  it('goes up the octave where a note gets softer than its edge, and not before', () => {
    const { f0Hz } = hear(
      play({ perNote: { 58: { breaksUnderDb: -30 } } }, 3, 'swell', { writtenMidi: 58, softest: 'pp', loudest: 'ff' }),
      { sampleRateHz: RATE_HZ },
    );
    const ratios = [...f0Hz].filter((hz) => hz > 0).map((hz) => Math.round(hz / 138.6));
    const middle = ratios.slice(0.4 * ratios.length, 0.6 * ratios.length);
    expect(new Set(middle)).toEqual(new Set([1]));
    expect(ratios.slice(-30, -10).filter((ratio) => ratio === 2).length).toBeGreaterThan(10);
  });
  it('lets air run before the tone, longer on a low note and with a stiff reed', () => {
    const response = (habits: Partial<Habits>, writtenMidi: number) => {
      const sound = play(habits, 3, 'homeCheck', { writtenMidi, dynamic: 'ff' });
      const { attacks } = hear(sound, { sampleRateHz: RATE_HZ });
      return attacks[0]!.onsetS - attacks[0]!.breathS;
    };
    expect(response({ reed: 'stiff' }, 67)).toBeGreaterThan(0.2);
    expect(response({ responseS: 0.1 }, 58)).toBeGreaterThan(response({ responseS: 0.1 }, 70) + 0.02);
  });
  it('makes each fault sound other than a clean take', () => {
    const tempo = { tempoBpm: 200 };
    // That they differ is heard at any rate.
    const LOW_RATE_HZ = 16_000;
    const shownBy = {
      tongueFails: 'tongueOrAir',
      airFails: 'tongueOrAir',
      bothFail: 'tongueOrAir',
      breathes: 'oneBreathDescent',
      breaksSlurs: 'homeNote',
      stepsAtSlurs: 'homeNote',
      colourApart: 'ventMatch',
      partialTooLow: 'altissimoVoicing',
      staysOneVowel: 'vowelSweep',
      neverSoft: 'fullAndSubtone',
      blasts: 'countedBreaths',
      wavyAir: 'airIntoTone',
      plainSubtone: 'fullAndSubtone',
      sagsSoft: 'fullAndSubtone',
      slowChange: 'overtoneMatch',
      changesLate: 'overtoneMatch',
      changesEarly: 'overtoneMatch',
      changesUnevenly: 'overtoneMatch',
      pairSharp: 'overtoneMatch',
      pairFlat: 'overtoneMatch',
      pairLouder: 'overtoneMatch',
      pairSofter: 'overtoneMatch',
      humsSharp: 'humFirst',
      humsFlat: 'humFirst',
      humsOther: 'humFirst',
      bendsLittle: 'bend',
      bendsOff: 'bend',
      bendsRoughly: 'bend',
      noVibrato: 'vibrato',
      vibratoSlow: 'vibrato',
      vibratoNarrow: 'vibrato',
      vibratoWide: 'vibrato',
    } as Partial<Record<string, string>>;
    const clean = new Map<string, Float32Array>();
    for (const fault of Object.keys(FAULTS) as (keyof typeof FAULTS)[]) {
      const family = shownBy[fault] ?? 'swell';
      if (!clean.has(family)) clean.set(family, play({}, 3, family, tempo, LOW_RATE_HZ));
      const sound = play(withFault(fault), 3, family, tempo, LOW_RATE_HZ);
      expect(
        sound.some((value, i) => value !== clean.get(family)![i]),
        fault,
      ).toBe(true);
    }
  });
  it('joins slurred tones without a hole', () => {
    const sound = play({}, 3, 'oneBreathDescent', { tempoBpm: 120 });
    for (let t = 1.4; t < 5; t += 0.02) expect(rms(sound, t, t + 0.02)).toBeGreaterThan(0.004);
  });
});

describe('spectrum', () => {
  const weights = new Float64Array(MOST_PARTIALS + 1);
  const fill = (fingeredMidi: number, loudness: number, hz = 233) =>
    fillSpectrum(weights, {
      instrument: instrumentById('alto'),
      fingeredMidi,
      hz,
      loudness,
      sampleRateHz: RATE_HZ,
      tiltDb: 0,
    });
  const centroid = (count: number) => {
    let moment = 0;
    let sum = 0;
    for (let k = 1; k <= count; k++) {
      moment += k * weights[k]!;
      sum += weights[k]!;
    }
    return moment / sum;
  };
  it.each([0, 0.5, 1])('has unit power at loudness %f', (loudness) => {
    const count = fill(67, loudness);
    let power = 0;
    for (let k = 1; k <= count; k++) power += weights[k]! ** 2;
    expect(power).toBeCloseTo(1, 9);
  });
  it('is brighter when loud', () => expect(centroid(fill(67, 1))).toBeGreaterThan(centroid(fill(67, 0)) + 0.5));
  it('holds the fundamental of the lowest note down', () => {
    fill(58, 0.5, 138);
    const low = weights[1]! / weights[2]!;
    fill(70, 0.5, 277);
    expect(20 * Math.log10(weights[1]! / weights[2]! / low)).toBeGreaterThan(8);
  });
  it('has no partial beyond the rate', () => expect(fill(90, 1, 2000) * 2000).toBeLessThan(RATE_HZ / 2));
});

describe('room and chance', () => {
  it('a room rings on for its time, none for none', () => {
    const clap = (decayS: number) => {
      const sound = new Float32Array(RATE_HZ);
      for (let i = 0; i < 2000; i++) sound[i] = Math.sin(i);
      addRoom(sound, RATE_HZ, decayS);
      return sound;
    };
    expect(rms(clap(0), 0.3, 0.35)).toBe(0);
    const fallDb = 20 * Math.log10(rms(clap(0.5), 0.2, 0.3) / rms(clap(0.5), 0.4, 0.5));
    expect(Math.abs(fallDb - 24)).toBeLessThan(5);
  });
  it('chance is even and normal', () => {
    const random = new SeededRandom(1);
    const even = Array.from({ length: 20000 }, () => random.uniform());
    expect(even.reduce((sum, value) => sum + value, 0) / even.length).toBeCloseTo(0.5, 1);
    const normal = Array.from({ length: 20000 }, () => random.normal());
    expect(Math.sqrt(normal.reduce((sum, value) => sum + value * value, 0) / normal.length)).toBeCloseTo(1, 1);
  });
});
