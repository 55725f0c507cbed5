import { CANDIDATES_KEPT, type Candidates } from './candidates';
import { SampleStore } from './sampleStore';

/** Worth of calling a frame toneless; a candidate must beat it to be a tone. Our choice, from the bench. */
const TONELESS_WORTH = 0.5;
/** Cost of a change of one octave between neighbouring frames. */
const JUMP_COST_PER_OCTAVE = 0.35;
/** No change costs more than this, so that a real leap is still taken at once. */
const JUMP_COST_MAX = 0.5;
/** Cost of starting or ending a tone. */
const VOICING_COST = 0.14;

const STATES = CANDIDATES_KEPT + 1;
const TONELESS = CANDIDATES_KEPT;

/**
 * Decides the pitch candidates of all frames together: the path with the best sum of worths less the cost of its
 * changes. Source: the dynamic programming of Boersma 1993 §3.1 (after G. D. Forney 1973); constants are ours.
 */
export class PitchPath {
  private readonly hz: SampleStore;
  private readonly strength: SampleStore;
  private readonly back: SampleStore;
  private scores = new Float64Array(STATES);
  private nextScores = new Float64Array(STATES);
  private readonly previousOctavesDown = new Float64Array(CANDIDATES_KEPT);
  private readonly backRow = new Float32Array(STATES);
  private previousCount = 0;
  private frames = 0;

  constructor(retainFrames = Infinity) {
    this.hz = new SampleStore(retainFrames * CANDIDATES_KEPT, 1 << 13);
    this.strength = new SampleStore(retainFrames * CANDIDATES_KEPT, 1 << 13);
    this.back = new SampleStore(retainFrames * STATES, 1 << 13);
  }

  get length(): number {
    return this.frames;
  }

  /** Adds a frame with its candidates; `mute` forbids a tone. */
  push({ hz, octavesDown, strength, worth, count }: Candidates, mute: boolean): void {
    const { scores, nextScores, previousOctavesDown, backRow } = this;
    let best = -Infinity;
    for (let to = 0; to <= CANDIDATES_KEPT; to++) {
      const toneless = to === TONELESS;
      if (!toneless && (mute || to >= count)) {
        nextScores[to] = -Infinity;
        backRow[to] = TONELESS;
        continue;
      }
      let bestFrom = TONELESS;
      let bestScore = scores[TONELESS]! - (toneless ? 0 : VOICING_COST);
      for (let from = 0; from < this.previousCount; from++) {
        const cost = toneless ? VOICING_COST : jumpCost(previousOctavesDown[from]! - octavesDown[to]!);
        const score = scores[from]! - cost;
        if (score > bestScore) {
          bestScore = score;
          bestFrom = from;
        }
      }
      nextScores[to] = bestScore + (toneless ? TONELESS_WORTH : worth[to]!);
      backRow[to] = bestFrom;
      best = Math.max(best, nextScores[to]!);
    }
    for (let state = 0; state < STATES; state++) nextScores[state]! -= best;
    for (let i = 0; i < CANDIDATES_KEPT; i++) {
      this.hz.push(i < count ? hz[i]! : 0);
      this.strength.push(i < count ? strength[i]! : 0);
    }
    previousOctavesDown.set(octavesDown);
    this.back.append(backRow);
    this.previousCount = mute ? 0 : count;
    [this.scores, this.nextScores] = [nextScores, scores];
    this.frames++;
  }

  /**
   * The state that the best path to the newest frame takes `lag` frames before it.
   * @returns candidate index or −1 for no tone
   */
  decide(lag: number): number {
    let state = this.bestState();
    for (let frame = this.frames - 1; frame > this.frames - 1 - lag; frame--) state = this.backOf(frame, state);
    return state === TONELESS ? -1 : state;
  }

  /** The whole best path: one candidate index or −1 for each frame. */
  decideAll(): Int8Array {
    const out = new Int8Array(this.frames);
    let state = this.bestState();
    for (let frame = this.frames - 1; frame >= 0; frame--) {
      out[frame] = state === TONELESS ? -1 : state;
      state = this.backOf(frame, state);
    }
    return out;
  }

  candidateHz(frame: number, candidate: number): number {
    return this.hz.at(frame * CANDIDATES_KEPT + candidate);
  }

  candidateStrength(frame: number, candidate: number): number {
    return this.strength.at(frame * CANDIDATES_KEPT + candidate);
  }

  private backOf(frame: number, state: number): number {
    return this.back.at(frame * STATES + state);
  }

  private bestState(): number {
    let best = TONELESS;
    for (let state = 0; state < STATES; state++) if (this.scores[state]! > this.scores[best]!) best = state;
    return best;
  }
}

function jumpCost(octaves: number): number {
  return Math.min(JUMP_COST_MAX, JUMP_COST_PER_OCTAVE * Math.abs(octaves));
}
