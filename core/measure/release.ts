import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { centsBetweenHz } from '@inner-hum/core/theory';
import { absent, measured, type Measured } from './measured';
import { median } from './statistics';
import { OWN_NOTE_CENTS, releaseStart, type ToneSpan } from './tone';

const FALL_DB = 20;
const LOOK_FRAMES = 100;
/** The pitch slip is looked for in the last 150 ms, against the 300 ms before them. */
const SLIP_FRAMES = 15;
const BEFORE_FRAMES = 30;
/** Noisier than this at the end, by more than this against before, the tone died into air, dB. */
const AIR_DB = -8;
const AIRIER_DB = 8;

/** How a tone ended. */
export interface Release {
  /** time from where it is let go until 20 dB lower, seconds */
  readonly fallS: Measured;
  /** median pitch of the last 150 ms less that of the 300 ms before, cents */
  readonly slipCents: Measured;
  /** what it turned into */
  readonly into: 'silence' | 'air' | 'partial';
}

export function release(frames: Frames, span: ToneSpan, targetHz: number): Release {
  const { f0Hz, levelDb, breathDb } = frames;
  const letGo = releaseStart(frames, span);
  const levels = levelDb.subarray(Math.max(span.start, letGo - SLIP_FRAMES), letGo);
  let fallS = absent('noRelease');
  if (levels.length >= 5) {
    const from = median(levels);
    for (let i = letGo; i < Math.min(frames.count, letGo + LOOK_FRAMES); i++) {
      if (from - levelDb[i]! < FALL_DB) continue;
      fallS = measured((i - letGo) * HOP_S, 1.5 * HOP_S);
      break;
    }
  }
  const own = (from: number, to: number) => {
    const rows: number[] = [];
    for (let i = Math.max(span.start, from); i < to; i++)
      if (f0Hz[i]! > 0 && Math.abs(centsBetweenHz(targetHz, f0Hz[i]!)) <= OWN_NOTE_CENTS) rows.push(i);
    return rows;
  };
  const last = own(span.end - SLIP_FRAMES, span.end);
  const before = own(span.end - SLIP_FRAMES - BEFORE_FRAMES, span.end - SLIP_FRAMES);
  const cents = (rows: number[]) => median(rows.map((i) => centsBetweenHz(targetHz, f0Hz[i]!)));
  const enough = last.length >= 5 && before.length >= 10;
  const noise = (rows: number[]) => median(rows.map((i) => breathDb[i]!));
  const elsewhere = f0Hz.subarray(Math.max(span.start, span.end - 5), span.end).every((hz) => {
    return hz > 0 && Math.abs(centsBetweenHz(targetHz, hz)) > OWN_NOTE_CENTS;
  });
  const airy = enough && noise(last) > AIR_DB && noise(last) - noise(before) > AIRIER_DB;
  return {
    fallS,
    slipCents: enough ? measured(cents(last) - cents(before), 2) : absent('tooShort'),
    into: elsewhere ? 'partial' : airy ? 'air' : 'silence',
  };
}
