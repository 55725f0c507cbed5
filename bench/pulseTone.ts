import { HOP_S, RATE_HZ, type Tone } from './benchCase';
import type { BenchRandom } from './random';
import { wandering } from './wander';

export function addPulseTone(
  out: Float64Array,
  f0: Float64Array,
  voiced: Int8Array,
  tone: Tone,
  random: BenchRandom,
): void {
  const start = Math.round(tone.startS * RATE_HZ);
  const end = Math.min(out.length, Math.round(tone.endS * RATE_HZ));
  const length = end - start;
  const buffer = new Float64Array(length);
  const attack = tone.attackS ?? 0.02;
  const release = tone.releaseS ?? 0.03;
  const jitter = tone.jitterCents ?? 4;
  let wander = random.normal() * jitter;
  let wanderTarget = wander;
  let ripple = 0;
  let period = -1;
  let shimmer = 0;
  let phase = random.uniform();
  let tubePhase = random.uniform();
  const step = Math.round(HOP_S * RATE_HZ);
  const strays = tone.wanders && wandering(tone.wanders, random);
  const rho = Math.exp(-1 / (2 * Math.max(1, jitter * jitter)));
  for (let i = 0; i < length; i++) {
    if (i % step === 0) {
      wander = wanderTarget;
      wanderTarget = rho * wander + jitter * Math.sqrt(1 - rho * rho) * random.normal();
      ripple = 0.7 * ripple + 0.25 * random.normal();
    }
    const t = i / RATE_HZ;
    const blend = (i % step) / step;
    let cents = wander + (wanderTarget - wander) * blend;
    if (strays) cents += strays(t);
    if (tone.vibrato) cents += tone.vibrato.cents * Math.sin(2 * Math.PI * tone.vibrato.hz * t);
    const hz = tone.hz * 2 ** (cents / 1200);
    const remaining = (length - i) / RATE_HZ;
    const fade = remaining < release ? 0.5 - 0.5 * Math.cos((Math.PI * remaining) / release) : 1;
    const rise = t < attack ? 0.5 - 0.5 * Math.cos((Math.PI * t) / attack) : 1;
    const envelope = fade * rise * (tone.shape?.(i / length) ?? 1) * 10 ** (ripple / 20);
    phase += hz / RATE_HZ;
    const kappa = tone.brightness * (0.4 + 0.6 * (tone.shape?.(i / length) ?? 1));
    let value = Math.exp(kappa * (Math.cos(2 * Math.PI * phase) - 1)) - meanOfPulse(kappa);
    if (tone.residue) {
      tubePhase += hz / tone.residue.partial / RATE_HZ;
      value += 10 ** (tone.residue.db / 20) * (Math.exp(8 * (Math.cos(2 * Math.PI * tubePhase) - 1)) - meanOfPulse(8));
    }
    if (tone.doubling) value *= 1 + doublingAt(tone.doubling, t) * Math.cos(Math.PI * phase);
    if (tone.shimmer) {
      if (Math.floor(phase) !== period) shimmer = tone.shimmer * random.normal();
      period = Math.floor(phase);
      value *= 1 + shimmer;
    }
    buffer[i] = value * envelope;
    const absolute = start + i;
    if (absolute % step === 0) {
      const frame = absolute / step;
      const loud = fade * rise;
      f0[frame] = hz;
      voiced[frame] = loud > 0.1 ? 1 : -1;
    }
  }
  holdFundamentalDown(buffer, tone);
  resonate(buffer, tone.hz);
  scaleTo(buffer, tone.amplitude);
  const air = airOf(tone, length, buffer, random);
  for (let i = 0; i < length; i++) out[start + i]! += buffer[i]!;
  for (let i = 0; i < air.noise.length; i++) {
    const at = start - air.lead + i;
    if (at >= 0 && at < out.length) out[at]! += air.noise[i]!;
  }
  // Where one tone follows another within a frame, either pitch is right.
  const first = Math.round(tone.startS / HOP_S);
  const last = Math.round(tone.endS / HOP_S);
  for (const edge of [first, last])
    for (let f = edge - 1; f <= edge + 1; f++) if (f >= 0 && f < voiced.length) voiced[f] = -1;
}

/** Full at first, gone at the end, for a doubling that lasts; one of the attack falls all the way. */
function doublingAt({ share, fromS, forS }: NonNullable<Tone['doubling']>, atS: number): number {
  const place = (atS - fromS) / forS;
  if (place < 0 || place > 1) return 0;
  return fromS === 0 ? share * (1 - place) : share * Math.sin(Math.PI * place) ** 0.5;
}

export function meanOfPulse(kappa: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; k < 60; k++) {
    term *= (kappa / (2 * k)) ** 2;
    sum += term;
  }
  return sum * Math.exp(-kappa);
}

function holdFundamentalDown(buffer: Float64Array, tone: Tone): void {
  const down = tone.fundamentalDownDb ?? 0;
  if (down <= 0) return;
  // A notch on the fundamental, as deep as wanted: mix of the sound and its notched copy.
  const omega = (2 * Math.PI * tone.hz) / RATE_HZ;
  const r = 1 - omega * 0.35;
  const keep = 10 ** (-down / 20);
  let x1 = 0;
  let x2 = 0;
  let y1 = 0;
  let y2 = 0;
  for (let i = 0; i < buffer.length; i++) {
    const x = buffer[i]!;
    const y = x - 2 * Math.cos(omega) * x1 + x2 + 2 * r * Math.cos(omega) * y1 - r * r * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    buffer[i] = y + keep * (x - y);
  }
}

function resonate(buffer: Float64Array, hz: number): void {
  for (const [centre, gain] of [
    [Math.max(700, 2.5 * hz), 1.2],
    [2300, 0.6],
  ] as const) {
    const omega = (2 * Math.PI * centre) / RATE_HZ;
    const r = 0.97;
    let y1 = 0;
    let y2 = 0;
    for (let i = 0; i < buffer.length; i++) {
      const y = (1 - r) * buffer[i]! + 2 * r * Math.cos(omega) * y1 - r * r * y2;
      [y2, y1] = [y1, y];
      buffer[i]! += gain * y;
    }
  }
}

function scaleTo(buffer: Float64Array, amplitude: number): void {
  let peak = 0;
  for (const value of buffer) peak = Math.max(peak, Math.abs(value));
  if (peak > 0) for (let i = 0; i < buffer.length; i++) buffer[i]! *= amplitude / peak;
}

function airOf(tone: Tone, length: number, buffer: Float64Array, random: BenchRandom) {
  const lead = Math.round((tone.airBeforeS ?? 0) * RATE_HZ);
  if (tone.breathDb === undefined) return { lead: 0, noise: new Float64Array(0) };
  let power = 0;
  for (const value of buffer) power += value * value;
  const target = Math.sqrt(power / length) * 10 ** (tone.breathDb / 20);
  const noise = new Float64Array(lead + length);
  let low = 0;
  let high = 0;
  let sum = 0;
  for (let i = 0; i < noise.length; i++) {
    low += 0.35 * (random.normal() - low);
    high += 0.03 * (low - high);
    noise[i] = low - high;
    sum += noise[i]! ** 2;
  }
  const gain = target / Math.sqrt(sum / noise.length);
  const ramp = 0.05 * RATE_HZ;
  for (let i = 0; i < noise.length; i++) noise[i]! *= gain * Math.min(1, i / ramp, (noise.length - i) / ramp);
  return { lead, noise };
}
