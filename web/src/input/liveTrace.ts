import { HOP_S } from '@inner-hum/core/signal';
import { LIVE_FIELDS, type LiveMessage } from './protocol';

/** Frames as they come in, for drawing outside React. Mutable: read it in an animation frame. */
export class LiveTrace {
  count = 0;
  f0Hz = new Float32Array(4096);
  levelDb = new Float32Array(4096);
  breathDb = new Float32Array(4096);
  peak = 0;
  lostMs = 0;
  /** how long after it sounded the newest frame came in, seconds (smoothed; the device's own delay not included) */
  delayS = 0;
  /** context time of frame 0, seconds; undefined until sound has come */
  startS: number | undefined;
  /** why the sound of this take is not being put away; undefined while it is */
  draftLost: string | undefined;
  /** first frame of the newest unbroken run of tone, or −1 */
  toneFrom = -1;

  reset(): void {
    this.count = 0;
    this.peak = 0;
    this.lostMs = 0;
    this.delayS = 0;
    this.startS = undefined;
    this.toneFrom = -1;
    this.draftLost = undefined;
  }

  receive(message: LiveMessage, context: Pick<AudioContext, 'sampleRate' | 'currentTime'>): void {
    if (message.kind === 'started') {
      this.reset();
      this.startS = message.firstSample / context.sampleRate;
      return;
    }
    if (message.kind === 'draftLost') {
      this.draftLost = message.reason;
      return;
    }
    this.peak = Math.max(this.peak * 0.97, message.peak);
    this.lostMs = message.lostMs;
    for (let row = 0; row < message.rows.length; row += LIVE_FIELDS) {
      const index = message.rows[row]!;
      this.reserve(index + 1);
      this.f0Hz[index] = message.rows[row + 1]!;
      this.levelDb[index] = message.rows[row + 2]!;
      this.breathDb[index] = message.rows[row + 3]!;
      this.count = index + 1;
      if (this.f0Hz[index] === 0) this.toneFrom = -1;
      else if (this.toneFrom < 0) this.toneFrom = index;
    }
    if (this.startS === undefined) return;
    const delayS = context.currentTime - this.startS - (this.count - 1) * HOP_S;
    this.delayS += (delayS - this.delayS) * (this.count < 10 ? 1 : 0.05);
  }

  /** Context time at which a tone began that has lasted `forS`, or undefined. */
  toneSince(forS: number): number | undefined {
    if (this.startS === undefined || this.toneFrom < 0 || (this.count - this.toneFrom) * HOP_S < forS) return undefined;
    return this.startS + this.toneFrom * HOP_S;
  }

  /** Context time of the newest tone that was heard, or undefined. */
  lastToneAtS(): number | undefined {
    for (let i = this.count - 1; i >= 0 && this.startS !== undefined; i--)
      if (this.f0Hz[i]! > 0) return this.startS + i * HOP_S;
    return undefined;
  }

  private reserve(length: number): void {
    if (length <= this.f0Hz.length) return;
    for (const name of ['f0Hz', 'levelDb', 'breathDb'] as const) {
      const larger = new Float32Array(2 * length);
      larger.set(this[name]);
      this[name] = larger;
    }
  }
}
