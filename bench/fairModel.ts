import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseKey, exerciseScore } from '@inner-hum/core/families';
import type { Digest, Observation } from '@inner-hum/core/history';
import { digest } from '@inner-hum/core/history/testDigests';
import { bandAt } from '@inner-hum/core/measure';
import type { SeededRandom } from '@inner-hum/core/simulate';
import { dynamicPosition } from '@inner-hum/core/theory';
import type { Laws } from './fairCells';

export const DAY_MS = 86_400_000;
export const dayText = (ms: number) => new Date(ms).toISOString().slice(0, 10);

/** Keyed notes of an alto, written; the tubes that overtones are played on, with their partials. */
const NOTES = { from: 58, to: 90 } as const;
const TUBES = { from: 58, to: 62 } as const;
const PARTIALS = { from: 2, to: 5 } as const;
/** Semitones of these partials over their tube. */
const INTERVALS = [12, 19, 24, 28] as const;
/** What a note can want; what two neighbours can want of each other; what an overtone can. */
const OF_NOTE = ['pitch', 'response', 'steadiness', 'slope'] as const;
export const KINDS = [...OF_NOTE, 'join', 'overtone'] as const;
type Kind = (typeof KINDS)[number];
/** A weakness of 1 in the unit of what is measured: a third to a half more than twice the limit of the firm demand. */
const WHOLE = { pitchCents: 26, responseS: 0.35, steadinessCents: 11, slopeCents: 16, fails: 0.7 } as const;
/** The floor that practice can't go under, as a share of the start. */
const FLOOR = 0.12;
/** Tone that is one try's worth, beats; starts and joins that are; no pass is worth more. */
const TRY = { beats: 8, starts: 3, joins: 3, most: 1.5 } as const;
/** How long a breath of the player lasts, seconds. */
export const BREATH_S = 14;
/** A want is outside its limit with more than this of its weakness left. */
const OUTSIDE = 0.45;

const keyOf = (kind: Kind, at: number, partial = 1) => `${kind} ${at} ${partial}`;
const inside = (n: number, { from, to }: { readonly from: number; readonly to: number }) => n >= from && n <= to;

/** Every want that there is, each with what gains with it when it is worked on, and whether by the whole share or half of it. */
const RELATED: ReadonlyMap<string, readonly (readonly [string, number])[]> = new Map<
  string,
  readonly (readonly [string, number])[]
>([
  ...range(NOTES).flatMap((midi) =>
    OF_NOTE.map((kind) => {
      const near = [midi - 1, midi + 1].filter((n) => inside(n, NOTES)).map((n) => [keyOf(kind, n), 1] as const);
      const far = [midi - 12, midi + 12].filter((n) => inside(n, NOTES)).map((n) => [keyOf(kind, n), 0.5] as const);
      return [keyOf(kind, midi), [...near, ...far]] as const;
    }),
  ),
  ...range({ from: NOTES.from, to: NOTES.to - 1 }).map((midi) => {
    const near = [midi - 1, midi + 1].filter((n) => inside(n, { from: NOTES.from, to: NOTES.to - 1 }));
    return [keyOf('join', midi), near.map((n) => [keyOf('join', n), 1] as const)] as const;
  }),
  ...range(TUBES).flatMap((tube) =>
    range(PARTIALS).map((partial) => {
      const tubes = [tube - 1, tube + 1]
        .filter((n) => inside(n, TUBES))
        .map((n) => [keyOf('overtone', n, partial), 1] as const);
      const partials = [partial - 1, partial + 1].filter((n) => inside(n, PARTIALS));
      const along = partials.map((n) => [keyOf('overtone', tube, n), 0.5] as const);
      // The note that sounds, by its own fingers, learns from its overtone.
      const sounds = tube + INTERVALS[partial - PARTIALS.from]!;
      const regular = (['pitch', 'steadiness'] as const).map((kind) => [keyOf(kind, sounds), 0.5] as const);
      return [keyOf('overtone', tube, partial), [...tubes, ...along, ...regular]] as const;
    }),
  ),
]);
const WANTS = [...RELATED.keys()];

function range({ from, to }: { readonly from: number; readonly to: number }): number[] {
  return Array.from({ length: to - from + 1 }, (_, i) => from + i);
}

const worths = new Map<string, ReadonlyMap<string, number>>();

/** What one pass of an exercise is worth to each want that it touches, in tries. */
function worthOf(exercise: ExerciseParameters): ReadonlyMap<string, number> {
  const id = exerciseKey(exercise);
  const known = worths.get(id);
  if (known) return known;
  const worth = new Map<string, number>();
  const add = (key: string, by: number) => {
    if (by > 0 && RELATED.has(key)) worth.set(key, Math.min(TRY.most, (worth.get(key) ?? 0) + by));
  };
  const { steps } = exerciseScore(exercise);
  steps.forEach((step, i) => {
    const { soundedMidi: midi, partialNumber, fingeredMidi, beats, attack, dynamics, hum } = step;
    if (hum) return;
    if (partialNumber > 1)
      return add(keyOf('overtone', fingeredMidi, partialNumber), Math.max(1 / 3, beats / TRY.beats));
    const levels = dynamics.map((point) => point.position ?? dynamicPosition(point.dynamic));
    add(keyOf('pitch', midi), beats / TRY.beats);
    add(keyOf('steadiness', midi), beats / TRY.beats);
    if (Math.max(...levels) > Math.min(...levels)) add(keyOf('slope', midi), beats / TRY.beats);
    if (attack !== 'slurred') add(keyOf('response', midi), 1 / TRY.starts);
    const before = steps[i - 1];
    if (attack !== 'slurred' || !before) return;
    // A whole tone joins two pairs of neighbours, half each.
    const [lower, apart] = [Math.min(before.soundedMidi, midi), Math.abs(before.soundedMidi - midi)];
    if (apart <= 2) for (let at = lower; at < lower + apart; at++) add(keyOf('join', at), 1 / TRY.joins / apart);
  });
  worths.set(id, worth);
  return worth;
}

/** A player of the model: what is left of each weakness, with what the judge hears of it. */
export class ModelledLearner {
  private readonly left = new Map<string, number>();
  private readonly start: ReadonlyMap<string, number>;
  private readonly floors = new Map<string, number>();
  private readonly signs = new Map<number, number>();
  private readonly biasCents: number;
  private today = new Map<string, number>();

  constructor(
    private readonly random: SeededRandom,
    private readonly laws: Laws,
  ) {
    let sign = 1;
    for (const midi of range(NOTES)) {
      if (random.uniform() < 0.25) sign = -sign;
      this.signs.set(midi, sign);
    }
    this.biasCents = 2 * random.normal();
    for (const key of WANTS) {
      const start = FLOOR + (1 - FLOOR) * random.uniform() ** 2;
      this.left.set(key, start);
      this.floors.set(key, random.uniform() < laws.horn ? start : FLOOR);
    }
    this.start = new Map(this.left);
  }

  /** A night: a little of what was learnt is forgotten. */
  sleep(): void {
    this.today = new Map();
    for (const [key, start] of this.start) {
      const left = this.left.get(key)!;
      this.left.set(key, left + this.laws.forgets * (start - left));
    }
  }

  /** One pass; `worth` is what it teaches of a usual one. */
  practise(exercise: ExerciseParameters, worth: number): void {
    const { gain, neighbours } = this.laws;
    for (const [key, dose] of worthOf(exercise)) {
      this.learn(key, gain * dose * worth, dose);
      for (const [other, share] of RELATED.get(key)!)
        this.learn(other, gain * dose * worth * share * neighbours, dose * share * neighbours);
    }
  }

  private learn(key: string, gain: number, dose: number): void {
    const [left, floor] = [this.left.get(key)!, this.floors.get(key)!];
    const times = this.today.get(key) ?? 0;
    this.today.set(key, times + dose);
    const succeeds = 1 - 0.7 * left;
    const at60to90 = !this.laws.peak ? 1 : succeeds >= 0.6 && succeeds <= 0.9 ? 1.3 : 0.7;
    const spaced = this.laws.spaced ? 3 / (1 + times) : 1;
    this.left.set(key, left - Math.min(1, gain * at60to90 * spaced) * (left - floor));
  }

  /** What the judge hears of a pass, with its noise and its bias. */
  take(exercise: ExerciseParameters, startedAtMs: number, id: string): Digest {
    const seen = exerciseScore(exercise).steps.flatMap((step, i): Observation[] => {
      const { soundedMidi: midi, fingeredMidi, partialNumber: partial, attack, dynamics, hum } = step;
      const left = (kind: Kind, at = midi) => this.left.get(keyOf(kind, at, kind === 'overtone' ? partial : 1));
      const overtone = left('overtone', fingeredMidi);
      if (hum || (partial > 1 ? overtone === undefined : !inside(midi, NOTES))) return [];
      const noise = (scale: number) => scale * this.random.normal();
      const levels = dynamics.map((point) => point.position ?? dynamicPosition(point.dynamic));
      const tried = attack !== 'slurred';
      const spoke = partial === 1 || this.random.uniform() > WHOLE.fails * overtone!;
      const bends = Math.max(...levels) > Math.min(...levels);
      const values = {
        pitchCentreCents: this.signs.get(midi)! * WHOLE.pitchCents * left('pitch')! + this.biasCents + noise(3),
        pitchSteadinessCents: WHOLE.steadinessCents * left('steadiness')! + Math.abs(noise(0.6)),
        ...(bends && { pitchAgainstLevelCents: WHOLE.slopeCents * left('slope')! + noise(1.5) }),
        ...(tried && { responseS: WHOLE.responseS * left('response')! + Math.abs(noise(0.02)) }),
      };
      const told = partial > 1 ? {} : values;
      const at = { atMs: startedAtMs + i, midi, fingeredMidi, partial, band: bandAt(levels[0]!) };
      return [{ ...at, attack, tried, spoke, values: told }];
    });
    const exact = { startedAtMs, day: dayText(startedAtMs), setupKey: 'model', family: exercise.family };
    const holds = [58, 67, 84, 92].flatMap((midi) =>
      [true, false].map((loud) => ({ midi, loud, holdS: BREATH_S, ended: true })),
    );
    return digest(id, 1, [], { instrumentId: 'alto' }, { ...exact, parameters: exercise, seen, holds });
  }

  /** How much is left now: the mean of all wants, of the worst fifth, how many are outside, and the largest step in pitch between neighbours, cents. */
  figures() {
    const all = [...this.left.values()].sort((a, b) => b - a);
    const mean = (of: readonly number[]) => of.reduce((sum, value) => sum + value, 0) / of.length;
    const cents = range(NOTES).map(
      (midi) => this.signs.get(midi)! * WHOLE.pitchCents * this.left.get(keyOf('pitch', midi))!,
    );
    return {
      mean: mean(all),
      worst: mean(all.slice(0, Math.ceil(all.length / 5))),
      outside: all.filter((left) => left > OUTSIDE).length,
      step: Math.max(...cents.slice(1).map((value, i) => Math.abs(value - cents[i]!))),
      kinds: Object.fromEntries(
        KINDS.map((kind) => [
          kind,
          mean([...this.left].filter(([key]) => key.startsWith(kind)).map(([, left]) => left)),
        ]),
      ) as Record<Kind, number>,
    };
  }
}
