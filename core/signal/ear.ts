import { DescribedFrames, write } from './describedFrames';
import { BreathMeter } from './breath';
import { calmAiry } from './calmAiry';
import { Candidates } from './candidates';
import { DcBlocker } from './dcBlocker';
import { decimationFactor } from './decimator';
import { emptyFrames, HOP_S, type Frames } from './frames';
import { silenceNoHorn } from './noHorn';
import { doubledStretches } from './octaveBelow';
import type { Harmonics } from './harmonics';
import { mainsHum, withoutHum, type MainsHum } from './hum';
import { LevelMeter } from './level';
import { attackOf } from './onset';
import { PitchPath } from './pitchPath';
import { samplesFor, SampleStore } from './sampleStore';
import { gateTones } from './toneGate';
import { ownLevels } from './toneLevel';
import { UpperMix } from './upperMix';
import {
  LIVE_LAG_FRAMES,
  bandsOf,
  layersOf,
  type EarSettings,
  type LiveFrame,
  type Layer,
  type Band,
} from './earParts';

/** Quieter than this is silence, dBFS. */
const SILENT_BELOW_DB = -78;
/** So much of a block is taken in at once, samples. */
const STEADY_AT_ONCE = 1 << 12;
/** Below these periodicities a longer window is worth its blur. */
const NOISY_BELOW = 0.985;
const AIRY_BELOW = 0.94;
const ROUGH_BELOW = 0.9;

/**
 * The ear: takes sound in blocks of any size, decides frames with {@link LIVE_LAG_FRAMES} of look-ahead, and at the end
 * gives all frames decided together. The same sound gives the same final frames however it was cut into blocks.
 * @throws RangeError for a sample rate under 8 kHz or a search band outside 48–2800 Hz
 */
export class Ear {
  private readonly sound: SampleStore;
  private readonly layers: readonly Layer[];
  private readonly dc: DcBlocker;
  private readonly meter: LevelMeter;
  private readonly bands: readonly Band[];
  private readonly breath: BreathMeter;
  private readonly path: PitchPath;
  /** sound on its way in, its offset removed */
  private readonly steady = new Float32Array(STEADY_AT_ONCE);
  private readonly levels: SampleStore;
  private readonly candidates = new Candidates();
  private readonly live: LiveFrame = { index: 0, f0Hz: 0, confidence: 0, levelDb: 0, breathDb: 0, upperMixes: false };
  private readonly upperMix = new UpperMix();
  private readonly sampleRateHz: number;
  /** of an ear that keeps everything: what its live frames were measured to be */
  private readonly described: DescribedFrames | undefined;

  constructor(private readonly settings: EarSettings) {
    const { sampleRateHz, minHz = 48, maxHz = 2800, retainS = Infinity } = settings;
    if (!(sampleRateHz >= 8000)) throw new RangeError(`sampleRateHz must be ≥ 8000, got ${sampleRateHz}`);
    if (!(minHz >= 48 && maxHz <= 2800 && minHz < maxHz))
      throw new RangeError(`search band must lie within 48–2800 Hz, got ${minHz}–${maxHz}`);
    const factor = decimationFactor(sampleRateHz);
    const rateHz = sampleRateHz / factor;
    this.sampleRateHz = sampleRateHz;
    this.sound = new SampleStore(samplesFor(retainS, sampleRateHz));
    this.layers = layersOf(rateHz, factor, minHz, retainS);
    this.dc = new DcBlocker(sampleRateHz);
    this.meter = new LevelMeter(sampleRateHz, retainS);
    this.bands = bandsOf(this.layers, rateHz, minHz, maxHz);
    this.breath = new BreathMeter(sampleRateHz);
    this.path = new PitchPath(samplesFor(retainS, 1 / HOP_S));
    this.levels = new SampleStore(samplesFor(retainS, 1 / HOP_S), 1 << 12);
    this.described = retainS === Infinity ? new DescribedFrames() : undefined;
  }

  /** mains hum that was under the sound and was taken off when it was decided, Hz */
  humHz: number | undefined;

  /** How many samples were heard so far. */
  get heardSamples(): number {
    return this.sound.end;
  }

  /** A copy of the sound heard so far, offset removed, or of a part of it between two samples. */
  heard(from?: number, upTo?: number): Float32Array<ArrayBuffer> {
    return this.sound.slice(from, upTo);
  }

  /** Hears a block; calls `onFrame` for each frame that can be decided now. */
  push(block: ArrayLike<number>, onFrame?: (frame: Readonly<LiveFrame>) => void): void {
    for (let from = 0; from < block.length; from += this.steady.length) {
      const upTo = Math.min(block.length, from + this.steady.length);
      const steady = this.steady.subarray(0, upTo - from);
      this.dc.process(block, steady, from);
      this.sound.append(steady);
    }
    this.meter.pull(this.sound);
    this.thinOut(false);
    this.analyse(false, onFrame);
  }

  /** Ends the sound and decides all frames together. Only for an ear that keeps everything. */
  finish(): Frames {
    this.end();
    const { thin } = this.layers[0]!;
    const hum = mainsHum(thin.output.slice(), this.sampleRateHz / thin.factor, this.levels.slice());
    this.humHz = hum?.hz;
    const source = hum ? this.earWithoutHum(hum) : this;
    const states = source.path.decideAll();
    const coarseHz = Float64Array.from(states, (state, i) => (state < 0 ? 0 : source.path.candidateHz(i, state)));
    gateTones(coarseHz, source.levels.slice());
    const sound = source.sound.slice();
    const frames = emptyFrames(coarseHz.length);
    for (let i = 0; i < frames.count; i++) {
      frames.levelDb[i] = this.levels.at(i);
      frames.confidence[i] = source.confidenceOf(i, states[i]!);
      if (coarseHz[i]! > 0) source.describe(frames, i, coarseHz[i]!);
    }
    const doubled = doubledStretches(coarseHz, frames.partialsDb);
    for (const { start, end } of doubled)
      for (let i = start; i < end; i++) {
        coarseHz[i]! *= 2;
        source.describe(frames, i, coarseHz[i]!);
      }
    calmAiry(frames);
    for (const { start, end } of silenceNoHorn(frames)) coarseHz.fill(0, start, end);
    ownLevels(frames);
    const starts = [...coarseHz.keys()].filter((i) => coarseHz[i]! > 0 && !(coarseHz[i - 1]! > 0));
    const attacks = starts.map((i) => {
      const silentFromS = (coarseHz.subarray(0, i).findLastIndex((hz) => hz > 0) + 1) * HOP_S;
      const under = doubled.find(({ start, atStart }) => atStart && start === i);
      const octaveBelowS = under ? (under.end - under.start) * HOP_S : 0;
      return { ...attackOf(sound, this.sampleRateHz, i, coarseHz[i]!, silentFromS), octaveBelowS };
    });
    return { ...frames, attacks };
  }

  private end(): void {
    this.meter.pull(this.sound, true);
    this.thinOut(true);
    this.analyse(true);
  }

  private thinOut(flush: boolean): void {
    let finer = this.sound;
    for (const { thin } of this.layers) {
      thin.pull(finer, flush);
      finer = thin.output;
    }
  }

  private earWithoutHum(hum: MainsHum): Ear {
    const ear = new Ear(this.settings);
    ear.push(withoutHum(this.sound.slice(), this.sampleRateHz, hum));
    ear.end();
    return ear;
  }

  private describe(frames: Frames, index: number, coarseHz: number): void {
    if (this.described?.copyTo(frames, index, coarseHz)) return;
    const harmonics = this.refine(index, coarseHz, frames.confidence[index]!);
    write(frames, index, harmonics, this.breathAt(index, harmonics.f0Hz));
  }

  private analyse(flush: boolean, onFrame?: (frame: Readonly<LiveFrame>) => void): void {
    for (;;) {
      const index = this.path.length;
      const soundCentre = this.soundIndex(index);
      const ready = flush
        ? soundCentre < this.sound.end
        : soundCentre + this.meter.half < this.sound.end && this.bands.every((band) => this.reaches(band, index));
      if (!ready) return;
      const levelDb = this.meter.at(soundCentre);
      this.levels.push(levelDb);
      this.candidates.clear();
      for (const { periodicity, layer } of this.bands)
        periodicity.addTo(this.candidates, layer.thin.output, this.thinIndex(index, layer));
      this.path.push(this.candidates, levelDb < SILENT_BELOW_DB);
      if (onFrame && index >= LIVE_LAG_FRAMES) this.reportLive(index - LIVE_LAG_FRAMES, onFrame);
    }
  }

  private reaches({ periodicity, layer }: Band, index: number): boolean {
    return this.thinIndex(index, layer) + periodicity.half < layer.thin.output.end;
  }

  private reportLive(index: number, onFrame: (frame: Readonly<LiveFrame>) => void): void {
    const { live, path } = this;
    const state = path.decide(LIVE_LAG_FRAMES);
    live.index = index;
    live.levelDb = this.levels.at(index);
    live.confidence = this.confidenceOf(index, state);
    live.f0Hz = 0;
    live.breathDb = 0;
    live.upperMixes = false;
    if (state >= 0) {
      const coarseHz = path.candidateHz(index, state);
      const harmonics = this.refine(index, coarseHz, live.confidence);
      live.f0Hz = harmonics.f0Hz;
      live.breathDb = this.breathAt(index, live.f0Hz);
      live.upperMixes = this.upperMix.next(live.f0Hz, harmonics.partialsDb);
      this.described?.keep(index, coarseHz, harmonics, live.breathDb);
    } else this.upperMix.next(0, []);
    onFrame(live);
  }

  /** Pitch and partials, the window longer the noisier it is, in the coarsest layer that holds all the partials. */
  private refine(index: number, coarseHz: number, confidence: number): Harmonics {
    // Of a rough subtone one long window tells more than many short ones put together.
    const kind =
      confidence < ROUGH_BELOW
        ? 'rough'
        : confidence < AIRY_BELOW
          ? 'airy'
          : confidence < NOISY_BELOW
            ? 'noisy'
            : 'clean';
    const layer =
      this.layers.findLast((candidate) => candidate.harmonics.holdsAllPartials(coarseHz)) ?? this.layers[0]!;
    layer.harmonics.measure(layer.thin.output, this.thinIndex(index, layer), coarseHz, kind);
    return layer.harmonics;
  }

  private breathAt(index: number, hz: number): number {
    return this.breath.at(this.sound, this.soundIndex(index), hz);
  }

  private confidenceOf(index: number, state: number): number {
    return Math.max(0, this.path.candidateStrength(index, Math.max(0, state)));
  }

  private soundIndex(frame: number): number {
    return Math.round(frame * HOP_S * this.sampleRateHz);
  }

  private thinIndex(frame: number, { factor }: Layer): number {
    return Math.round((frame * HOP_S * this.sampleRateHz) / this.layers[0]!.thin.factor / factor);
  }
}

/** Frames of a whole recording. Empty sound gives no frames. */
export function hear(samples: ArrayLike<number>, settings: EarSettings): Frames {
  const ear = new Ear(settings);
  ear.push(samples);
  return ear.finish();
}
