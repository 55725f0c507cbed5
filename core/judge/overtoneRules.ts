import { DEMAND_CENTS } from '@inner-hum/core/measure';
import { above, evidence, inMs, LIMITS, negative, wrongPartial, type Rule } from './rule';

const PAIR_LEVEL_DB = 4;
/** A bend must reach this share of what is asked; faster than this within 40 ms it is a break, cents. */
const BEND_SHARE = 0.7;
const BEND_STEP_CENTS = 60;

/** Rules of overtones, pairs, hums and bends, weightiest first. */
export const OVERTONE_RULES: readonly Rule[] = [
  {
    id: 'hummedOther',
    weight: 3,
    tries: ['hearItAgain'],
    when: (m) => (m.otherSoundingMidi === undefined ? undefined : { soundingMidi: m.otherSoundingMidi }),
  },
  {
    id: 'wrongPartial',
    weight: 3,
    tries: ['humIt', 'voiceTheNote'],
    when: (m, { step }) => {
      const partial = wrongPartial(m);
      return step && partial !== undefined ? { partial, wanted: step.partialNumber } : undefined;
    },
  },
  {
    id: 'slowChange',
    weight: 2,
    tries: ['changeWithoutJaw', 'humIt'],
    when: (m, { demand, changesOver }) =>
      changesOver && m.slur && m.slur.glitchS > LIMITS[demand].glitchS && wrongPartial(m) === undefined
        ? { ms: 1000 * m.slur.glitchS }
        : undefined,
  },
  {
    id: 'pairSharp',
    weight: 2,
    tries: ['humIt'],
    when: (m, { demand, tempered }) =>
      tempered && m.pair && above(m.pair.pitchCents, DEMAND_CENTS[demand])
        ? evidence('cents', m.pair.pitchCents)
        : undefined,
  },
  {
    id: 'pairFlat',
    weight: 2,
    tries: ['humIt'],
    when: (m, { demand, tempered }) =>
      tempered && m.pair && above(negative(m.pair.pitchCents), DEMAND_CENTS[demand])
        ? evidence('cents', m.pair.pitchCents)
        : undefined,
  },
  {
    id: 'humSharp',
    weight: 2,
    tries: ['hearItAgain'],
    when: (m, { demand }) =>
      above(m.pitchCentreCents, LIMITS[demand].humCents) ? evidence('cents', m.pitchCentreCents) : undefined,
  },
  {
    id: 'humFlat',
    weight: 2,
    tries: ['hearItAgain'],
    when: (m, { demand }) =>
      above(negative(m.pitchCentreCents), LIMITS[demand].humCents) ? evidence('cents', m.pitchCentreCents) : undefined,
  },
  {
    id: 'bendShallow',
    weight: 2,
    tries: ['slowerBend'],
    when: (m, { step }) => {
      const asked = step?.bendCents ?? 0;
      const short = m.bend?.depthCents.kind === 'measured' && m.bend.depthCents.value < BEND_SHARE * asked;
      return m.bend && short ? { ...evidence('cents', m.bend.depthCents), asked } : undefined;
    },
  },
  {
    id: 'bendOff',
    weight: 2,
    tries: ['hearItAgain'],
    when: (m, { demand }) => {
      const back = m.bend?.returnCents;
      return back && (above(back, DEMAND_CENTS[demand]) || above(negative(back), DEMAND_CENTS[demand]))
        ? evidence('cents', back)
        : undefined;
    },
  },
  {
    id: 'bendRough',
    weight: 2,
    tries: ['slowerBend'],
    when: (m) => (m.bend && above(m.bend.stepCents, BEND_STEP_CENTS) ? evidence('cents', m.bend.stepCents) : undefined),
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
    id: 'changeLate',
    weight: 1,
    tries: ['countTheChange'],
    when: (m, { demand }) =>
      m.pair && above(m.pair.changeS, LIMITS[demand].lateS) ? inMs(evidence('ms', m.pair.changeS)) : undefined,
  },
  {
    id: 'changeEarly',
    weight: 1,
    tries: ['countTheChange'],
    when: (m, { demand }) =>
      m.pair && above(negative(m.pair.changeS), LIMITS[demand].lateS)
        ? inMs(evidence('ms', m.pair.changeS))
        : undefined,
  },
  {
    id: 'pairLouder',
    weight: 1,
    tries: ['matchTheAir'],
    when: (m) => (m.pair && above(m.pair.levelDb, PAIR_LEVEL_DB) ? evidence('db', m.pair.levelDb) : undefined),
  },
  {
    id: 'pairSofter',
    weight: 1,
    tries: ['matchTheAir'],
    when: (m) =>
      m.pair && above(negative(m.pair.levelDb), PAIR_LEVEL_DB) ? evidence('db', m.pair.levelDb) : undefined,
  },
];
