import { beatSeconds, plannedPosition, scoreBeats, type Score, type Step } from '@inner-hum/core/exercise';
import { dbToAmplitude } from '@inner-hum/core/signal';
import { dynamicPosition, instrumentById, partialTargetHz, writtenToHz, type LevelRuler } from '@inner-hum/core/theory';
import type { Habits, NoteHabit } from './habits';
import { SeededRandom } from './random';
import { addRoom } from './room';
import { fillHum, fillSpectrum, MOST_PARTIALS } from './spectrum';

export interface StandInSettings {
  readonly sampleRateHz: number;
  readonly a4Hz: number;
  readonly ruler: LevelRuler;
  readonly habits: Habits;
  readonly seed: number;
  /** silence before the first beat, seconds */
  readonly leadS: number;
  /** silence after the last beat, seconds */
  readonly tailS: number;
}

const ATTACK_S = 0.03;
const RELEASE_S = 0.05;
const SLUR_S = 0.012;
const CONTROL_S = 0.005;
const SCOOP_S = 0.1;
const SLIP_S = 0.16;
/** What the lowest note needs to speak beyond the others, and how many semitones above it that is over. */
const LOW_RESPONSE_S = 0.04;
const LOW_SEMITONES = 7;
/** How faintly the whole tube sounds under an overtone, dB. */
const TUBE_DB = -30;
/** How much the level at which a note breaks differs from tone to tone, dB. */
const EDGE_SPREAD_DB = 1.5;
const ROOM_NOISE = 1e-4;
/** A start that fails: the octave for a while. */
const OCTAVE_START = { place: 0, partial: 2, lastsS: 0.4 } as const;
/** What a reed and fatigue change. */
const REEDS = {
  good: { responseS: 0, breathDb: 0, wobble: 1, squeaks: false },
  stiff: { responseS: 0.25, breathDb: 14, wobble: 1, squeaks: false },
  tired: { responseS: 0, breathDb: 4, wobble: 3.5, squeaks: true },
} as const;
/** The voice of a subtone against plain soft: colour, dB for each octave of partials, and air, dB. Our choice. */
const SUBTONE = { tiltDb: -5, airDb: 9 } as const;
/** A start that is too loud lasts fully so long, and is over after this, seconds. */
const BLAST = { fullS: 0.12, endS: 0.22 } as const;
/** Air that goes through the horn between tones, dB under its loudest. */
const AIR_DB = -38;
/** How long it takes to begin and to end, seconds. */
const AIR_EDGE_S = 0.1;
const FATIGUE = { cents: -40, wobble: 2, breathDb: 8 } as const;

/**
 * The stand-in player: plays a score with habits, as samples in −1…1, the first beat at `leadS`. The same seed plays the
 * same. Sum of partials with jitter and shimmer, breath noise that runs before the tone speaks, and a room.
 */
export function playStandIn(planned: Score, settings: StandInSettings): Float32Array<ArrayBuffer> {
  const score = endedByBreath(planned, settings.habits.breathS);
  const { sampleRateHz, leadS, tailS, habits } = settings;
  const beatS = beatSeconds(score);
  const beats = scoreBeats(score);
  const out = new Float32Array(Math.ceil((leadS + beats * beatS + tailS) * sampleRateHz));
  const random = new SeededRandom(settings.seed);
  score.steps.forEach((step, i) => {
    const next = score.steps[i + 1];
    const joinsNext = next?.attack === 'slurred' && next.startBeat === step.startBeat + step.beats;
    const { changeLateS, changeWanderS } = habits;
    const wanderS = step.pair && changeWanderS > 0 ? changeWanderS * (2 * random.uniform() - 1) : 0;
    const tone = new Tone(score, step, score.steps[i - 1], next, changeLateS + wanderS, settings, random, joinsNext);
    const startS = leadS + step.startBeat * beatS + habits.lateS;
    tone.addTo(out, startS, step.beats * beatS - Math.max(0, habits.lateS), beats * beatS, startS - leadS);
  });
  const airDb = settings.ruler.loudestDb + AIR_DB;
  for (const gap of score.gaps ?? []) {
    if (gap.kind !== 'air') continue;
    const startS = leadS + gap.startBeat * beatS;
    addAir(out, sampleRateHz, { startS, lengthS: gap.beats * beatS, db: airDb }, random);
  }
  addRoom(out, sampleRateHz, habits.roomS);
  for (let i = 0; i < out.length; i++) out[i]! += ROOM_NOISE * random.normal();
  return out;
}

/** Air through the horn, without a tone. */
function addAir(
  out: Float32Array,
  sampleRateHz: number,
  { startS, lengthS, db }: { readonly startS: number; readonly lengthS: number; readonly db: number },
  random: SeededRandom,
): void {
  let low = 0;
  for (let i = 0; i < Math.round(lengthS * sampleRateHz); i++) {
    const t = i / sampleRateHz;
    low += 0.5 * (random.normal() - low);
    const at = Math.round(startS * sampleRateHz) + i;
    const edge = Math.min(1, t / AIR_EDGE_S, (lengthS - t) / AIR_EDGE_S);
    if (at >= 0 && at < out.length) out[at]! += dbToAmplitude(db) * edge * low * 1.73;
  }
}

/** Tones without a set end last as long as the player's breath. */
function endedByBreath(score: Score, breathS: number): Score {
  const most = breathS / beatSeconds(score);
  return {
    ...score,
    steps: score.steps.map((step) => (step.openEnd ? { ...step, beats: Math.min(step.beats, most) } : step)),
  };
}

/** One tone on its way into the sound. */
class Tone {
  private readonly fingeredHz: number;
  private readonly targetHz: number;
  private readonly partial: number;
  private readonly plan: ReturnType<typeof levelPlan>;
  private readonly weights = new Float64Array(MOST_PARTIALS + 1);
  private readonly habits: Habits;
  /** softer than this the tone breaks, dBFS */
  private readonly edgeDb: number;
  private readonly note: NoteHabit;
  private wander = 0;

  constructor(
    private readonly score: Score,
    private readonly step: Step,
    private readonly before: Step | undefined,
    private readonly next: Step | undefined,
    private readonly changeLateS: number,
    private readonly settings: StandInSettings,
    private readonly random: SeededRandom,
    private readonly joinsNext: boolean,
  ) {
    const horn = instrumentById(score.instrumentId);
    this.fingeredHz = writtenToHz(horn, step.fingeredMidi, settings.a4Hz);
    const tooLow = settings.habits.partialTooLow && step.partialNumber > 1 ? 1 : 0;
    this.partial = step.partialNumber - tooLow;
    const { offCents = 0 } = step;
    const targetHz = partialTargetHz(this.fingeredHz, this.partial, score.partialTuning) * 2 ** (offCents / 1200);
    this.targetHz = step.hum ? humOf(targetHz) * 2 ** (settings.habits.humCents / 1200) : targetHz;
    const tired = REEDS[settings.habits.reed].squeaks;
    const squeak = { place: 0.15 + 0.6 * random.uniform(), partial: 3, lastsS: 0.12 };
    const { habits } = settings;
    const glitch = { place: 0, partial: step.partialNumber + 1, lastsS: habits.glitchS };
    const jumps = [
      ...habits.jumps,
      ...(tired ? [squeak] : []),
      ...(this.startFails() ? [OCTAVE_START] : []),
      ...(habits.glitchS > 0 && this.changesOver() ? [glitch] : []),
    ];
    this.habits = { ...habits, jumps };
    this.note = habits.perNote[step.soundedMidi] ?? {};
    const { breaksUnderDb } = this.note;
    this.edgeDb = breaksUnderDb === undefined ? -Infinity : breaksUnderDb + EDGE_SPREAD_DB * random.normal();
    this.plan = levelPlan(step, habits, settings.ruler);
  }

  /** Whether the tone is slurred to from another partial or from its twin. */
  private changesOver(): boolean {
    const { step, before } = this;
    return step.attack === 'slurred' && (step.pair === true || before?.partialNumber !== step.partialNumber);
  }

  private startFails(): boolean {
    const { failsWith } = this.settings.habits;
    const { attack, fingeredMidi } = this.step;
    const low = fingeredMidi - instrumentById(this.score.instrumentId).lowestWrittenMidi < LOW_SEMITONES;
    return low && (failsWith === attack || (failsWith === 'both' && attack !== 'slurred'));
  }

  addTo(out: Float32Array, startS: number, lengthS: number, scoreS: number, sinceStartS: number): void {
    const { step, habits, plan, weights, random, targetHz, fingeredHz } = this;
    const { sampleRateHz } = this.settings;
    const count = Math.round(lengthS * sampleRateHz);
    const gapS = step.attack === 'slurred' ? habits.slurGapS : 0;
    const controlStep = Math.round(CONTROL_S * sampleRateHz);
    const angles = weights.map(() => 2 * Math.PI * random.uniform());
    const phases = { cos: angles.map(Math.cos), sin: angles.map(Math.sin) };
    const airS = step.attack === 'slurred' ? 0 : this.airS();
    let partials = 0;
    let hz = targetHz;
    let sounding = this.partial;
    let amplitude = 0;
    let nextAmplitude = 0;
    let air = 0;
    let lowNoise = 0;
    let phase = 0;
    let tubePhase = 0;
    for (let i = -Math.round(airS * sampleRateHz); i < count; i++) {
      const t = i / sampleRateHz;
      if (i % controlStep === 0) {
        const tiredness = habits.fatigue * Math.min(1, Math.max(0, (sinceStartS + t) / scoreS));
        const place = Math.max(0, i / count);
        const levelDb = plan.at(place) + this.stepDb() + this.blastDb(t) + habits.shimmerDb * random.normal();
        const overEdge = t > 0 && plan.at(place) < this.edgeDb;
        const jump = overEdge
          ? { partial: 2 }
          : habits.jumps.find((candidate) => within(place * lengthS, candidate.place * lengthS, candidate.lastsS));
        const stopped = place >= habits.stopsAt || (t >= 0 && t < gapS);
        const silent =
          stopped ||
          habits.dropOuts.some((dropOut) => within(place * lengthS, dropOut.place * lengthS, dropOut.lastsS));
        const broken = jump && jump.partial + (jump.partial === this.partial ? 1 : 0);
        sounding = broken ?? this.partial;
        hz = (broken ? fingeredHz * broken : targetHz) * 2 ** (this.centsAt(t, lengthS, levelDb, tiredness) / 1200);
        amplitude = nextAmplitude;
        nextAmplitude = silent || t < 0 ? 0 : Math.SQRT2 * dbToAmplitude(levelDb) * this.edges(t, lengthS);
        const { softestDb, loudestDb } = this.settings.ruler;
        const loudness = Math.min(1, Math.max(0, (levelDb - softestDb) / (loudestDb - softestDb)));
        const middleDb = (plan.minDb + plan.maxDb) / 2;
        const noteTiltDb = this.note.tiltDb ?? 0;
        const tiltDb =
          noteTiltDb +
          this.vowelDb(place) +
          (step.subtone ? SUBTONE.tiltDb * habits.subtoneShare : 0) +
          (step.pair ? habits.pairTiltDb : 0) +
          (habits.opensWhenLoudDb * (levelDb - middleDb)) / 10;
        const instrument = instrumentById(this.score.instrumentId);
        const fingered = this.fingeredAt(t, lengthS);
        const { fingeredMidi } = fingered;
        if (fingered !== step) sounding = fingered.partialNumber;
        partials = step.hum
          ? fillHum(weights, hz, sampleRateHz)
          : fillSpectrum(weights, { instrument, fingeredMidi, hz, loudness, sampleRateHz, tiltDb });
        air = silent
          ? 0
          : dbToAmplitude(this.breathDb(levelDb, tiredness)) *
            Math.min(1, (t + airS) / 0.02, (lengthS - t) / RELEASE_S);
      }
      phase += (2 * Math.PI * hz) / sampleRateHz;
      let value = partialSum(weights, phases, partials, phase);
      if (sounding > 1) {
        tubePhase += (2 * Math.PI * hz) / sounding / sampleRateHz;
        value += dbToAmplitude(TUBE_DB) * (Math.sin(tubePhase) + Math.sin((sounding + 1) * tubePhase));
      }
      lowNoise += 0.5 * (random.normal() - lowNoise);
      const blend = (((i % controlStep) + controlStep) % controlStep) / controlStep;
      const at = Math.round(startS * sampleRateHz) + i;
      if (at >= 0 && at < out.length)
        out[at]! += (amplitude + (nextAmplitude - amplitude) * blend) * value + Math.max(0, air) * lowNoise * 1.73;
    }
  }

  /** Whose fingering sounds at a time of the tone: its own, or that of its neighbour in a pair that changes off the count. */
  private fingeredAt(t: number, lengthS: number): Step {
    const { step, before, next, changeLateS } = this;
    if (step.pair && before && t < changeLateS) return before;
    if (next?.pair && t > lengthS + changeLateS) return next;
    return step;
  }

  /** Colour of the vowel that is thought of at a share of the tone, dB for each octave of partials. */
  private vowelDb(place: number): number {
    const { vowels } = this.step;
    return vowels ? this.habits.vowelTiltDb * (0.5 - Math.floor(place * vowels.length) / (vowels.length - 1)) : 0;
  }

  /** What the tone has on top of its plan, dB. */
  private stepDb(): number {
    const { step, habits } = this;
    return (
      habits.loudDb +
      (step.attack === 'slurred' ? habits.slurStepDb : 0) +
      (step.pair ? habits.pairDb : 0) +
      (this.note.levelDb ?? 0)
    );
  }

  /** How much louder the tone starts than it goes on, dB. */
  private blastDb(t: number): number {
    if (this.step.attack === 'slurred') return 0;
    return this.habits.overshootDb * Math.min(1, Math.max(0, (BLAST.endS - t) / (BLAST.endS - BLAST.fullS)));
  }

  private airS(): number {
    const { habits, step, score } = this;
    const fromBell = step.fingeredMidi - instrumentById(score.instrumentId).lowestWrittenMidi;
    const low = LOW_RESPONSE_S * Math.max(0, 1 - fromBell / LOW_SEMITONES);
    return habits.responseS + (this.note.responseS ?? 0) + low + REEDS[habits.reed].responseS;
  }

  private centsAt(t: number, lengthS: number, levelDb: number, tiredness: number): number {
    const { habits, random } = this;
    const wobble = habits.wobbleCents * REEDS[habits.reed].wobble * (1 + FATIGUE.wobble * tiredness);
    this.wander = 0.97 * this.wander + wobble * Math.sqrt(1 - 0.97 ** 2) * random.normal();
    const { softestDb, loudestDb } = this.settings.ruler;
    const middleDb = (softestDb + loudestDb) / 2;
    return (
      habits.tuningCents -
      habits.sagsSoftCents * this.softness(levelDb) +
      (this.note.cents ?? 0) +
      (this.step.pair ? habits.pairCents : 0) +
      habits.driftCentsPerS * (t - lengthS / 2) -
      this.bendAt(t / lengthS) -
      (habits.sharpWhenSoftCents * (levelDb - middleDb)) / 10 +
      habits.vibrato.extentCents * Math.sin(2 * Math.PI * habits.vibrato.rateHz * t) +
      this.askedVibratoAt(t) -
      habits.scoopCents * Math.max(0, 1 - t / SCOOP_S) +
      habits.slipCents * Math.max(0, 1 - (lengthS - t) / SLIP_S) +
      FATIGUE.cents * tiredness +
      habits.jitterCents * random.normal() +
      this.wander
    );
  }

  /** The vibrato that the score asks for, as this player makes it, cents. */
  private askedVibratoAt(t: number): number {
    const { vibrato } = this.step;
    const { rate, width } = this.habits.askedVibrato;
    if (!vibrato) return 0;
    const hz = (rate * vibrato.waves) / beatSeconds(this.score);
    return width * vibrato.widthCents * Math.sin(2 * Math.PI * hz * t);
  }

  /** 1 at the soft end of the ruler, 0 from its middle on. */
  private softness(levelDb: number): number {
    const { softestDb, loudestDb } = this.settings.ruler;
    return Math.min(1, Math.max(0, 1 - (2 * (levelDb - softestDb)) / (loudestDb - softestDb)));
  }

  /** How far under its note a bent tone is at a share of its length, cents. */
  private bendAt(place: number): number {
    const { bendCents = 0 } = this.step;
    if (bendCents === 0) return 0;
    const { bendShare, bendBreaks, bendOffCents } = this.habits;
    const way = Math.min(1, Math.max(0, 1 - Math.abs(place - 0.5) / 0.25));
    const depth = bendBreaks ? (way > 0 ? 1 : 0) : 0.5 * (1 - Math.cos(Math.PI * way));
    return bendCents * bendShare * depth - (place > 0.5 ? bendOffCents : 0);
  }

  /** Level of the breath noise: the more the softer, dBFS. */
  private breathDb(levelDb: number, tiredness: number): number {
    const { habits, plan } = this;
    const ratio = habits.breathDb + REEDS[habits.reed].breathDb + FATIGUE.breathDb * tiredness;
    const subtoneDb = this.step.subtone ? SUBTONE.airDb * habits.subtoneShare : 0;
    return levelDb + ratio + subtoneDb + (habits.breathWhenSoftDb * (plan.maxDb - levelDb)) / 10;
  }

  private edges(t: number, lengthS: number): number {
    const rise = Math.min(1, t / (this.step.attack === 'slurred' ? SLUR_S : ATTACK_S));
    const fall = Math.min(1, (lengthS - t) / (this.joinsNext ? SLUR_S : RELEASE_S));
    return Math.max(0, Math.min(rise, fall));
  }
}

/** Sum of w_k sin(k phase + phase_k) over partials 1 to `count`, by Horner's rule in e^(i phase): two sines for all. */
function partialSum(
  weights: Float64Array,
  phases: { readonly cos: Float64Array; readonly sin: Float64Array },
  count: number,
  phase: number,
): number {
  const c = Math.cos(phase);
  const s = Math.sin(phase);
  let re = 0;
  let im = 0;
  for (let k = count; k >= 1; k--) {
    const sumRe = re + weights[k]! * phases.cos[k]!;
    const sumIm = im + weights[k]! * phases.sin[k]!;
    re = sumRe * c - sumIm * s;
    im = sumRe * s + sumIm * c;
  }
  return im;
}

/** Where a voice hums a pitch: the octave from 110 Hz up. */
function humOf(hz: number): number {
  return hz / 2 ** Math.floor(Math.log2(hz / 110));
}

/** Level over a tone, dBFS, with the habits' share of range, late peak and stairs. */
function levelPlan(step: Step, habits: Habits, ruler: LevelRuler) {
  const position = (place: number) => {
    const warped = habits.peakShift === 0 ? place : place ** (Math.log(0.5) / Math.log(0.5 + habits.peakShift));
    return Math.max(habits.softestPlace, plannedPosition(step, warped * step.beats, dynamicPosition));
  };
  const places = Array.from({ length: 101 }, (_, i) => position(i / 100));
  const low = Math.min(...places);
  const high = Math.max(...places);
  const span = ruler.loudestDb - ruler.softestDb;
  const toDb = (place: number) => ruler.softestDb + span * (high - (high - place) * habits.rangeShare);
  const stairsDb = (place: number) =>
    habits.stairs.reduce(
      (sum, stair) => sum + (place >= stair.place ? stair.db * Math.exp(-(place - stair.place) * 6) : 0),
      0,
    );
  return { minDb: toDb(low), maxDb: toDb(high), at: (place: number) => toDb(position(place)) + stairsDb(place) };
}

function within(atS: number, fromS: number, lastsS: number): boolean {
  return atS >= fromS && atS < fromS + lastsS;
}
