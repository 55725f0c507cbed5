/** Pitch candidates kept for each frame. */
export const CANDIDATES_KEPT = 8;

/** How much a candidate loses for each octave it lies lower: two periods correlate as well as one. */
const OCTAVE_COST = 0.015;
/**
 * A period that correlates hardly better than a division of it is a multiple of the true one: a sounded overtone over
 * the faint partials of its whole tube. Below this gain it loses up to the cost. A low note whose odd partials lie 10 dB
 * under the even ones still gains 0.18; the tube's rest 15 dB under an overtone gains 0.06.
 */
const DIVISION_GAIN = 0.12;
const DIVISION_COST = 0.2;

/** Candidates of one frame, best worth first. Mutable and reused. */
export class Candidates {
  count = 0;
  readonly hz = new Float64Array(CANDIDATES_KEPT);
  /** how far they lie under 2800 Hz, octaves */
  readonly octavesDown = new Float64Array(CANDIDATES_KEPT);
  /** periodicity, up to 1 */
  readonly strength = new Float64Array(CANDIDATES_KEPT);
  /** periodicity less the costs of being low and of being a multiple */
  readonly worth = new Float64Array(CANDIDATES_KEPT);

  clear(): void {
    this.count = 0;
  }

  /** @param gain how much better this period correlates than the best division of it */
  add(hz: number, strength: number, gain: number): void {
    const multiple = DIVISION_COST * Math.max(0, 1 - Math.max(0, gain) / DIVISION_GAIN);
    const octavesDown = Math.log2(2800 / hz);
    const worth = strength - OCTAVE_COST * octavesDown - multiple;
    let place = this.count;
    while (place > 0 && this.worth[place - 1]! < worth) place--;
    if (place >= CANDIDATES_KEPT) return;
    for (let at = Math.min(this.count, CANDIDATES_KEPT - 1); at > place; at--) {
      this.hz[at] = this.hz[at - 1]!;
      this.octavesDown[at] = this.octavesDown[at - 1]!;
      this.strength[at] = this.strength[at - 1]!;
      this.worth[at] = this.worth[at - 1]!;
    }
    this.hz[place] = hz;
    this.octavesDown[place] = octavesDown;
    this.strength[place] = strength;
    this.worth[place] = worth;
    this.count = Math.min(this.count + 1, CANDIDATES_KEPT);
  }
}
