import { DEMAND_CENTS, limitOf } from '@inner-hum/core/measure';
import {
  ALL_OF_IT,
  negative,
  over,
  overLimit,
  rule,
  said,
  saidInMs,
  wrongPartial,
  type AnyRule,
  type RuleContext,
  type Sounded,
} from './rule';
import { withoutOctaveKey } from './breakRules';

/** A bend must reach this share of what is asked. */
const BEND_SHARE = 0.7;
/** How far the second of a pair is sharp (1) or flat (−1) beside what its partial is by nature. */
function pairApart(m: Sounded, { demand, freeTuning, pairOffsetCents }: RuleContext, sign: 1 | -1) {
  const pitch = m.pair?.pitchCents;
  if (freeTuning || pitch?.kind !== 'measured') return undefined;
  return said('cents', over({ ...pitch, value: sign * (pitch.value - pairOffsetCents) }, DEMAND_CENTS[demand]));
}

/** Rules of overtones, pairs, hums and bends. */
export const OVERTONE_RULES: readonly AnyRule[] = [
  rule({
    id: 'hummedOther',
    when: (m) =>
      m.otherSoundingMidi === undefined
        ? undefined
        : { values: { soundingMidi: m.otherSoundingMidi }, severity: ALL_OF_IT },
  }),
  rule({
    id: 'wrongPartial',
    when: (m, { step, regular }) => {
      const partial = wrongPartial(m);
      const ofOctaveKey = regular && partial === 2 && step && withoutOctaveKey(step.fingeredMidi);
      return step && partial !== undefined && !ofOctaveKey
        ? { values: { partial, wanted: step.partialNumber }, severity: ALL_OF_IT }
        : undefined;
    },
  }),
  rule({
    id: 'slowChange',
    when: (m, { demand, changesOver }) => {
      const limitS = limitOf('glitchS', demand);
      return changesOver && m.slur && m.slur.glitchS > limitS && wrongPartial(m) === undefined
        ? { values: { ms: 1000 * m.slur.glitchS }, severity: m.slur.glitchS / limitS }
        : undefined;
    },
  }),
  rule({
    id: 'pairSharp',
    when: (m, context) => pairApart(m, context, 1),
  }),
  rule({
    id: 'pairFlat',
    when: (m, context) => pairApart(m, context, -1),
  }),
  rule({
    id: 'humSharp',
    when: (m, context) => said('cents', overLimit('humCents', m.pitchCentreCents, context)),
  }),
  rule({
    id: 'humFlat',
    when: (m, context) => said('cents', overLimit('humCents', negative(m.pitchCentreCents), context)),
  }),
  rule({
    id: 'bendShallow',
    when: (m, { step }) => {
      const asked = Math.abs(step?.bendCents ?? 0);
      const depth = m.bend?.depthCents;
      if (depth?.kind !== 'measured' || depth.value >= BEND_SHARE * asked) return undefined;
      const { value, uncertainty } = depth;
      return {
        values: { cents: Math.abs(value), uncertainty, asked },
        severity: (BEND_SHARE * asked) / Math.max(1, value),
      };
    },
  }),
  rule({
    id: 'bendOff',
    when: (m, { demand }) => {
      const back = m.bend?.returnCents;
      const limit = DEMAND_CENTS[demand];
      return back && said('cents', over(back, limit) ?? over(negative(back), limit));
    },
  }),
  rule({
    id: 'bendRough',
    when: (m, context) => m.bend && said('cents', overLimit('bendStepCents', m.bend.stepCents, context)),
  }),
  rule({
    id: 'colourApart',
    when: (m, context) => m.pair && said('db', overLimit('pairDistanceDb', m.pair.spectralDistanceDb, context)),
  }),
  rule({
    id: 'changeLate',
    when: (m, context) => m.pair && saidInMs(overLimit('latenessS', m.pair.changeS, context)),
  }),
  rule({
    id: 'changeEarly',
    when: (m, context) => m.pair && saidInMs(overLimit('latenessS', negative(m.pair.changeS), context)),
  }),
  rule({
    id: 'pairLouder',
    when: (m, context) => m.pair && said('db', overLimit('pairLevelDb', m.pair.levelDb, context)),
  }),
  rule({
    id: 'pairSofter',
    when: (m, context) => m.pair && said('db', overLimit('pairLevelDb', negative(m.pair.levelDb), context)),
  }),
];
