import { HOP_S, type Attack } from './frames';
import { powerAt } from './goertzel';
import { hann } from './window';

/** Envelope: RMS of 3 ms, one value a millisecond. */
const STEP_S = 0.001;
const HALF_WINDOW_S = 0.0015;
/** Where an onset is looked for around the frame it was first seen in, seconds. */
const BEFORE_S = 0.09;
const AFTER_S = 0.13;
/** The tone has begun when its envelope comes this near to its settled size, dB, */
const BELOW_SETTLED_DB = 30;
/** and stands this far out of what was there before, dB. */
const ABOVE_FLOOR_DB = 6;
/** With less than this between tone and floor the envelope can't tell, and the tone's own partials are followed, dB. */
const LEAST_CONTRAST_DB = 13;
/** A hard start comes this near to its settled size within half a window in which those are followed, dB. */
const HARD_START_DB = 2;
/** So many of them, under a window as long as this, seconds, each so often. */
const FOLLOWED_PARTIALS = 3;
const FOLLOWED_HALF_S = 0.02;
const FOLLOWED_STEP_S = 0.005;
/** Before its tone the breath alone is heard in them from and to these times before the frame, seconds. */
const BREATH_FROM_S = 0.32;
const BREATH_TO_S = 0.14;
/** They stand out of that breath at so many times its power. */
const OUT_OF_BREATH = 2;
/** With fewer readings of it than this the frame's own time stands. */
const LEAST_BREATH_COUNT = 5;

/** How far back breath is looked for; its envelope is coarser: RMS of 10 ms, one value each 2 ms. */
const BREATH_REACH_S = 1.5;
const BREATH_STEP_S = 0.002;
const BREATH_HALF_S = 0.005;
/** Breath stands out of the room by this much, dB, and may dip below that for this long. */
const BREATH_ABOVE_DB = 5;
const BREATH_DIP_S = 0.03;
/** Quieter than this no room is, whatever digital silence comes before a recording, RMS (−75 dBFS). */
const FAINTEST_ROOM = 1.8e-4;
/** Nearer to the onset than this, noise is the attack itself, seconds. */
const LEAST_BREATH_S = 0.015;

/** Size of a settled tone is taken over this stretch after its onset, seconds. */
const SETTLED_FROM_S = 0.08;
const SETTLED_TO_S = 0.2;
const RISE_REACH_S = 0.5;
/** All of that, with half a window beside it, lies between these times before and after the frame, seconds. */
const EDGE_S = 0.1;
const ENVELOPE_FROM_S = BREATH_REACH_S + BREATH_FROM_S + EDGE_S;
const ENVELOPE_TO_S = RISE_REACH_S + AFTER_S + EDGE_S;

/**
 * How a tone began, to a few milliseconds. Our choice throughout.
 * @param frame the first frame in which the tone was decided
 * @param hz its pitch there
 * @param silentFromS end of the tone before it: breath is not looked for earlier
 */
export function attackOf(
  sound: Float32Array,
  sampleRateHz: number,
  frame: number,
  hz: number,
  silentFromS: number,
): Attack {
  const coarseS = frame * HOP_S;
  const fromS = Math.max(coarseS - ENVELOPE_FROM_S, Math.min(silentFromS, coarseS - BEFORE_S) - EDGE_S);
  const power = new RunningPower(sound, sampleRateHz, fromS, coarseS + ENVELOPE_TO_S);
  const onsetS = onsetTimeS(power, coarseS, hz, silentFromS);
  return { onsetS, breathS: breathTimeS(power, onsetS, silentFromS), riseS: riseTimeS(power, onsetS, hz) };
}

/** The first moment from which the envelope stays up, dips within a period of the tone aside. */
function onsetTimeS(power: RunningPower, coarseS: number, hz: number, silentFromS: number): number {
  const count = Math.round((BEFORE_S + AFTER_S) / STEP_S);
  const envelope = Float64Array.from({ length: count }, (_, i) =>
    power.rms(coarseS - BEFORE_S + i * STEP_S, HALF_WINDOW_S),
  );
  const index = (atS: number) => Math.round((atS + BEFORE_S) / STEP_S);
  const settled = upper(envelope.subarray(index(0.04)), 0.6);
  const floor = upper(envelope.subarray(0, index(-0.05)), 0.8);
  if (settled < floor * 10 ** (LEAST_CONTRAST_DB / 20)) return onsetUnderBreathS(power, coarseS, hz, silentFromS);
  const threshold = Math.max(settled * 10 ** (-BELOW_SETTLED_DB / 20), floor * 10 ** (ABOVE_FLOOR_DB / 20));
  const longestDip = Math.ceil(1.1 / hz / STEP_S) + 2;
  let first = 0;
  while (first < index(0.06) && !staysUp(envelope, first, threshold, longestDip)) first++;
  const onsetS = first < index(0.06) ? coarseS - BEFORE_S + first * STEP_S : coarseS;
  // A hard start needs no more; a soft one stood out of its breath in its partials before its whole did.
  if (envelope[first + FOLLOWED_HALF_S / STEP_S]! > settled * 10 ** (-HARD_START_DB / 20)) return onsetS;
  const followedS = onsetUnderBreathS(power, onsetS, hz, silentFromS);
  return followedS < onsetS - FOLLOWED_HALF_S ? followedS : onsetS;
}

/** Back from the frame for as long as the tone's partials stand out of the breath that was there before it. */
function onsetUnderBreathS(running: RunningPower, seenS: number, hz: number, silentFromS: number): number {
  const power = (atS: number) => powerOfPartials(running.sound, running.sampleRateHz, atS, hz);
  const breathS = breathTimeS(running, seenS, silentFromS);
  const fromS = Math.max(breathS + FOLLOWED_HALF_S, seenS - BREATH_FROM_S);
  const count = Math.floor((seenS - BREATH_TO_S - fromS) / FOLLOWED_STEP_S);
  if (count < LEAST_BREATH_COUNT) return seenS;
  const breath = upper(
    Float64Array.from({ length: count }, (_, i) => power(fromS + i * FOLLOWED_STEP_S)),
    0.5,
  );
  let onsetS = seenS;
  while (onsetS > fromS && power(onsetS - FOLLOWED_STEP_S) > OUT_OF_BREATH * breath) onsetS -= FOLLOWED_STEP_S;
  return onsetS;
}

/** Power of the first partials of `hz` around a moment. */
function powerOfPartials(sound: Float32Array, sampleRateHz: number, atS: number, hz: number): number {
  const weight = hann(Math.round(FOLLOWED_HALF_S * sampleRateHz));
  const from = Math.round(atS * sampleRateHz) - (weight.length >> 1);
  const weighted = weight.map((value, i) => value * (sound[from + i] ?? 0));
  let power = 0;
  for (let partial = 1; partial <= FOLLOWED_PARTIALS; partial++)
    power += powerAt(weighted, (partial * hz) / sampleRateHz);
  return power;
}

function breathTimeS(power: RunningPower, onsetS: number, silentFromS: number): number {
  const fromS = Math.max(silentFromS, onsetS - BREATH_REACH_S, 0);
  const count = Math.floor((onsetS - LEAST_BREATH_S - fromS) / BREATH_STEP_S);
  if (count < 20) return onsetS;
  const envelope = Float64Array.from({ length: count }, (_, i) => power.rms(fromS + i * BREATH_STEP_S, BREATH_HALF_S));
  const threshold = Math.max(upper(envelope, 0.1), FAINTEST_ROOM) * 10 ** (BREATH_ABOVE_DB / 20);
  let first = count;
  for (let i = count - 1; i >= 0 && first - i <= BREATH_DIP_S / BREATH_STEP_S; i--)
    if (envelope[i]! > threshold) first = i;
  return first < count ? fromS + first * BREATH_STEP_S : onsetS;
}

function riseTimeS(power: RunningPower, onsetS: number, hz: number): number {
  // A window of one period, so that the wave itself is no ripple of the envelope.
  const half = Math.max(HALF_WINDOW_S, 0.5 / hz);
  const at = (timeS: number) => power.rms(timeS, half);
  const settled = upper(
    Float64Array.from({ length: 25 }, (_, i) =>
      at(onsetS + SETTLED_FROM_S + (i * (SETTLED_TO_S - SETTLED_FROM_S)) / 24),
    ),
    0.5,
  );
  const reach = (share: number, fromS: number) => {
    let timeS = fromS;
    while (timeS < onsetS + RISE_REACH_S && at(timeS) < share * settled) timeS += STEP_S;
    return timeS;
  };
  const tenthS = reach(0.1, onsetS - 0.02);
  return reach(0.9, tenthS) - tenthS;
}

function staysUp(envelope: Float64Array, from: number, threshold: number, longestDip: number): boolean {
  if (envelope[from]! < threshold) return false;
  let dip = 0;
  for (let i = from; i < Math.min(envelope.length, from + 50); i++) {
    dip = envelope[i]! < threshold ? dip + 1 : 0;
    if (dip > longestDip) return false;
  }
  return true;
}

/** Squares of a stretch of sound added up as they come, so that each mean over a part of it takes two readings. */
class RunningPower {
  private readonly from: number;
  /** sum of the squares before each sample of the stretch */
  private readonly before: Float64Array;

  constructor(
    readonly sound: Float32Array,
    readonly sampleRateHz: number,
    fromS: number,
    toS: number,
  ) {
    this.from = Math.max(0, Math.floor(fromS * sampleRateHz));
    const count = Math.max(0, Math.min(sound.length, Math.ceil(toS * sampleRateHz)) - this.from);
    this.before = new Float64Array(count + 1);
    let sum = 0;
    for (let i = 0; i < count; i++) {
      sum += sound[this.from + i]! * sound[this.from + i]!;
      this.before[i + 1] = sum;
    }
  }

  /** Root of the mean square around a moment; 0 outside the sound. */
  rms(atS: number, halfS: number): number {
    const last = this.before.length - 1;
    const from = Math.max(0, Math.round((atS - halfS) * this.sampleRateHz) - this.from);
    const to = Math.min(last, Math.round((atS + halfS) * this.sampleRateHz) - this.from);
    return to > from ? Math.sqrt((this.before[to]! - this.before[from]!) / (to - from)) : 0;
  }
}

function upper(values: Float64Array, share: number): number {
  return values.slice().sort()[Math.floor(share * (values.length - 1))] ?? 0;
}
