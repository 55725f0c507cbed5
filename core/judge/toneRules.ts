import { DEMAND_CENTS, type Demand, type PartialJump } from '@inner-hum/core/measure';
import {
  above,
  evidence,
  inMs,
  LIMITS,
  negative,
  wrongPartial,
  type Rule,
  type RuleContext,
  type Sounded,
} from './rule';

const WRONG_WAY_SHARE = 0.12;
const PEAK_BEATS = 0.75;
const AIRY_DB = -14;
const SLUR_GAP_S = 0.06;
const SLUR_STEP_DB = 5;
const SCOOP_CENTS = 20;
const SLIP_CENTS = 12;
/** A horn's own colour opens by up to two partials for each 10 dB. */
const OPENS_PARTIALS = 2.6;

const beatOf = (timeS: number, measures: Sounded, { beatS }: RuleContext) =>
  1 + Math.max(0, Math.floor((timeS - measures.plannedStartS) / beatS));

/** Rules of every tone, weightiest first; within a weight the order is the order of telling. */
export const TONE_RULES: readonly Rule[] = [
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
    when: (m, context) => (wrongPartial(m) === undefined ? slips('jump', m, context) : undefined),
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
