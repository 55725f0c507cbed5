import { lostSeconds, type LostSound } from '@inner-hum/core/measure';
import { HOP_S } from '@inner-hum/core/signal';
import { LIVE_FIELDS, type LiveMessage } from './protocol';

/** Frames as they come in, for drawing outside React. Mutable: read it in an animation frame. */
export class LiveTrace {
  count = 0;
  f0Hz = new Float32Array(4096);
  levelDb = new Float32Array(4096);
  breathDb = new Float32Array(4096);
  /** the newest frame at which an upper tone mixed in: the early sign of a break; −1 where none did */
  upperMixedAt = -1;
  peak = 0;
  /** what the device lost since frame 0 */
  lost: readonly LostSound[] = [];
  /** how long after it sounded the newest frame came in, seconds (smoothed; the device's own delay not included) */
  delayS = 0;
  /** context time of frame 0, seconds; undefined until sound has come */
  startS: number | undefined;
  /** why the sound of this take is not being put away; undefined while it is */
  draftLost: string | undefined;

  reset(): void {
    this.count = 0;
    this.upperMixedAt = -1;
    this.peak = 0;
    this.lost = [];
    this.delayS = 0;
    this.startS = undefined;
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
    this.lost = message.lost;
    for (let row = 0; row < message.rows.length; row += LIVE_FIELDS) {
      const index = message.rows[row]!;
      this.reserve(index + 1);
      this.f0Hz[index] = message.rows[row + 1]!;
      this.levelDb[index] = message.rows[row + 2]!;
      this.breathDb[index] = message.rows[row + 3]!;
      if (message.rows[row + 4]! > 0) this.upperMixedAt = index;
      this.count = index + 1;
    }
    if (this.startS === undefined) return;
    const delayS = context.currentTime - this.startS - (this.count - 1) * HOP_S;
    this.delayS += (delayS - this.delayS) * (this.count < 10 ? 1 : 0.05);
  }

  get lostMs(): number {
    return Math.round(1000 * lostSeconds(this.lost));
  }

  /**
   * Context time at which the first tone began that began after `afterS` and lasted `forS`, or undefined. However late
   * this is asked, the first is given, not one that came after it.
   */
  firstTone(afterS: number, forS: number): number | undefined {
    if (this.startS === undefined) return undefined;
    const from = Math.max(0, Math.floor((afterS - this.startS) / HOP_S) + 1);
    let began = from > 0 && this.f0Hz[from - 1]! > 0 ? undefined : from;
    for (let i = from; i < this.count; i++) {
      if (this.f0Hz[i] === 0) began = i + 1;
      else if (began !== undefined && (i + 1 - began) * HOP_S >= forS) return this.startS + began * HOP_S;
    }
    return undefined;
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
