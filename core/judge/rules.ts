import { DEMAND_CENTS, type Demand, type Measured, type PartialJump, type StepMeasures } from '@inner-hum/core/measure';
import type { FindingId, TryId, Weight } from './verdict';

export type Sounded = Extract<StepMeasures, { kind: 'sounded' }>;

/** What a rule may look at besides the measures of its step. */
export interface RuleContext {
  readonly demand: Demand;
  readonly beatS: number;
  /** whether the player wants one colour from soft to loud */
  readonly evenColour: boolean;
  /** whether a tone may sit wherever its tube puts it */
  readonly freeTuning: boolean;
}

/** One row of the judge: when it speaks, how much it weighs, what the sentence needs, what to try. */
export interface Rule {
  readonly id: FindingId;
  readonly weight: Weight;
  readonly tries: readonly TryId[];
  /** evidence when the rule speaks, else undefined */
  readonly when: (measures: Sounded, context: RuleContext) => Readonly<Record<string, number>> | undefined;
}

/** Limits of each demand. Our choice; the pitch windows are those of the measures. */
const LIMITS = {
  loose: {
    errorDb: 3,
    slopeCents: 12,
    driftCents: 6,
    spreadCents: 8,
    rangeShare: 0.5,
    lateS: 0.12,
    responseS: 0.25,
    apartDb: 6,
  },
  firm: {
    errorDb: 2,
    slopeCents: 7,
    driftCents: 3.5,
    spreadCents: 5,
    rangeShare: 0.65,
    lateS: 0.07,
    responseS: 0.16,
    apartDb: 4.5,
  },
  fine: {
    errorDb: 1.3,
    slopeCents: 4,
    driftCents: 2,
    spreadCents: 3.5,
    rangeShare: 0.8,
    lateS: 0.04,
    responseS: 0.1,
    apartDb: 3,
  },
} as const;

const WRONG_WAY_SHARE = 0.12;
const PEAK_BEATS = 0.75;
const AIRY_DB = -14;
const SLUR_GAP_S = 0.06;
const SLUR_STEP_DB = 5;
const SCOOP_CENTS = 20;
const SLIP_CENTS = 12;
/** A horn's own colour opens by up to two partials for each 10 dB. */
const OPENS_PARTIALS = 2.6;

/** True when a quantity lies above a limit by more than its own uncertainty. */
function above(quantity: Measured, limit: number): boolean {
  return quantity.kind === 'measured' && quantity.value - quantity.uncertainty > limit;
}

/** Evidence of a quantity under a name: the value's size and its uncertainty. */
function evidence(name: string, quantity: Measured): Record<string, number> {
  return quantity.kind === 'measured' ? { [name]: Math.abs(quantity.value), uncertainty: quantity.uncertainty } : {};
}

function negative(quantity: Measured): Measured {
  return quantity.kind === 'measured' ? { ...quantity, value: -quantity.value } : quantity;
}

const beatOf = (timeS: number, measures: Sounded, { beatS }: RuleContext) =>
  1 + Math.max(0, Math.floor((timeS - measures.plannedStartS) / beatS));

/** The rules of a tone, weightiest first; within a weight the order is the order of telling. */
export const RULES: readonly Rule[] = [
  {
    id: 'otherNote',
    weight: 3,
    tries: ['checkFingering'],
    when: (m) => (m.otherSoundingMidi === undefined ? undefined : { soundingMidi: m.otherSoundingMidi }),
  },
  {
    id: 'jump',
    weight: 3,
    tries: ['voiceTheNote', 'startWhereItSpeaks'],
    when: (m, context) => slips('jump', m, context),
  },
  {
    id: 'dropOut',
    weight: 3,
    tries: ['startWhereItSpeaks', 'onePressure'],
    when: (m, context) => {
      const gap = m.dropOuts[0];
      return (
        gap && { beat: beatOf(gap.atS, m, context), atS: gap.atS, lastsMs: 1000 * gap.lastsS, count: m.dropOuts.length }
      );
    },
  },
  {
    id: 'stoppedEarly',
    weight: 3,
    tries: ['fasterTempo', 'startWhereItSpeaks'],
    when: (m, { beatS }) => {
      const missing = (m.plannedEndS - m.endS) / beatS;
      return missing * beatS > 0.35 && missing > 0.4 ? { beats: missing } : undefined;
    },
  },
  {
    id: 'crack',
    weight: 2,
    tries: ['voiceTheNote', 'onePressure'],
    when: (m, context) => slips('crack', m, context),
  },
  {
    id: 'squeak',
    weight: 2,
    tries: ['warmReed', 'voiceTheNote'],
    when: (m, context) => slips('squeak', m, context),
  },
  {
    id: 'slurGap',
    weight: 2,
    tries: ['keepAirThrough'],
    when: (m) => (m.slur && m.slur.gapS > SLUR_GAP_S ? { ms: 1000 * m.slur.gapS } : undefined),
  },
  {
    id: 'slurStep',
    weight: 2,
    tries: ['keepAirThrough', 'onePressure'],
    when: (m) => {
      const step = m.slur?.levelStepDb;
      return step && (above(step, SLUR_STEP_DB) || above(negative(step), SLUR_STEP_DB))
        ? evidence('db', step)
        : undefined;
    },
  },
  {
    id: 'stairs',
    weight: 2,
    tries: ['onePressure', 'listenAhead'],
    when: (m, context) => {
      const largest = [...m.stairs].sort((a, b) => Math.abs(b.db) - Math.abs(a.db))[0];
      return (
        largest && {
          count: m.stairs.length,
          beat: beatOf(largest.atS, m, context),
          atS: largest.atS,
          db: Math.abs(largest.db),
        }
      );
    },
  },
  {
    id: 'wrongWay',
    weight: 2,
    tries: ['onePressure', 'planTheMiddle'],
    when: (m) =>
      above(m.wrongWayShare, WRONG_WAY_SHARE) && m.wrongWayShare.kind === 'measured'
        ? { percent: 100 * m.wrongWayShare.value }
        : undefined,
  },
  {
    id: 'narrowRange',
    weight: 2,
    tries: ['wideRange'],
    when: (m, { demand }) =>
      m.rangeDb.kind === 'measured' &&
      m.rangeDb.value + m.rangeDb.uncertainty < LIMITS[demand].rangeShare * m.plannedRangeDb
        ? { ...evidence('db', m.rangeDb), plannedDb: m.plannedRangeDb }
        : undefined,
  },
  {
    id: 'unevenLine',
    weight: 2,
    tries: ['planTheMiddle', 'listenAhead'],
    when: (m, { demand }) =>
      above(m.swellErrorDb, LIMITS[demand].errorDb) ? evidence('db', m.swellErrorDb) : undefined,
  },
  {
    id: 'sharpWhenSoft',
    weight: 2,
    tries: ['softenJawWhenSoft'],
    when: (m, { demand }) =>
      above(negative(m.pitchAgainstLevelCents), LIMITS[demand].slopeCents)
        ? evidence('cents', m.pitchAgainstLevelCents)
        : undefined,
  },
  {
    id: 'flatWhenSoft',
    weight: 2,
    tries: ['supportWhenSoft'],
    when: (m, { demand }) =>
      above(m.pitchAgainstLevelCents, LIMITS[demand].slopeCents)
        ? evidence('cents', m.pitchAgainstLevelCents)
        : undefined,
  },
  {
    id: 'sharp',
    weight: 2,
    tries: ['tuneFirst'],
    when: (m, { demand, freeTuning }) =>
      !freeTuning && above(m.pitchCentreCents, DEMAND_CENTS[demand])
        ? evidence('cents', m.pitchCentreCents)
        : undefined,
  },
  {
    id: 'flat',
    weight: 2,
    tries: ['tuneFirst', 'warmReed'],
    when: (m, { demand, freeTuning }) =>
      !freeTuning && above(negative(m.pitchCentreCents), DEMAND_CENTS[demand])
        ? evidence('cents', m.pitchCentreCents)
        : undefined,
  },
  {
    id: 'rising',
    weight: 2,
    tries: ['listenAhead'],
    when: (m, { demand }) =>
      above(m.driftCentsPerS, LIMITS[demand].driftCents) && driftsFar(m, demand)
        ? evidence('cents', m.driftCentsPerS)
        : undefined,
  },
  {
    id: 'sinking',
    weight: 2,
    tries: ['supportWhenSoft'],
    when: (m, { demand }) =>
      above(negative(m.driftCentsPerS), LIMITS[demand].driftCents) && driftsFar(m, demand)
        ? evidence('cents', m.driftCentsPerS)
        : undefined,
  },
  {
    id: 'unsteady',
    weight: 2,
    tries: ['listenAhead', 'onePressure'],
    when: (m, { demand }) =>
      above(m.pitchSteadinessCents, LIMITS[demand].spreadCents) ? evidence('cents', m.pitchSteadinessCents) : undefined,
  },
  {
    id: 'colourApart',
    weight: 2,
    tries: ['keepTheVowel'],
    when: (m, { demand }) =>
      m.pair && above(m.pair.spectralDistanceDb, LIMITS[demand].apartDb)
        ? evidence('db', m.pair.spectralDistanceDb)
        : undefined,
  },
  {
    id: 'colourOpens',
    weight: 1,
    tries: ['coverTheLoudEnd'],
    when: (m, { evenColour }) =>
      evenColour && above(m.centroidAgainstLevel, OPENS_PARTIALS)
        ? evidence('partials', m.centroidAgainstLevel)
        : undefined,
  },
  {
    id: 'late',
    weight: 1,
    tries: ['airBeforeBeat'],
    when: (m, { demand }) => (above(m.latenessS, LIMITS[demand].lateS) ? inMs(evidence('ms', m.latenessS)) : undefined),
  },
  {
    id: 'early',
    weight: 1,
    tries: ['airBeforeBeat'],
    when: (m, { demand }) =>
      above(negative(m.latenessS), LIMITS[demand].lateS) ? inMs(evidence('ms', m.latenessS)) : undefined,
  },
  {
    id: 'slowResponse',
    weight: 1,
    tries: ['letItSpeak'],
    when: (m, { demand }) =>
      above(m.responseS, LIMITS[demand].responseS) ? inMs(evidence('ms', m.responseS)) : undefined,
  },
  {
    id: 'scooped',
    weight: 1,
    tries: ['voiceTheNote'],
    when: (m) => (above(negative(m.scoopCents), SCOOP_CENTS) ? evidence('cents', m.scoopCents) : undefined),
  },
  {
    id: 'slipsAtEnd',
    weight: 1,
    tries: ['endWithAir'],
    when: (m) => {
      const slip = m.release.slipCents;
      return above(slip, SLIP_CENTS) || above(negative(slip), SLIP_CENTS) ? evidence('cents', slip) : undefined;
    },
  },
  {
    id: 'peakLate',
    weight: 1,
    tries: ['planTheMiddle'],
    when: (m) => (above(m.peakPlaceBeats, PEAK_BEATS) ? evidence('beats', m.peakPlaceBeats) : undefined),
  },
  {
    id: 'peakEarly',
    weight: 1,
    tries: ['planTheMiddle'],
    when: (m) => (above(negative(m.peakPlaceBeats), PEAK_BEATS) ? evidence('beats', m.peakPlaceBeats) : undefined),
  },
  {
    id: 'airySoftEnd',
    weight: 1,
    tries: ['lessThroatMoreAir'],
    when: (m) => (above(m.breathAtSoftEndDb, AIRY_DB) ? evidence('db', m.breathAtSoftEndDb) : undefined),
  },
];

/** Whether a drift leads anywhere: over a short tone a slope is only its waver. */
function driftsFar(m: Sounded, demand: Demand): boolean {
  const { driftCentsPerS: drift } = m;
  const far = drift.kind === 'measured' ? Math.abs(drift.value) * (m.endS - m.onsetS) : 0;
  return far > DEMAND_CENTS[demand];
}

/** The first slip of a kind, and how many there are. */
function slips(kind: PartialJump['kind'], m: Sounded, context: RuleContext) {
  const found = m.jumps.filter((one) => one.kind === kind);
  const first = found[0];
  return (
    first && {
      beat: beatOf(first.atS, m, context),
      atS: first.atS,
      partial: first.toPartial,
      lastsMs: 1000 * first.lastsS,
      count: found.length,
    }
  );
}

function inMs(values: Record<string, number>): Record<string, number> {
  return Object.fromEntries(Object.entries(values).map(([name, seconds]) => [name, 1000 * seconds]));
}
