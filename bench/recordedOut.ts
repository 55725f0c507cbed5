/** Sound that recorded notes are laid into, and what a player does between them. Times in seconds. */
export class RecordedOut {
  private noise = 12345;
  private low = 0;

  constructor(
    readonly samples: Float32Array,
    private readonly sampleRateHz: number,
    private readonly beatS: number,
    private readonly leadS: number,
  ) {}

  /** A room without anything in it. */
  static silent(sampleRateHz: number, lengthS: number): RecordedOut {
    const out = new RecordedOut(new Float32Array(Math.round(lengthS * sampleRateHz)), sampleRateHz, 1, 0);
    for (let i = 0; i < out.samples.length; i++) out.samples[i] = 1e-4 * out.next();
    return out;
  }

  add(atS: number, tone: Float32Array): void {
    const from = this.at(atS);
    const edge = 0.01 * this.sampleRateHz;
    for (let i = 0; i < tone.length && from + i < this.samples.length; i++)
      this.samples[from + i]! += tone[i]! * Math.min(1, i / edge, (tone.length - i) / edge);
  }

  /** The tone stops for so long from a beat on: nothing but the room. */
  silence(beat: number, lastsS: number): void {
    const from = this.at(this.leadS + beat * this.beatS);
    for (let i = from; i < from + lastsS * this.sampleRateHz; i++) this.samples[i] = 1e-4 * this.next();
  }

  /** The tone stops and breath is drawn, 0.28 s of it at −48 dBFS, before it goes on. */
  breathe(beat: number): void {
    this.silence(beat, 0.45);
    this.air(beat + 0.08 / this.beatS, beat + 0.36 / this.beatS, -48);
  }

  /** Air from a beat to another, dBFS. */
  air(fromBeat: number, toBeat: number, db: number): void {
    const [from, to] = [this.at(this.leadS + fromBeat * this.beatS), this.at(this.leadS + toBeat * this.beatS)];
    const edge = 0.03 * this.sampleRateHz;
    for (let i = Math.max(0, from); i < to; i++) {
      // White noise through a soft low-pass of two thirds of its power.
      this.low += 0.5 * (this.next() - this.low);
      this.samples[i]! += 10 ** (db / 20) * 3 * this.low * Math.min(1, (i - from) / edge, (to - i) / edge);
    }
  }

  private at(seconds: number): number {
    return Math.round(seconds * this.sampleRateHz);
  }

  private next(): number {
    this.noise = (Math.imul(this.noise, 1664525) + 1013904223) >>> 0;
    return this.noise / 2 ** 31 - 1;
  }
}
