import { beatSeconds, type Score, type Step } from '@inner-hum/core/exercise';
import { dbToAmplitude } from '@inner-hum/core/signal';
import { instrumentById, partialTargetHz, writtenToHz, type LevelRuler } from '@inner-hum/core/theory';
import type { Habits, NoteHabit } from './habits';
import type { SeededRandom } from './random';
import { fillHum, fillSpectrum, MOST_PARTIALS } from './spectrum';
import {
  LOW_RESPONSE_S,
  LOW_SEMITONES,
  askedVibratoCents,
  bentCents,
  blastDb,
  humOf,
  levelPlan,
  partialSum,
  vowelDb,
  within,
} from './toneSums';
import {
  ATTACK_S,
  RELEASE_S,
  SLUR_S,
  CONTROL_S,
  SCOOP_S,
  SLIP_S,
  TUBE_DB,
  EDGE_SPREAD_DB,
  OCTAVE_START,
  REEDS,
  SUBTONE,
  FATIGUE,
} from './toneSizes';

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

/** One tone on its way into the sound. */
export class Tone {
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
        const levelDb = plan.at(place) + this.stepDb() + blastDb(step, habits, t) + habits.shimmerDb * random.normal();
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
          vowelDb(step, habits, place) +
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
      bentCents(this.step, habits, t / lengthS) -
      (habits.sharpWhenSoftCents * (levelDb - middleDb)) / 10 +
      habits.vibrato.extentCents * Math.sin(2 * Math.PI * habits.vibrato.rateHz * t) +
      askedVibratoCents(this.step, habits, beatSeconds(this.score), t) -
      habits.scoopCents * Math.max(0, 1 - t / SCOOP_S) +
      habits.slipCents * Math.max(0, 1 - (lengthS - t) / SLIP_S) +
      FATIGUE.cents * tiredness +
      habits.jitterCents * random.normal() +
      this.wander
    );
  }

  /** 1 at the soft end of the ruler, 0 from its middle on. */
  private softness(levelDb: number): number {
    const { softestDb, loudestDb } = this.settings.ruler;
    return Math.min(1, Math.max(0, 1 - (2 * (levelDb - softestDb)) / (loudestDb - softestDb)));
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
