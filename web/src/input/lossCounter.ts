/** Shorter runs of zeros happen in clean sound, samples. */
const LEAST_RUN = 64;
/** Longer ones are silence that was meant, seconds. */
const LONGEST_RUN_S = 3;

/**
 * Counts sound that the device lost: runs of exact zeros between sounding samples. A real input always carries noise,
 * so zeros are the device's, never the player's.
 */
export class LossCounter {
  lostSamples = 0;
  private run = 0;
  private heard = false;

  constructor(private readonly sampleRateHz: number) {}

  count(samples: Float32Array): void {
    for (const sample of samples) {
      if (sample === 0) {
        this.run++;
        continue;
      }
      if (this.heard && this.run >= LEAST_RUN && this.run <= LONGEST_RUN_S * this.sampleRateHz)
        this.lostSamples += this.run;
      this.heard = true;
      this.run = 0;
    }
  }
}
