import { RATE_HZ, type SummedTone } from './benchCase';
import type { BenchRandom } from './random';
import { wandering } from './wander';

/** Sizes of a subtone's partials, the first as 0 dB. */
const PARTIALS_DB = [0, -12, -22, -30, -36] as const;
/** How far the pitch wanders in a tenth of a second, cents, and what of it stays for the next. */
const WANDER_CENTS = 4;
const WANDER_STAYS = 0.6;

/**
 * Another way to make a tone than pulses through filters: partials summed period by period, so that the ear is not tried
 * on one maker's noise alone.
 * @returns the pitch that a listener follows (without the periods' own jitter), Hz, by sample of the tone
 */
export function addSummedTone(
  out: Float64Array,
  tone: SummedTone,
  amplitude: number,
  random: BenchRandom,
): Float64Array {
  const start = Math.round(tone.startS * RATE_HZ);
  const length = Math.round((tone.endS - tone.startS) * RATE_HZ);
  const sizes = PARTIALS_DB.map((db) => 10 ** (db / 20));
  const hz = new Float64Array(length);
  const strays = tone.wanders && wandering(tone.wanders, random);
  const voice = new Float64Array(length);
  const breath = new Float64Array(length);
  let [phase, period, wander, target, low, high] = [random.uniform(), -1, 0, 0, 0, 0];
  let [last, next] = [
    { size: 1, cents: 0 },
    { size: 1, cents: 0 },
  ];
  for (let i = 0; i < length; i++) {
    if (Math.floor(phase) !== period) {
      period = Math.floor(phase);
      last = next;
      next = { size: Math.max(0.2, 1 + tone.shimmer * random.normal()), cents: tone.jitterCents * random.normal() };
    }
    if (i % Math.round(0.1 * RATE_HZ) === 0) target = WANDER_STAYS * target + WANDER_CENTS * random.normal();
    wander += (target - wander) / 2000;
    hz[i] = tone.hz * 2 ** ((wander + (strays?.(i / RATE_HZ) ?? 0)) / 1200);
    const blend = 0.5 - 0.5 * Math.cos(Math.PI * (phase - period));
    phase += (hz[i]! * 2 ** ((last.cents + (next.cents - last.cents) * blend) / 1200)) / RATE_HZ;
    const wave = sizes.reduce((sum, size, k) => sum + size * Math.sin(2 * Math.PI * (k + 1) * phase + k), 0);
    voice[i] = (last.size + (next.size - last.size) * blend) * wave;
    low += 0.35 * (random.normal() - low);
    high += 0.03 * (low - high);
    breath[i] = (low - high) * (1 + tone.breathPulse * Math.sin(2 * Math.PI * phase));
  }
  const air = Math.sqrt(power(voice) / power(breath)) * 10 ** (tone.breathDb / 20);
  const edge = 0.03 * RATE_HZ;
  for (let i = 0; i < length; i++)
    out[start + i]! += amplitude * Math.min(1, i / edge, (length - i) / edge) * (voice[i]! + air * breath[i]!);
  return hz;
}

function power(values: Float64Array): number {
  return values.reduce((sum, value) => sum + value * value, 0);
}
