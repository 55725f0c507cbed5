const WINDOW_S = 0.05;
const SEARCH_S = 0.012;

/**
 * A sound made `factor` times as long at the same pitch: windows are laid over one another where they agree best (WSOLA,
 * W. Verhelst and M. Roelands 1993).
 * @throws RangeError when the factor is not from 1 to 4
 */
export function stretch(samples: Float32Array, sampleRateHz: number, factor: number): Float32Array<ArrayBuffer> {
  if (!(factor >= 1 && factor <= 4)) throw new RangeError(`factor must be from 1 to 4, got ${factor}`);
  const size = 2 * Math.round((WINDOW_S * sampleRateHz) / 2);
  const hop = size / 2;
  const reach = Math.round(SEARCH_S * sampleRateHz);
  if (samples.length < size + 2 * reach) return Float32Array.from(samples);
  const out = new Float32Array(Math.floor(samples.length * factor) + size);
  let last = 0;
  for (let at = 0; at + size < out.length; at += hop) {
    const wanted = Math.round(at / factor);
    // What would follow the last window by itself is what the next should resemble.
    const natural = last + hop;
    const from = at === 0 ? 0 : bestNear(samples, Math.min(wanted, samples.length - size - 1), natural, reach, hop);
    if (from + size >= samples.length) break;
    for (let i = 0; i < size; i++)
      out[at + i]! += samples[from + i]! * (0.5 - 0.5 * Math.cos((2 * Math.PI * i) / size));
    last = from;
  }
  return out.slice(0, Math.floor(samples.length * factor));
}

function bestNear(samples: Float32Array, wanted: number, natural: number, reach: number, length: number): number {
  if (natural + length >= samples.length) return wanted;
  let best = wanted;
  let most = -Infinity;
  for (
    let from = Math.max(0, wanted - reach);
    from <= Math.min(samples.length - length - 1, wanted + reach);
    from += 2
  ) {
    let agreement = 0;
    for (let i = 0; i < length; i += 4) agreement += samples[from + i]! * samples[natural + i]!;
    if (agreement > most) [most, best] = [agreement, from];
  }
  return best;
}
