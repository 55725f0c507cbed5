import { readdirSync, readFileSync } from 'node:fs';
import { readWav } from '@inner-hum/core/formats';
import { midiToHz } from '@inner-hum/core/theory';
import { quantile, type Answer } from './score';

const FOLDER = 'node_modules/tonejs-instrument-saxophone-wav';
/** Ends of a recording, where it is faded, are left out, frames. */
const EDGE_FRAMES = 5;

/** A recorded saxophone tone of known name (the samples of a development dependency, CC BY 3.0). */
export interface Recording {
  readonly samples: Float32Array;
  readonly sampleRateHz: number;
  readonly soundingHz: number;
}

export function recordings(): Recording[] {
  return readdirSync(FOLDER)
    .filter((name) => name.endsWith('.wav'))
    .map((name) => {
      const read = readWav(readFileSync(`${FOLDER}/${name}`));
      if (read.kind === 'refused') throw new Error(`${name}: ${read.detail}`);
      return { ...read.sound, soundingHz: midiToHz(midiOf(name), 440) };
    });
}

/** Sounding MIDI number of a file name such as Fs4.wav, s for sharp. */
function midiOf(name: string): number {
  const [, letter, sharp, octave] = /^([A-G])(s?)(\d)\.wav$/.exec(name) ?? [];
  if (!letter) throw new Error(`${name} does not name a note`);
  return 12 * (Number(octave) + 1) + { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }[letter]! + (sharp ? 1 : 0);
}

/** Sums over recordings. A frame is right within 50 cents of the named note: nothing finer is known of it. */
export interface RecordedTally {
  frames: number;
  missed: number;
  gross: number;
  /** how far the pitch moves from frame to frame, cents */
  readonly steps: number[];
}

export function addRecording(tally: RecordedTally, { soundingHz }: Recording, { f0Hz }: Answer): void {
  for (let i = EDGE_FRAMES; i < f0Hz.length - EDGE_FRAMES; i++) {
    tally.frames++;
    const hz = f0Hz[i]!;
    if (!(hz > 0)) tally.missed++;
    else if (Math.abs(1200 * Math.log2(hz / soundingHz)) > 50) tally.gross++;
    else if (f0Hz[i - 1]! > 0) tally.steps.push(Math.abs(1200 * Math.log2(hz / f0Hz[i - 1]!)));
  }
}

export function recordedFigures({ frames, missed, gross, steps }: RecordedTally): string[] {
  const percent = (part: number) => ((100 * part) / frames).toFixed(3);
  return [percent(gross), percent(missed), quantile(steps, 0.5).toFixed(2), quantile(steps, 0.95).toFixed(2)];
}
