import {
  freeTake,
  heldTones,
  packFrames,
  toInt16,
  withSteady,
  type FreeWish,
  type HeldTone,
  type HeardTake,
  type Masked,
  type OpenAssignment,
} from '@inner-hum/core/take';
import { assess, NOT_JUDGED } from '@inner-hum/core/judge';
import {
  clippedStretches,
  ClockWatch,
  FAR_BELOW_DB,
  gainControl,
  loopDelay,
  lostSeconds,
  roomBelowDb,
  ZeroRuns,
  type LoopDelay,
  type LostSound,
} from '@inner-hum/core/measure';
import { bandLimitHz, Ear, HOP_S, sliceFrames, type Frames, type LiveFrame } from '@inner-hum/core/signal';
import { firstToneS } from './firstTone';
import type { BlockClock, FreeHeard, PickedUp, RecorderSettings } from './protocol';
import { detailOf } from '../base/detailOf';

/** How much before the first beat is kept with a take, seconds. */
const LEAD_S = 0.6;
/** Free play is heard in pieces of about this length that end in a pause, seconds; without a pause in longer ones. */
const FREE_PIECE_S = 30;
const FREE_PAUSE_S = 0.5;
const LONGEST_PIECE_S = 120;
/** So much is heard once more for how the sound is picked up, seconds. */
const LATELY_S = 4;
/** Lost sound is added up so often while it is recorded, seconds. */
const LOOK_S = 0.5;
/** A hole in the clock longer than this is another stream, seconds. */
const LONGEST_HOLE_S = 30;

/** One recording: blocks on the context's clock in, frames out, a take at the end. Holes in the clock are filled with silence. */
export class TakeRecorder {
  firstSample: number | undefined;
  peak = 0;
  private ear: Ear;
  /** of free play: what was held so far, and where the present ear began, frames */
  private readonly held: HeldTone[] = [];
  private earFrom = 0;
  private silentFrames = 0;
  /** whether its pauses were cut to silence: in talk and noise no gain that rides could be told */
  private gated = false;
  private readonly zeros: ZeroRuns;
  private readonly clock = new ClockWatch();
  private readonly holes: LostSound[] = [];
  /** samples heard so far, holes in the clock counted */
  heardSamples = 0;

  constructor(readonly settings: RecorderSettings) {
    this.ear = new Ear(settings);
    this.zeros = new ZeroRuns(settings.sampleRateHz);
  }

  /** What the device lost so far; only a real input can lose sound without a word. */
  lost(): readonly LostSound[] {
    const silent = this.settings.zerosAreLoss ? [...this.zeros.lost, ...this.clock.lost()] : [];
    return [...this.holes, ...silent].sort((a, b) => a.atS - b.atS);
  }

  /** What the device lost, as it was a moment ago: it is looked at twice a second, not with each block. */
  get lostLately(): readonly LostSound[] {
    const { sampleRateHz } = this.settings;
    if (this.heardSamples - this.lookedAt > LOOK_S * sampleRateHz) {
      this.lookedAt = this.heardSamples;
      this.lostThen = this.lost();
    }
    return this.lostThen;
  }
  private lookedAt = -Infinity;
  private lostThen: readonly LostSound[] = [];

  /** @param clock the wall clock when the block was handed on, and its lead over a steady one, of sound that comes as it is played */
  push(
    firstSample: number,
    samples: Float32Array,
    onFrame?: (frame: Readonly<LiveFrame>) => void,
    clock?: BlockClock,
  ): void {
    const { sampleRateHz } = this.settings;
    this.firstSample ??= firstSample;
    const hole = firstSample - this.firstSample - this.heardSamples;
    if (hole > 0 && hole < LONGEST_HOLE_S * sampleRateHz) {
      this.holes.push({ atS: this.heardSamples / sampleRateHz, lastsS: hole / sampleRateHz, how: 'hole' });
      this.zeros.skip(hole);
      this.take(new Float32Array(hole), onFrame);
    }
    for (const sample of samples) this.peak = Math.max(this.peak, Math.abs(sample));
    this.zeros.note(samples);
    this.take(samples, onFrame);
    if (clock) this.clock.note(this.heardSamples / sampleRateHz, clock.wallMs, clock.offsetMs);
  }

  /** 16-bit sound from a sample of the recording up to another, holes filled with silence. */
  soundFrom(sample: number, upTo?: number): Int16Array<ArrayBuffer> {
    return toInt16(this.ear.heard(sample, upTo));
  }

  frames(): Frames {
    return this.ear.finish();
  }

  /** Way round of clicks that were played at these times on the context's clock. */
  loopDelay(clicksAtS: readonly number[]): LoopDelay {
    const { sampleRateHz } = this.settings;
    const startS = (this.firstSample ?? 0) / sampleRateHz;
    const clicksS = clicksAtS.map((atS) => atS - startS);
    return loopDelay(this.ear.heard(), sampleRateHz, clicksS);
  }

  /**
   * The take that was heard. `firstBeatAtS` is on the context's clock, or null when the first tone is beat one; null
   * comes back when nothing was heard to judge.
   */
  finishTake(assignment: OpenAssignment, firstBeatAtS: number | null): HeardTake | null {
    if (this.firstSample === undefined) return null;
    const { sampleRateHz } = this.settings;
    const all = this.ear.finish();
    const near = firstBeatAtS === null ? undefined : firstBeatAtS - this.firstSample / sampleRateHz;
    const firstBeat = assignment.onBeat && near !== undefined ? near : firstToneS(all, near);
    if (firstBeat === undefined) return null;
    const skip = Math.max(0, Math.floor((firstBeat - LEAD_S) / HOP_S));
    const frames = sliceFrames(all, skip, all.count);
    const firstBeatS = firstBeat - skip * HOP_S;
    const lost = this.lost()
      .filter(({ atS }) => atS >= skip * HOP_S)
      .map((entry) => ({ ...entry, atS: entry.atS - skip * HOP_S }));
    const device = assignment.device && { device: { ...this.device(), lost: assignment.device.lost ?? lost } };
    return {
      frameCount: frames.count,
      frames: packFrames(frames),
      samples: this.soundFrom(Math.round(skip * HOP_S * sampleRateHz)),
      sampleRateHz,
      firstBeatS,
      lostMs: Math.round(1000 * lostSeconds(lost)),
      ...(lost.length > 0 && { lost }),
      ...(assignment.device && this.pickUp(all)),
      ...judged(frames, { ...assignment, firstBeatS, ...device }),
    };
  }

  /** What the microphone did to the sound, as far as its samples tell. */
  private device(): Omit<NonNullable<OpenAssignment['device']>, 'lost'> {
    const sound = this.ear.heard();
    return { clipped: clippedStretches(sound), bandHz: bandLimitHz(sound, this.settings.sampleRateHz) };
  }

  /** What the sound tells of the way it was picked up, where that is a trouble. */
  private pickUp(frames: Frames): Pick<HeardTake, 'pickUp'> {
    const { humHz } = this.ear;
    const belowDb = roomBelowDb(frames);
    const far = belowDb !== undefined && belowDb < FAR_BELOW_DB;
    if (humHz === undefined && !far) return {};
    return { pickUp: { ...(humHz !== undefined && { humHz }), ...(far && { roomBelowDb: belowDb }) } };
  }

  /** What the last seconds tell of how the sound is picked up; they are heard once more, by an ear that keeps everything. */
  pickedUp(): PickedUp {
    const { sampleRateHz } = this.settings;
    const lately = this.ear.heard(Math.max(0, this.ear.heardSamples - Math.round(LATELY_S * sampleRateHz)));
    const ear = new Ear({ sampleRateHz });
    ear.push(lately);
    ear.finish();
    return { humHz: ear.humHz, bandHz: bandLimitHz(lately, sampleRateHz) };
  }

  /** What was held in free play, as a take without its sound. */
  finishFree(wish: FreeWish, masked: Masked): FreeHeard | null {
    this.harvest();
    const free = freeTake(this.held, wish, masked, { ...(this.gated && { gated: true }), lost: this.lost() });
    if (!free) return null;
    const { sampleRateHz } = this.settings;
    const lostMs = Math.round(1000 * lostSeconds(this.lost()));
    return { plan: free.plan, heard: { ...free.heard, samples: new Int16Array(0), sampleRateHz, lostMs } };
  }

  private take(samples: Float32Array, onFrame?: (frame: Readonly<LiveFrame>) => void): void {
    this.heardSamples += samples.length;
    if (!this.settings.free) return this.ear.push(samples, onFrame);
    let last = -1;
    this.ear.push(samples, (frame) => {
      last = frame.index;
      this.silentFrames = frame.f0Hz > 0 ? 0 : this.silentFrames + 1;
      onFrame?.({ ...frame, index: frame.index + this.earFrom });
    });
    const piece = last * HOP_S;
    const paused = this.silentFrames * HOP_S > FREE_PAUSE_S;
    if ((piece > FREE_PIECE_S && paused) || piece > LONGEST_PIECE_S) this.goOnWithNewEar(last + 1, onFrame);
  }

  /** Another ear goes on from here, so that free play may last: what was held is kept, its sound is not. */
  private goOnWithNewEar(reported: number, onFrame?: (frame: Readonly<LiveFrame>) => void): void {
    const { f0Hz, confidence, levelDb, breathDb, count } = this.harvest();
    for (let i = reported; i < count; i++)
      onFrame?.({
        index: i + this.earFrom,
        f0Hz: f0Hz[i]!,
        confidence: confidence[i]!,
        levelDb: levelDb[i]!,
        breathDb: breathDb[i]!,
        upperMixes: false,
      });
    this.earFrom = Math.round(this.heardSamples / this.settings.sampleRateHz / HOP_S);
    this.silentFrames = 0;
    this.ear = new Ear(this.settings);
  }

  private harvest(): Frames {
    const frames = this.ear.finish();
    if (this.settings.zerosAreLoss && gainControl(frames).gated) this.gated = true;
    const fromS = this.earFrom * HOP_S;
    const sound = { samples: this.ear.heard(), sampleRateHz: this.settings.sampleRateHz };
    this.held.push(...withSteady(heldTones(frames, this.settings.free!, fromS), sound, fromS));
    return frames;
  }
}

/** Measures and verdict; where the judge fails, the take is there all the same, to be judged later. */
function judged(...args: Parameters<typeof assess>): Pick<HeardTake, 'measures' | 'verdict' | 'unjudged'> {
  try {
    return assess(...args);
  } catch (error) {
    return { measures: [], verdict: NOT_JUDGED, unjudged: detailOf(error) };
  }
}
