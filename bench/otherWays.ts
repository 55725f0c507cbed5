import { judgeTake, NOT_JUDGED, type Assignment, type FindingId, type PastTake } from '@inner-hum/core/judge';
import { digestOf, pastTakeOf } from '@inner-hum/core/history';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { measured, type StepMeasures } from '@inner-hum/core/measure';
import { CLEAN_HABITS, withFault, type Habits } from '@inner-hum/core/simulate';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { play, playFamily, playSwell } from './play';

const SEED = 12;
/** A player whose dynamics were measured: only then p and f are judged. */
export const MEASURED: Partial<Assignment> = { ruler: { ...ASSUMED_RULER, origin: 'measured' } };
type Change = Readonly<Record<string, number | string>>;

const when = (startedAt: string) => ({ startedAtMs: Date.parse(startedAt), day: startedAt.slice(0, 10) });

/** A take of the stand-in player as those after it see it. */
function before(family: string, habits: Habits, startedAt: string, reed: string, change: Change = {}): PastTake {
  const parameters = { ...usualExercise(familyById(family), 'alto'), tempoBpm: 120, ...change };
  const key = JSON.stringify([parameters, habits]);
  const heard = played.get(key) ?? play(parameters, SEED, habits);
  played.set(key, heard);
  const setup = { instrumentId: 'alto', reed } as const;
  const { measures, verdict } = heard;
  const take = { id: key, parameters, score: exerciseScore(parameters), setup, measures, verdict, demo: false };
  return pastTakeOf(digestOf(take, when(startedAt)));
}
/** what was heard of each exercise and habits: the same on every day */
const played = new Map<string, ReturnType<typeof play>>();

function after(
  past: readonly PastTake[],
  family: string,
  habits: Habits,
  change: Change = {},
  startedAt = '2026-01-09T18:00:00.000Z',
) {
  const about: Partial<Assignment> = { past, now: { ...when(startedAt), reed: 'second' } };
  return playFamily(family, 'alto', SEED, habits, { tempoBpm: 120, ...change }, about).findings;
}

const onDays = (make: (startedAt: string, reed: string, i: number) => PastTake, count: number) =>
  Array.from({ length: count }, (_, i) => make(`2026-01-0${i + 1}T18:00:00.000Z`, ['first', 'second'][i % 2]!, i));
const inOneHour = (habits: readonly Habits[]) =>
  habits.map((habit, i) => before('hold', habit, `2026-01-09T17:${30 + 5 * i}:00.000Z`, 'first'));
const soft = withFault('sharpWhenSoft');
const notes = [60, 64, 69, 74];

const onDevice = (device: Assignment['device']) =>
  playFamily('hold', 'alto', SEED, CLEAN_HABITS, {}, device ? { device } : {}).findings;
const FREE = { held: '67:3:50 58:4:50' };
const freely = (habits: Habits) => playFamily('freePlay', 'alto', SEED, habits, FREE).findings;
/** Free play of which the recording told more of its last tone. */
function freelyWith(more: Partial<Extract<StepMeasures, { kind: 'sounded' }>>) {
  const { measures, assignment } = play(
    { ...usualExercise(familyById('freePlay'), 'alto'), ...FREE },
    SEED,
    CLEAN_HABITS,
  );
  return judgeTake(
    measures.map((step, i) => (i === measures.length - 1 && step.kind === 'sounded' ? { ...step, ...more } : step)),
    assignment,
  ).findings;
}

/** How each sentence that no single ordered fault calls forth is reached. */
export const OTHER_WAYS = {
  nothingHeard: () => playFamily('hold', 'alto', SEED, { ...CLEAN_HABITS, stopsAt: 0, breathDb: -90 }).findings,
  otherNote: () => playFamily('hold', 'alto', SEED, { ...CLEAN_HABITS, tuningCents: 300 }).findings,
  octaveAbove: () =>
    playFamily('swell', 'alto', SEED, { ...CLEAN_HABITS, jumps: [{ place: 0, partial: 2, lastsS: 30 }] }).findings,
  octaveBelow: () =>
    playFamily('swell', 'alto', SEED, { ...CLEAN_HABITS, tuningCents: -1200 }, { writtenMidi: 79 }).findings,
  brokeOff: () => playFamily('swell', 'alto', SEED, { ...CLEAN_HABITS, stopsAt: 0.15 }).findings,
  tooShort: () => playFamily('hold', 'alto', SEED, { ...CLEAN_HABITS, breathS: 1.5 }).findings,
  heldShort: () => playFamily('hold', 'alto', SEED, { ...CLEAN_HABITS, breathS: 3.4 }).findings,
  stoppedAfter: () => {
    const { measures, assignment } = play(usualExercise(familyById('threeZones'), 'alto'), SEED, CLEAN_HABITS);
    return judgeTake([...measures.slice(0, 1), { kind: 'silent' }, { kind: 'silent' }], assignment).findings;
  },
  laterWorse: () => playFamily('countedBreaths', 'alto', SEED, withFault('fatigue')).findings,
  notJudged: () => NOT_JUDGED.findings,
  held: () => playFamily('hold', 'alto', SEED, CLEAN_HABITS).findings,
  steady: () => playFamily('countedBreaths', 'alto', SEED, CLEAN_HABITS).findings,
  cleared: () => playFamily('overtoneLadder', 'alto', SEED, CLEAN_HABITS, { goesOn: 'clear1' }).findings,
  even: () => playSwell(SEED, CLEAN_HABITS).verdict.findings,
  humRight: () => playFamily('humFirst', 'alto', SEED, CLEAN_HABITS).findings,
  bendDeep: () => playFamily('bend', 'alto', SEED, CLEAN_HABITS).findings,
  rests: () => playFamily('smallTube', 'alto', SEED, CLEAN_HABITS).findings,
  wrongWay: () => playFamily('swell', 'alto', SEED, { ...CLEAN_HABITS, rangeShare: -0.8 }, { shape: 'grow' }).findings,
  unevenLine: () => playFamily('swell', 'alto', SEED, { ...CLEAN_HABITS, peakShift: 0.36 }, { shape: 'grow' }).findings,
  colourNear: () => playFamily('ventMatch', 'alto', SEED, CLEAN_HABITS).findings,
  colourTravels: () => playFamily('vowelSweep', 'alto', SEED, CLEAN_HABITS).findings,
  subtone: () => playFamily('fullAndSubtone', 'alto', SEED, CLEAN_HABITS).findings,
  subtoneRuns: () => playFamily('fullAndSubtone', 'alto', SEED, CLEAN_HABITS, { breaths: 'runUp' }).findings,
  subtoneStops: () =>
    playFamily(
      'fullAndSubtone',
      'alto',
      SEED,
      { ...CLEAN_HABITS, perNote: { 67: { levelDb: 14 } } },
      { breaths: 'runUp' },
    ).findings,
  fades: () => playFamily('oneBreathDescent', 'alto', SEED, CLEAN_HABITS).findings,
  fadeBack: () =>
    playFamily('oneBreathDescent', 'alto', SEED, { ...CLEAN_HABITS, perNote: { 60: { levelDb: 9 } } }).findings,
  fadeShallow: () => playFamily('oneBreathDescent', 'alto', SEED, withFault('neverSoft')).findings,
  firstTraceAt: () => playFamily('firstTrace', 'alto', SEED, CLEAN_HABITS, {}, MEASURED).findings,
  startsAbove: () => playFamily('fromNothing', 'alto', SEED, withFault('startsAtOnce'), {}, MEASURED).findings,
  fromNothing: () => playFamily('fromNothing', 'alto', SEED, CLEAN_HABITS, {}, MEASURED).findings,
  vibratoRight: () => playFamily('vibrato', 'alto', SEED, CLEAN_HABITS).findings,
  vibratoUneven: () => {
    const vibrato = { rateHz: 6.3, extentCents: 17 };
    return playFamily('vibrato', 'alto', SEED, { ...CLEAN_HABITS, vibrato }).findings;
  },
  heldUntilPitch: () => playFamily('hold', 'alto', SEED, withFault('rising')).findings,
  heldUntilJump: () => playFamily('hold', 'alto', SEED, withFault('jump')).findings,
  heldUntilGap: () => playFamily('hold', 'alto', SEED, withFault('dropOut')).findings,
  levelsRide: () => onDevice({ gainRidesDb: 9 }),
  soundLost: () => onDevice({ lost: [{ atS: 3, lastsS: 0.1, how: 'clock' }] }),
  tooMuchLost: () => onDevice({ lost: [{ atS: 3, lastsS: 4, how: 'clock' }] }),
  levelsGated: () => onDevice({ gated: true }),
  clipped: () => onDevice({ clipped: 3 }),
  bandLimited: () => onDevice({ bandHz: 3400 }),
  freeHeld: () => freely(CLEAN_HABITS),
  freeSteadiest: () => freely(CLEAN_HABITS),
  freeOvertone: () => freelyWith({ tube: { kind: 'partial', partial: 2, sure: true, aboveDb: 20 } }),
  freeDrop: () => freelyWith({ drop: { fromSoundingMidi: 65, lateS: 0.05 } }),
  freeDropBroke: () => freelyWith({ drop: { fromSoundingMidi: 65, lateS: 0.3, brokeToSoundingMidi: 61 } }),
  airStarts: () => playFamily('airIntoTone', 'alto', SEED, CLEAN_HABITS).findings,
  freeSharp: () => freely(withFault('sharp')),
  freeFlat: () => freely(withFault('flat')),
  octaveUnder: () => {
    const { measures, assignment } = play(usualExercise(familyById('hold'), 'alto'), SEED, CLEAN_HABITS);
    return judgeTake(
      measures.map((step) => (step.kind === 'sounded' ? { ...step, octaveBelowS: measured(0.08, 0.01) } : step)),
      assignment,
    ).findings;
  },
  onEdge: () => {
    const { measures, assignment } = play(usualExercise(familyById('hold'), 'alto'), SEED, CLEAN_HABITS);
    return judgeTake(
      measures.map((step) =>
        step.kind === 'sounded'
          ? {
              ...step,
              upperMixed: [{ atS: step.onsetS + 1, lastsS: 0.3 }],
              jumps: [
                { kind: 'jump', atS: step.onsetS + 1.4, lastsS: 0.2, fromPartial: 1, toPartial: 2, cameBack: true },
              ],
            }
          : step,
      ),
      assignment,
    ).findings;
  },
  vibratoHeard: () => {
    const vibrato = { rateHz: 5, extentCents: 18 };
    return playFamily('countedBreaths', 'alto', SEED, { ...CLEAN_HABITS, vibrato }).findings;
  },
  leakLikely: () => {
    const past = onDays((at, reed) => before('tongueOrAir', withFault('bothFail'), at, reed), 2);
    const upper = onDays((at, reed) => before('tongueOrAir', CLEAN_HABITS, at, reed, { writtenMidi: 72 }), 2);
    return after([...past, ...upper], 'tongueOrAir', withFault('bothFail'));
  },
  slopeEverywhere: () => {
    const past = onDays((at, reed, i) => before('swell', soft, at, reed, { writtenMidi: notes[i]! }), 4);
    return after(past, 'swell', soft);
  },
  slopeHere: () => {
    const past = onDays((at, reed, i) => before('swell', CLEAN_HABITS, at, reed, { writtenMidi: notes[i]! }), 4);
    return after(past, 'swell', soft);
  },
  steadierNow: () => {
    const sharp = withFault('sharp');
    return after(inOneHour([sharp, sharp, CLEAN_HABITS]), 'hold', CLEAN_HABITS);
  },
  tiring: () => {
    const sharp = withFault('sharp');
    return after(inOneHour([CLEAN_HABITS, CLEAN_HABITS, sharp]), 'hold', sharp);
  },
  pairsNearer: () => {
    const parameters = { ...usualExercise(familyById('ventMatch'), 'alto'), pairs: 2 };
    const far = play(parameters, SEED, withFault('colourApart'));
    const near = play(parameters, SEED, CLEAN_HABITS);
    return judgeTake([...far.measures.slice(0, 2), ...near.measures.slice(2)], near.assignment).findings;
  },
} satisfies Partial<Record<FindingId, () => readonly { readonly id: FindingId }[]>>;
