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
    weight: 3,
    topic: 'break',
    tries: ['hearItAgain'],
    explains: ['humSharp', 'humFlat'],
    when: (m) =>
      m.otherSoundingMidi === undefined
        ? undefined
        : { values: { soundingMidi: m.otherSoundingMidi }, severity: ALL_OF_IT },
  }),
  rule({
    id: 'wrongPartial',
    weight: 3,
    topic: 'break',
    tries: ['humIt', 'voiceTheNote'],
    explains: ['jump', 'crack', 'sharp', 'flat', 'scooped', 'unsteady', 'slowResponse', 'stairs', 'slowChange'],
    when: (m, { step }) => {
      const partial = wrongPartial(m);
      return step && partial !== undefined
        ? { values: { partial, wanted: step.partialNumber }, severity: ALL_OF_IT }
        : undefined;
    },
  }),
  rule({
    id: 'slowChange',
    weight: 2,
    topic: 'change',
    tries: ['changeWithoutJaw', 'humIt'],
    explains: ['slurGap', 'slurStep', 'scooped'],
    when: (m, { demand, changesOver }) => {
      const limitS = limitOf('glitchS', demand);
      return changesOver && m.slur && m.slur.glitchS > limitS && wrongPartial(m) === undefined
        ? { values: { ms: 1000 * m.slur.glitchS }, severity: m.slur.glitchS / limitS }
        : undefined;
    },
  }),
  rule({
    id: 'pairSharp',
    weight: 2,
    topic: 'pitch',
    tries: ['humIt'],
    explains: ['sharp'],
    when: (m, context) => pairApart(m, context, 1),
  }),
  rule({
    id: 'pairFlat',
    weight: 2,
    topic: 'pitch',
    tries: ['humIt'],
    explains: ['flat'],
    when: (m, context) => pairApart(m, context, -1),
  }),
  rule({
    id: 'humSharp',
    weight: 2,
    topic: 'pitch',
    tries: ['hearItAgain'],
    when: (m, context) => said('cents', overLimit('humCents', m.pitchCentreCents, context)),
  }),
  rule({
    id: 'humFlat',
    weight: 2,
    topic: 'pitch',
    tries: ['hearItAgain'],
    when: (m, context) => said('cents', overLimit('humCents', negative(m.pitchCentreCents), context)),
  }),
  rule({
    id: 'bendShallow',
    weight: 2,
    topic: 'change',
    aspect: 'bendDepth',
    tries: ['slowerBend'],
    when: (m, { step }) => {
      const asked = step?.bendCents ?? 0;
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
    weight: 2,
    topic: 'pitch',
    tries: ['hearItAgain'],
    when: (m, { demand }) => {
      const back = m.bend?.returnCents;
      const limit = DEMAND_CENTS[demand];
      return back && said('cents', over(back, limit) ?? over(negative(back), limit));
    },
  }),
  rule({
    id: 'bendRough',
    weight: 2,
    topic: 'line',
    tries: ['slowerBend'],
    when: (m, context) => m.bend && said('cents', overLimit('bendStepCents', m.bend.stepCents, context)),
  }),
  rule({
    id: 'colourApart',
    weight: 2,
    topic: 'colour',
    tries: ['keepTheVowel'],
    when: (m, context) => m.pair && said('db', overLimit('pairDistanceDb', m.pair.spectralDistanceDb, context)),
  }),
  rule({
    id: 'changeLate',
    weight: 1,
    topic: 'time',
    aspect: 'changeTime',
    tries: ['countTheChange'],
    when: (m, context) => m.pair && saidInMs(overLimit('latenessS', m.pair.changeS, context)),
  }),
  rule({
    id: 'changeEarly',
    weight: 1,
    topic: 'time',
    aspect: 'changeTime',
    tries: ['countTheChange'],
    when: (m, context) => m.pair && saidInMs(overLimit('latenessS', negative(m.pair.changeS), context)),
  }),
  rule({
    id: 'pairLouder',
    weight: 1,
    topic: 'level',
    tries: ['matchTheAir'],
    explains: ['slurStep'],
    when: (m, context) => m.pair && said('db', overLimit('pairLevelDb', m.pair.levelDb, context)),
  }),
  rule({
    id: 'pairSofter',
    weight: 1,
    topic: 'level',
    tries: ['matchTheAir'],
    explains: ['slurStep'],
    when: (m, context) => m.pair && said('db', overLimit('pairLevelDb', negative(m.pair.levelDb), context)),
  }),
];
