const TAPS = 16;
const PHASES = 512;
/** Of the Kaiser window: side lobes 80 dB down. */
const BETA = 8;

/** Reads a sound between its samples by a windowed sinc of 32 taps; silence beyond its ends. */
export class SincReader {
  private static readonly table = sincTable();

  constructor(private readonly samples: Float32Array) {}

  at(place: number): number {
    const { samples } = this;
    const whole = Math.floor(place);
    const phase = (place - whole) * PHASES;
    const row = Math.floor(phase);
    const share = phase - row;
    const from = whole - TAPS + 1;
    const { table } = SincReader;
    const a = row * 2 * TAPS;
    let sum = 0;
    for (let k = Math.max(0, -from); k < Math.min(2 * TAPS, samples.length - from); k++) {
      const weight = table[a + k]! + share * (table[a + 2 * TAPS + k]! - table[a + k]!);
      sum += weight * samples[from + k]!;
    }
    return sum;
  }
}

function sincTable(): Float32Array {
  const table = new Float32Array((PHASES + 1) * 2 * TAPS);
  for (let row = 0; row <= PHASES; row++)
    for (let k = 0; k < 2 * TAPS; k++) {
      const x = k - TAPS + 1 - row / PHASES;
      const sinc = x === 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
      const inside = Math.max(0, 1 - (x / TAPS) ** 2);
      table[row * 2 * TAPS + k] = (sinc * bessel0(BETA * Math.sqrt(inside))) / bessel0(BETA);
    }
  return table;
}

/** Modified Bessel function of order 0, by its series. */
function bessel0(x: number): number {
  let sum = 1;
  for (let k = 1, term = 1; term > 1e-9 * sum; k++) {
    term *= (x / 2 / k) ** 2;
    sum += term;
  }
  return sum;
}
