import { judgeTake, NOT_JUDGED, pastTake, type Assignment, type FindingId, type PastTake } from '@inner-hum/core/judge';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import type { StepMeasures } from '@inner-hum/core/measure';
import { CLEAN_HABITS, withFault, type Habits } from '@inner-hum/core/simulate';
import { play, playFamily, playSwell } from './play';

const SEED = 12;
type Change = Readonly<Record<string, number | string>>;

const when = (startedAt: string) => ({ startedAtMs: Date.parse(startedAt), day: startedAt.slice(0, 10) });

/** A take of the stand-in player as those after it see it. */
function before(family: string, habits: Habits, startedAt: string, reed: string, change: Change = {}): PastTake {
  const parameters = { ...usualExercise(familyById(family), 'alto'), tempoBpm: 120, ...change };
  const key = JSON.stringify([parameters, habits]);
  const measures = played.get(key) ?? play(parameters, SEED, habits).measures;
  played.set(key, measures);
  return pastTake({ ...when(startedAt), reed, score: exerciseScore(parameters), measures });
}
/** what was heard of each exercise and habits: the same on every day */
const played = new Map<string, readonly StepMeasures[]>();

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
  habits.map((one, i) => before('hold', one, `2026-01-09T17:${30 + 5 * i}:00.000Z`, 'first', { repeats: 1 }));
const soft = withFault('sharpWhenSoft');
const notes = [60, 64, 69, 74];

/** How each sentence that no single ordered fault calls forth is reached. */
export const OTHER_WAYS = {
  nothingHeard: () => playFamily('hold', 'alto', SEED, { ...CLEAN_HABITS, stopsAt: 0, breathDb: -90 }).findings,
  otherNote: () => playFamily('hold', 'alto', SEED, { ...CLEAN_HABITS, tuningCents: 300 }).findings,
  stoppedAfter: () => {
    const { measures, assignment } = play(usualExercise(familyById('hold'), 'alto'), SEED, CLEAN_HABITS);
    return judgeTake([...measures.slice(0, 1), { kind: 'silent' }, { kind: 'silent' }], assignment).findings;
  },
  laterWorse: () => playFamily('countedBreaths', 'alto', SEED, withFault('fatigue')).findings,
  notJudged: () => NOT_JUDGED.findings,
  held: () => playFamily('hold', 'alto', SEED, CLEAN_HABITS).findings,
  steady: () => playFamily('hold', 'alto', SEED, CLEAN_HABITS).findings,
  even: () => playSwell(SEED, CLEAN_HABITS).verdict.findings,
  humRight: () => playFamily('humFirst', 'alto', SEED, CLEAN_HABITS).findings,
  bendDeep: () => playFamily('bend', 'alto', SEED, CLEAN_HABITS).findings,
  rests: () => playFamily('smallTube', 'alto', SEED, CLEAN_HABITS).findings,
  wrongWay: () => playSwell(SEED, withFault('lopsided')).verdict.findings,
  leakLikely: () => {
    const past = onDays((at, reed) => before('tongueOrAir', withFault('bothFail'), at, reed), 2);
    return after(past, 'tongueOrAir', withFault('bothFail'));
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
    return after(inOneHour([sharp, sharp, CLEAN_HABITS]), 'hold', CLEAN_HABITS, { repeats: 1 });
  },
  tiring: () => {
    const sharp = withFault('sharp');
    return after(inOneHour([CLEAN_HABITS, CLEAN_HABITS, sharp]), 'hold', sharp, { repeats: 1 });
  },
  pairsNearer: () => {
    const parameters = { ...usualExercise(familyById('ventMatch'), 'alto'), pairs: 2 };
    const far = play(parameters, SEED, withFault('colourApart'));
    const near = play(parameters, SEED, CLEAN_HABITS);
    return judgeTake([...far.measures.slice(0, 2), ...near.measures.slice(2)], near.assignment).findings;
  },
} satisfies Partial<Record<FindingId, () => readonly { readonly id: FindingId }[]>>;
