import { type Digest, digestOf, isLoud, type HeldTone, type Observation } from '@inner-hum/core/history';
import { scoreBeats, type ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseKey, exerciseScore } from '@inner-hum/core/families';
import { finding, isSecure, nextStep, type Decision, type Finding } from '@inner-hum/core/judge';
import { bandAt } from '@inner-hum/core/measure';
import type { SeededRandom } from '@inner-hum/core/simulate';
import { dynamicPosition } from '@inner-hum/core/theory';
import type { ModelledPlayer } from './modelledPlayers';

/** What becomes of a player's weaknesses: each note's share that is left, 1 at first. */
export class Learning {
  private readonly left = new Map<string, number>();
  private readonly today = new Map<string, number>();
  private tuned = 0;

  constructor(readonly player: ModelledPlayer) {}

  /** A day begins: a little of what was learnt is forgotten. */
  newDay(): void {
    this.today.clear();
    for (const [key, left] of this.left) this.left.set(key, Math.min(1, left + 0.004));
  }

  share(midi: number, partial = 1): number {
    return this.left.get(`${midi} ${partial}`) ?? 1;
  }

  hornCents(): number {
    return this.tuned >= 2 ? 0 : (this.player.hornCents ?? 0);
  }

  /** What a take taught: the first tries of a day most, neighbours a share of it. */
  practised(take: Digest, tuneUp: boolean): void {
    if (tuneUp) this.tuned++;
    if (this.player.learns === 0) return;
    for (const { midi, partial } of new Set(take.seen))
      for (const [at, share] of [
        [midi, 1],
        [midi - 1, 0.4],
        [midi + 1, 0.4],
      ] as const) {
        const key = `${at} ${partial}`;
        const times = this.today.get(key) ?? 0;
        this.today.set(key, times + share);
        const left = this.left.get(key) ?? 1;
        this.left.set(key, 0.15 + (left - 0.15) * (1 - (this.player.learns * share) / (1 + times)));
      }
  }
}

/** When a take is made: after so many minutes of a day's practice. */
interface Moment {
  readonly startedAtMs: number;
  readonly day: string;
  readonly dayNumber: number;
  readonly afterMin: number;
}

/** What a modelled player makes of an exercise: the digest of the take, judged by what the model knows. */
export function takeOf(
  learning: Learning,
  parameters: ExerciseParameters,
  { startedAtMs, day, dayNumber, afterMin }: Moment,
  earlier: readonly Digest[],
  random: SeededRandom,
): Digest {
  const { player } = learning;
  const score = exerciseScore(parameters);
  const beatS = 60 / score.tempoBpm;
  const findings: Finding[] = [];
  const holds: HeldTone[] = [];
  const dead = player.deadReed?.isOn(dayNumber) ? player.deadReed : undefined;
  const seen = score.steps.flatMap((step, i): Observation[] => {
    const { soundedMidi: midi, partialNumber: partial, fingeredMidi, attack } = step;
    const left = learning.share(midi, partial);
    const first = step.dynamics[0]!;
    const band = bandAt(first.position ?? dynamicPosition(first.dynamic));
    const missing = (1 - player.speaks(midi, partial)) * left;
    const fails = random.uniform() < missing + player.tires * afterMin;
    if (fails) findings.push(finding('jump', i, { beat: 1, atS: 0, partial: 2, lastsMs: 300, count: 1 }, 3));
    const askedS = step.beats * beatS;
    const breathS = player.breathS * (isLoud(step) ? 0.8 : 1) * (0.95 + 0.1 * random.uniform());
    const holdS = Math.min(askedS, breathS);
    if (!step.openEnd && askedS > breathS + 0.4) findings.push(finding('stoppedEarly', i, { beats: 1 }, 2));
    holds.push({ midi, loud: isLoud(step), holdS, ...((step.openEnd || askedS > breathS) && { ended: true }) });
    if (step.hum || step.bendCents || step.freePitch) return [];
    const cents = left * player.cents(midi, band) + learning.hornCents() + 2 * random.normal();
    if (Math.abs(cents) > 13 && partial === 1)
      findings.push(
        finding(cents > 0 ? 'sharp' : 'flat', i, { cents: Math.abs(cents), uncertainty: 1 }, Math.abs(cents) / 12),
      );
    const responseS = dead?.responseS ?? 0.05 + left * Math.max(0, player.responseS(midi) - 0.05);
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
          ...(attack !== 'slurred' && { responseS: responseS + 0.01 * Math.abs(random.normal()) }),
          ...(step.dynamics.length > 1 && { pitchAgainstLevelCents: left * player.slopeCents(midi) + random.normal() }),
        },
      },
    ];
  });
  const worst = Math.max(0, ...findings.map((entry) => entry.weight));
  const broken = findings.filter((entry) => entry.weight === 3).length / score.steps.length;
  const decision: Decision = worst === 3 && broken > 0.2 ? 'easier' : worst >= 2 ? 'again' : 'harder';
  const key = exerciseKey(parameters);
  const same = earlier.filter((take) => exerciseKey(take.parameters) === key);
  const next = nextStep(decision, findings, parameters, {
    goalNotes: player.goals.map((goal) => goal.midi),
    harderToday: same.some(
      (take) => take.day === day && take.decision === 'harder' && Object.keys(take.next).length > 0,
    ),
    secure: isSecure([...same, { day, decision: 'harder' }]),
    held: { holdS: player.breathS, sure: true },
  });
  const verdict = { findings, tries: [], decision, next };
  const setup = { instrumentId: player.instrumentId, reed: dead || !player.deadReed ? 'first' : 'second' };
  const take = { id: `${startedAtMs}`, parameters, score, setup, measures: [], verdict, demo: false };
  return { ...digestOf(take, { startedAtMs, day }), seen, holds, lastsS: scoreBeats(score) * beatS };
}
