import { HOP_S, type Attack, type Frames } from '@inner-hum/core/signal';
import { absent, measured, type Measured } from './measured';
import { median } from './statistics';
import type { ToneSpan } from './tone';

/** Standard error of a tone's onset as the ear finds it (docs/bench.md), seconds. */
export const ONSET_ERROR_S = 0.005;
/** Standard error of the first breath, which rises out of the room by degrees, seconds. */
const BREATH_ERROR_S = 0.012;

/** Breath stands out of the room by this much, dB; quieter than this no room is, dBFS: as the ear looks for it. */
const HEARD_DB = 5;
const FAINTEST_ROOM_DB = -75;
/** The room is listened to over this time before the tone, and the tone's own breath over this of it, frames. */
const ROOM_FRAMES = 50;
const BREATH_FRAMES = 40;
/** Error of the tone's own breath level, dB. */
const BREATH_LEVEL_DB = 2;

/**
 * Response: tone onset less breath onset, seconds; 0 when no breath came before. Absent when the breath of so soft a tone
 * would not be heard in this room: then nothing heard before it means nothing.
 */
export function responseS(attack: Attack | undefined, frames: Frames, span: ToneSpan): Measured {
  if (!attack) return absent('noAttack');
  const silent = attack.onsetS - attack.breathS <= 0;
  if (silent && !wouldHearBreath(frames, span)) return absent('breathUnheard');
  return measured(attack.onsetS - attack.breathS, Math.hypot(ONSET_ERROR_S, BREATH_ERROR_S));
}

function wouldHearBreath({ f0Hz, levelDb, breathDb }: Frames, span: ToneSpan): boolean {
  const room: number[] = [];
  for (let i = Math.max(0, span.start - ROOM_FRAMES); i < span.start - 2; i++)
    if (f0Hz[i] === 0) room.push(levelDb[i]!);
  const own: number[] = [];
  for (let i = span.start + 5; i < Math.min(span.end, span.start + BREATH_FRAMES); i++)
    own.push(levelDb[i]! + breathDb[i]!);
  if (room.length === 0 || own.length === 0) return false;
  return median(own) - BREATH_LEVEL_DB > Math.max(FAINTEST_ROOM_DB, median(room)) + HEARD_DB;
}

/** Rise: from 10 to 90 % of the settled amplitude, seconds. */
export function riseS(attack: Attack | undefined): Measured {
  return attack ? measured(attack.riseS, 0.003 + 0.1 * attack.riseS) : absent('noAttack');
}

/** For how long the octave below sounded with the tone at first, seconds; 0 when it did not. */
export function octaveBelowS(attack: Attack | undefined): Measured {
  return attack?.octaveBelowS === undefined ? absent('noAttack') : measured(attack.octaveBelowS, HOP_S);
}
