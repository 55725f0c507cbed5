import { scoreBeats, type ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseScore, type Level } from '@inner-hum/core/families';
import { finding, nextStep, type Decision, type Finding } from '@inner-hum/core/judge';
import { bandAt, type LoudnessBand } from '@inner-hum/core/measure';
import { digestOf, isLoud, type Digest, type Goal, type HeldTone, type Observation } from '@inner-hum/core/plan';
import type { SeededRandom } from '@inner-hum/core/simulate';
import { dynamicPosition, type InstrumentId } from '@inner-hum/core/theory';

/** A player as a teacher would describe one. Notes are written. */
export interface ModelledPlayer {
  readonly name: string;
  readonly instrumentId: InstrumentId;
  readonly level: Level;
  readonly minutes: number;
  readonly goals: readonly Goal[];
  /** how far a note lies from in tune at a loudness, cents */
  readonly cents: (midi: number, band: LoudnessBand) => number;
  /** air before a note speaks, seconds */
  readonly responseS: (midi: number) => number;
  /** pitch against level, cents for each 10 dB */
  readonly slopeCents: (midi: number) => number;
  /** how likely a tone speaks as itself, 0–1 */
  readonly speaks: (midi: number, partial: number) => number;
  /** how long a good tone lasts, seconds */
  readonly breathS: number;
  /** how much likelier a tone breaks with each take of a day */
  readonly tires: number;
}

const alike = () => 0;

/** The five players of the bench: our own scenario. */
export const PLAYERS: readonly ModelledPlayer[] = [
  {
    name: 'beginner on tenor: flat low, slow bell notes',
    instrumentId: 'tenor',
    level: 'new',
    minutes: 15,
    goals: [],
    cents: (midi) => (midi <= 62 ? -18 : 0),
    responseS: (midi) => (midi <= 61 ? 0.45 : 0.06),
    slopeCents: alike,
    speaks: (midi, partial) => (partial > 1 ? 0.75 - 0.25 * (partial - 2) : midi <= 60 ? 0.7 : 0.95),
    breathS: 8,
    tires: 0.01,
  },
  {
    name: 'home player on alto: sharp when soft and high',
    instrumentId: 'alto',
    level: 'home',
    minutes: 30,
    goals: [],
    cents: (midi, band) => (midi >= 76 && band === 'soft' ? 19 : 2),
    responseS: () => 0.06,
    slopeCents: (midi) => (midi >= 76 ? -10 : -2),
    speaks: (_, partial) => (partial > 1 ? 0.9 - 0.15 * (partial - 2) : 0.97),
    breathS: 14,
    tires: 0.004,
  },
  {
    name: 'advanced on alto: an altissimo goal',
    instrumentId: 'alto',
    level: 'advanced',
    minutes: 60,
    goals: [{ kind: 'highNote', instrumentId: 'alto', midi: 91, by: '2026-02-10' }],
    cents: (midi) => (midi > 88 ? 9 : 1),
    responseS: () => 0.05,
    slopeCents: () => -2,
    speaks: (midi, partial) => (midi > 90 ? 0.6 : partial > 1 ? 0.95 - 0.06 * (partial - 2) : 0.99),
    breathS: 20,
    tires: 0.002,
  },
  {
    name: 'tired on baritone: breaks as the evening goes on',
    instrumentId: 'baritone',
    level: 'home',
    minutes: 30,
    goals: [],
    cents: () => 4,
    responseS: (midi) => (midi <= 60 ? 0.25 : 0.08),
    slopeCents: () => 3,
    speaks: (_, partial) => (partial > 1 ? 0.7 : 0.93),
    breathS: 9,
    tires: 0.02,
  },
  {
    name: 'five minutes a day on alto',
    instrumentId: 'alto',
    level: 'home',
    minutes: 5,
    goals: [],
    cents: (midi) => (midi === 76 ? 14 : 3),
    responseS: () => 0.07,
    slopeCents: () => -4,
    speaks: (_, partial) => (partial > 1 ? 0.8 : 0.96),
    breathS: 12,
    tires: 0.003,
  },
];

/** What a modelled player makes of an exercise: the digest of the take, judged by what the model knows. */
export function takeOf(
  player: ModelledPlayer,
  parameters: ExerciseParameters,
  { startedAtMs, day, taken, harderToday }: { startedAtMs: number; day: string; taken: number; harderToday: boolean },
  random: SeededRandom,
): Digest {
  const score = exerciseScore(parameters);
  const beatS = 60 / score.tempoBpm;
  const findings: Finding[] = [];
  const holds: HeldTone[] = [];
  const seen = score.steps.flatMap((step, i): Observation[] => {
    const { soundedMidi: midi, partialNumber: partial, fingeredMidi, attack } = step;
    const first = step.dynamics[0]!;
    const band = bandAt(first.position ?? dynamicPosition(first.dynamic));
    const fails = random.uniform() > player.speaks(midi, partial) - player.tires * taken;
    if (fails) findings.push(finding('jump', i, { beat: 1, atS: 0, partial: 2, lastsMs: 300, count: 1 }, 3));
    const askedS = step.beats * beatS;
    const breathS = player.breathS * (isLoud(step) ? 0.8 : 1) * (0.95 + 0.1 * random.uniform());
    const holdS = Math.min(askedS, breathS);
    if (!step.openEnd && askedS > breathS + 0.4) findings.push(finding('stoppedEarly', i, { beats: 1 }, 2));
    holds.push({ midi, loud: isLoud(step), holdS, ...((step.openEnd || askedS > breathS) && { ended: true }) });
    if (step.hum || step.bendCents || step.freePitch) return [];
    const cents = player.cents(midi, band) + 2 * random.normal();
    if (Math.abs(cents) > 13 && partial === 1)
      findings.push(
        finding(cents > 0 ? 'sharp' : 'flat', i, { cents: Math.abs(cents), uncertainty: 1 }, Math.abs(cents) / 12),
      );
    const moves = step.dynamics.length > 1;
    return [
      {
        atMs: startedAtMs + i,
        midi,
        fingeredMidi,
        partial,
        band,
        attack,
        tried: true,
        spoke: !fails,
        values: {
          pitchCentreCents: cents,
          pitchSteadinessCents: 2 + Math.abs(random.normal()),
          ...(attack !== 'slurred' && { responseS: player.responseS(midi) + 0.01 * Math.abs(random.normal()) }),
          ...(moves && { pitchAgainstLevelCents: player.slopeCents(midi) + random.normal() }),
        },
      },
    ];
  });
  const worst = Math.max(0, ...findings.map((entry) => entry.weight));
  const broken = findings.filter((entry) => entry.weight === 3).length / score.steps.length;
  const decision: Decision = worst === 3 && broken > 0.2 ? 'easier' : worst >= 2 ? 'again' : 'harder';
  const goalNotes = player.goals.map((goal) => goal.midi);
  const next = nextStep(decision, findings, parameters, {
    goalNotes,
    harderToday,
    held: { holdS: player.breathS, sure: true },
  });
  const verdict = { findings, tries: [], decision, next };
  const setup = { instrumentId: player.instrumentId, reed: 'first' };
  const take = { id: `${startedAtMs}`, parameters, score, setup, measures: [], verdict, demo: false };
  return { ...digestOf(take, { startedAtMs, day }), seen, holds, lastsS: scoreBeats(score) * beatS };
}
