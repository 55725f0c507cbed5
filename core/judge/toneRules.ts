import { limitOf } from '@inner-hum/core/measure';
import { against, negative, over, overEitherWay, overLimit, rule, said, saidInMs, type AnyRule } from './rule';
import { STAIR_DB, beatOf, driftsFar, measuredRuler } from './toneRuleParts';

/** A low note begun with air alone may take this long to speak: the column is long, and the air comes first. Seconds. */
const LOW_BREATH_ATTACK_S = 0.3;
const LAST_LOW_MIDI = 62;

/** Rules of every tone that lasted. */
export const TONE_RULES: readonly AnyRule[] = [
  rule({
    id: 'breathTaken',
    when: (m, context) => saidInMs(overLimit('breathTakenS', m.breathTakenS, context)),
  }),
  rule({
    id: 'slurGap',
    when: (m) =>
      m.slur && m.slur.gapS > limitOf('slurGapS', 'firm')
        ? { values: { ms: 1000 * m.slur.gapS }, severity: m.slur.gapS / limitOf('slurGapS', 'firm') }
        : undefined,
  }),
  rule({
    id: 'slurStep',
    when: (m, context) => m.slur && said('db', overEitherWay('slurStepDb', m.slur.levelStepDb, context)),
  }),
  rule({
    id: 'stairs',
    when: (m, context) => {
      const largest = [...m.stairs].sort((a, b) => Math.abs(b.db) - Math.abs(a.db))[0];
      if (!largest) return undefined;
      const db = Math.abs(largest.db);
      const values = { count: m.stairs.length, beat: beatOf(largest.atS, m, context), atS: largest.atS, db };
      return { values, severity: db / STAIR_DB };
    },
  }),
  rule({
    id: 'wrongWay',
    when: (m, context) => {
      const found = overLimit('wrongWayShare', m.wrongWayShare, context);
      return found && { values: { percent: 100 * found.size }, severity: found.severity };
    },
  }),
  rule({
    id: 'narrowRange',
    when: (m, { demand }) => {
      if (m.rangeDb.kind !== 'measured') return undefined;
      const { value: db, uncertainty } = m.rangeDb;
      const wanted = limitOf('rangeShare', demand) * m.plannedRangeDb;
      if (db + uncertainty >= wanted) return undefined;
      return {
        values: { db: Math.abs(db), uncertainty, plannedDb: m.plannedRangeDb },
        severity: wanted / Math.max(1, db + uncertainty),
      };
    },
  }),
  rule({
    id: 'unevenLine',
    when: (m, context) => said('db', overLimit('swellErrorDb', m.swellErrorDb, context)),
  }),
  rule({
    id: 'tooLoud',
    when: (m, context) => measuredRuler(context, () => overLimit('levelAgainstPlanDb', m.levelAgainstPlanDb, context)),
  }),
  rule({
    id: 'tooSoft',
    when: (m, context) =>
      measuredRuler(context, () => overLimit('levelAgainstPlanDb', negative(m.levelAgainstPlanDb), context)),
  }),
  rule({
    id: 'sharpWhenSoft',
    when: (m, context) =>
      said('cents', overLimit('pitchAgainstLevelCents', negative(m.pitchAgainstLevelCents), context)),
  }),
  rule({
    id: 'flatWhenSoft',
    when: (m, context) => said('cents', overLimit('pitchAgainstLevelCents', m.pitchAgainstLevelCents, context)),
  }),
  rule({
    id: 'sharp',
    when: (m, context) =>
      context.freeTuning
        ? undefined
        : said('cents', overLimit('pitchCentreCents', against(m.pitchCentreCents, context.tubeCents), context)),
  }),
  rule({
    id: 'flat',
    when: (m, context) =>
      context.freeTuning
        ? undefined
        : said(
            'cents',
            overLimit('pitchCentreCents', negative(against(m.pitchCentreCents, context.tubeCents)), context),
          ),
  }),
  rule({
    id: 'rising',
    when: (m, context) =>
      driftsFar(m, context.demand) ? said('cents', overLimit('driftCentsPerS', m.driftCentsPerS, context)) : undefined,
  }),
  rule({
    id: 'sinking',
    when: (m, context) =>
      driftsFar(m, context.demand)
        ? said('cents', overLimit('driftCentsPerS', negative(m.driftCentsPerS), context))
        : undefined,
  }),
  rule({
    id: 'unsteady',
    when: (m, context) => said('cents', overLimit('pitchSteadinessCents', m.pitchSteadinessCents, context)),
  }),
  rule({
    id: 'colourOpens',
    when: (m, context) =>
      context.evenColour
        ? said('partials', overLimit('centroidAgainstLevel', m.centroidAgainstLevel, context))
        : undefined,
  }),
  rule({
    id: 'late',
    when: (m, context) => saidInMs(overLimit('latenessS', m.latenessS, context)),
  }),
  rule({
    id: 'early',
    when: (m, context) => saidInMs(overLimit('latenessS', negative(m.latenessS), context)),
  }),
  rule({
    id: 'slowResponse',
    when: (m, { demand, step }) => {
      const lowBreath = step?.attack === 'breath' && step.fingeredMidi <= LAST_LOW_MIDI;
      const limitS = limitOf('responseS', demand);
      return saidInMs(over(m.responseS, lowBreath ? Math.max(limitS, LOW_BREATH_ATTACK_S) : limitS));
    },
  }),
  rule({
    id: 'scooped',
    when: (m, context) => said('cents', overLimit('scoopCents', negative(m.scoopCents), context)),
  }),
  rule({
    id: 'overshoots',
    when: (m, context) => said('db', overLimit('overshootDb', m.overshootDb, context)),
  }),
  rule({
    id: 'octaveUnder',
    when: (m, context) => saidInMs(overLimit('octaveBelowS', m.octaveBelowS, context)),
  }),
  rule({
    id: 'airWavers',
    when: (m, context) => said('db', overLimit('airSpreadDb', m.airSpreadDb, context)),
  }),
  rule({
    id: 'slipsAtEnd',
    // A vibrato ends on one side of its wave.
    when: ({ release: { slipCents } }, context) =>
      context.step?.vibrato ? undefined : said('cents', overEitherWay('slipCents', slipCents, context)),
  }),
  rule({
    id: 'peakLate',
    when: (m, context) => said('beats', overLimit('peakPlaceBeats', m.peakPlaceBeats, context)),
  }),
  rule({
    id: 'peakEarly',
    when: (m, context) => said('beats', overLimit('peakPlaceBeats', negative(m.peakPlaceBeats), context)),
  }),
  rule({
    id: 'airySoftEnd',
    when: (m, context) => said('db', overLimit('breathAtSoftEndDb', m.breathAtSoftEndDb, context)),
  }),
];
