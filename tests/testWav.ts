import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { MadeSound } from './madeSound';

/** A swell whose truth is known at every moment. Times from the first beat, seconds. */
export interface KnownSwell {
  readonly hz: number;
  readonly beatS: number;
  readonly beats: number;
  readonly softDb: number;
  readonly loudDb: number;
  readonly centreCents: number;
  /** cents for each 10 dB above the middle level */
  readonly slopeCents: number;
  readonly stair?: { readonly atS: number; readonly db: number };
  readonly jump?: { readonly atS: number; readonly lastsS: number; readonly partial: number };
}

/** Of the sounds that are given; each caller may choose another. */
const RATE_HZ = 44_100;

export function levelDbAt(swell: KnownSwell, timeS: number): number {
  const half = (swell.beats * swell.beatS) / 2;
  const plan = swell.softDb + (swell.loudDb - swell.softDb) * (1 - Math.abs(timeS - half) / half);
  const since = swell.stair ? timeS - swell.stair.atS : -1;
  return plan + (since >= 0 ? swell.stair!.db * Math.exp(-since * 1.5) : 0);
}

export function centsAt(swell: KnownSwell, timeS: number): number {
  return swell.centreCents + (swell.slopeCents * (levelDbAt(swell, timeS) - (swell.softDb + swell.loudDb) / 2)) / 10;
}

export function swellTone(swell: KnownSwell): KnownTone {
  const { jump } = swell;
  const hzAt = (t: number) => {
    const partial = jump && t >= jump.atS && t < jump.atS + jump.lastsS ? jump.partial : 1;
    return swell.hz * partial * 2 ** (centsAt(swell, t) / 1200);
  };
  return { lengthS: swell.beats * swell.beatS, hzAt, levelDbAt: (t) => levelDbAt(swell, t) };
}

/** One unbroken tone whose pitch and level are known at every moment from its start. */
export interface KnownTone {
  readonly lengthS: number;
  readonly hzAt: (timeS: number) => number;
  readonly levelDbAt: (timeS: number) => number;
}

/** What a made microphone hears: nothing for a while, then the tone. */
export function hears(tone: KnownTone, leadS: number, rateHz = RATE_HZ): Partial<MadeSound> {
  return { samples: Buffer.from(toneSamples(tone, leadS, 0, rateHz).buffer).toString('base64'), rateHz };
}

/** Writes a tone as a 16-bit mono WAV. */
export function writeToneWav(path: string, tone: KnownTone, leadS: number, tailS: number, rateHz = RATE_HZ): void {
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, wavBytes(toneSamples(tone, leadS, tailS, rateHz), rateHz));
}

/**
 * 16-bit samples: `leadS` of faint noise, the tone, `tailS` of noise. The tone is a pulse of fixed harmonic
 * amplitudes read from a table by phase, not made by the stand-in player.
 */
export function toneSamples(tone: KnownTone, leadS: number, tailS: number, rateHz: number): Int16Array<ArrayBuffer> {
  const { lengthS } = tone;
  const samples = new Int16Array(Math.round((leadS + lengthS + tailS) * rateHz));
  const table = waveTable([0.5, 1, 0.7, 0.5, 0.35, 0.22, 0.14, 0.08]);
  let phase = 0;
  let seed = 12345;
  for (let i = 0; i < samples.length; i++) {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    const noise = (seed / 2 ** 32 - 0.5) * 6e-4;
    const t = i / rateHz - leadS;
    let value = 0;
    if (t >= 0 && t < lengthS) {
      phase += tone.hzAt(t) / rateHz;
      const edge = Math.min(1, t / 0.02, (lengthS - t) / 0.03);
      value = 10 ** (tone.levelDbAt(t) / 20) * edge * table[Math.floor((phase % 1) * table.length)]!;
    }
    samples[i] = Math.round(32767 * Math.max(-1, Math.min(1, value + noise)));
  }
  return samples;
}

/** One period with RMS 1. */
function waveTable(amplitudes: readonly number[]): Float64Array {
  const table = new Float64Array(8192);
  let squares = 0;
  for (let i = 0; i < table.length; i++) {
    amplitudes.forEach((a, k) => (table[i]! += a * Math.sin((2 * Math.PI * (k + 1) * i) / table.length + k)));
    squares += table[i]! ** 2;
  }
  return table.map((value) => value / Math.sqrt(squares / table.length));
}

function wavBytes(samples: Int16Array, rateHz: number): Buffer {
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + samples.byteLength, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(rateHz, 24);
  head.writeUInt32LE(rateHz * 2, 28);
  head.writeUInt16LE(2, 32);
  head.writeUInt16LE(16, 34);
  head.write('data', 36);
  head.writeUInt32LE(samples.byteLength, 40);
  return Buffer.concat([head, Buffer.from(samples.buffer)]);
}
