import { emptyFrames, PARTIALS_KEPT, type Frames } from './frames';
import type { Harmonics } from './harmonics';

const FIRST_COUNT = 1024;

/**
 * What was measured of frames while they came in, so that the end need not measure them again. Kept with the coarse pitch
 * it was measured at: another decision about that frame makes it useless. Mutable; grows by doubling.
 */
export class DescribedFrames {
  private rows: Frames = emptyFrames(FIRST_COUNT);
  /** coarse pitch that a row was measured at, Hz; 0 where there is none */
  private coarseHz = new Float64Array(FIRST_COUNT);

  keep(index: number, coarseHz: number, harmonics: Harmonics, breathDb: number): void {
    if (index >= this.coarseHz.length) this.grow(2 * index);
    this.coarseHz[index] = coarseHz;
    write(this.rows, index, harmonics, breathDb);
  }

  /** Copies a row that was measured at this pitch; whether there was one. */
  copyTo(frames: Frames, index: number, coarseHz: number): boolean {
    if (index >= this.coarseHz.length || this.coarseHz[index] !== coarseHz) return false;
    for (const name of ['f0Hz', 'breathDb', 'centroidPartials', 'pitchErrorCents'] as const)
      frames[name][index] = this.rows[name][index]!;
    const from = index * PARTIALS_KEPT;
    frames.partialsDb.set(this.rows.partialsDb.subarray(from, from + PARTIALS_KEPT), from);
    return true;
  }

  private grow(count: number): void {
    const larger = emptyFrames(count);
    for (const name of ['f0Hz', 'breathDb', 'centroidPartials', 'pitchErrorCents', 'partialsDb'] as const)
      larger[name].set(this.rows[name]);
    this.rows = larger;
    const coarseHz = new Float64Array(count);
    coarseHz.set(this.coarseHz);
    this.coarseHz = coarseHz;
  }
}

/** Writes what was measured of a frame into its row. */
export function write(frames: Frames, index: number, harmonics: Harmonics, breathDb: number): void {
  frames.breathDb[index] = breathDb;
  frames.f0Hz[index] = harmonics.f0Hz;
  frames.centroidPartials[index] = harmonics.centroidPartials;
  frames.pitchErrorCents[index] = harmonics.pitchErrorCents;
  frames.partialsDb.set(harmonics.partialsDb, index * PARTIALS_KEPT);
}
