import { beatSeconds, longestRestBeats, scoreBeats, type Score } from '@inner-hum/core/exercise';
import { ownExerciseKey } from '@inner-hum/core/families';
import { takeOf, type TakeRecord } from '@inner-hum/core/take';
import { newId, withLock } from '../base/plainOrigin';
import type { DraftPlan } from '../db/database';
import { beginDraft, forgetDraft, planDraft } from '../db/drafts';
import { lookBack } from '../db/past';
import type { Settings } from '../db/settings/settings';
import { keepTake } from '../db/takes';
import type { AudioInput } from '../input/audioInput';
import { Recording } from '../input/recording';
import { store } from '../store';
import { cameToNothing, ended, isBusy, judged, moved, takeAsked, type Ending } from '../store/practice';
import type { PageSound } from './pageSound';
import { endClicks, Metronome, softTick } from './metronome';
import { holdEnds, isWhole, openFromBeat } from './openEnd';
import { playLed } from './playLed';
import { assignmentFor, planNow, recorderSettingsFor } from './planNow';
import { droneFor } from './reference';
import { openSource, pathOf, standInBuffer, type OpenSource } from './source';
import { GivenUp, givenUpSignal, orGivenUp, until } from './until';
import { endingNow, endBadly, tellDraftLost } from './badEnd';
import { tidyUp, tellKept, tellUntidy } from './tidyUp';
import { keepAwake } from './keepAwake';

/** Sound that is heard after the last beat before the take is judged, seconds. */
const TAIL_S = 0.35;
/** Silence of the stand-in player before the first beat, seconds. */
const LEAD_S = 0.5;
/** From the start to the count-in, seconds. */
const READY_S = 0.12;
/** A tone must have lasted this long to set the beat, seconds. */
const FIRST_TONE_S = 0.1;
/** A first tone is waited for so long, seconds; the Stand shows what is left of it. */
const WAIT_S = 60;
/** Silence that halts a take, beyond the rests that are written, seconds. */
const SILENCE_S = 8;
/** A tone without a set end is over when it has been silent for so long, seconds. */
const OPEN_END_S = 1.5;
/** A stopped take shorter than this is not kept, seconds. */
const LEAST_KEPT_S = 1;

/** What became of a take that was asked for, and why it ended. Whatever was wrong has been told. */
export type TakeOutcome =
  | { readonly kind: 'kept'; readonly record: TakeRecord; readonly ending: Ending }
  /** stopped before there was anything to keep */
  | { readonly kind: 'nothingPlayed'; readonly ending: Ending }
  /** what was played stays a draft and is offered again, or it never began */
  | { readonly kind: 'notKept'; readonly ending: Ending };

/** A take about to be played: what is asked for, and what is listened to. */
interface PlannedTake {
  readonly takeId: string;
  readonly plan: DraftPlan;
  readonly sound: OpenSource;
  readonly settings: Settings;
  readonly recording: Recording;
}

/** Plays a take of the present exercise to its verdict. Problems go to the store, never to the caller. */
export async function playTake(page: PageSound): Promise<TakeOutcome> {
  const { settings } = store.getState();
  if (isBusy(store.getState().practice)) return { kind: 'notKept', ending: 'stopped' };
  store.dispatch(takeAsked());
  if (!isBusy(store.getState().practice)) return { kind: 'notKept', ending: 'stopped' }; // a pause is not answered
  const takeId = newId();
  const { signal, end } = givenUpSignal();
  const hold = page.hold();
  let recording: Recording | undefined;
  try {
    const input = await orGivenUp(hold.open(), signal);
    const sound = await orGivenUp(openSource(page, input, settings, signal), signal);
    const plan = planNow(settings, sound.source, pathOf(input.context, settings));
    const awake = keepAwake();
    try {
      const recorder = { ...recorderSettingsFor(plan, input.context.sampleRate), draftTakeId: takeId };
      // What was heard before is no first tone of this take.
      input.trace.reset();
      recording = await orGivenUp(Recording.begin(page.ear, recorder), signal);
      const planned = { takeId, plan, sound, settings, recording };
      return await withLock(`take ${takeId}`, () => runTake(page, planned, input, signal));
    } finally {
      void awake.then((lock) => lock?.release()); // keepAwake never rejects
    }
  } catch (error) {
    await endBadly(page, takeId, recording, error);
    return { kind: 'notKept', ending: endingNow() };
  } finally {
    hold.release();
    end();
    page.timing = undefined;
    page.led = undefined;
  }
}

/**
 * Runs one take: count-in or first tone, the score, the judge, the database.
 * @throws GivenUp when the player did not wait for the end; whatever kept the take from being stored
 */
async function runTake(
  page: PageSound,
  planned: PlannedTake,
  input: AudioInput,
  signal: AbortSignal,
): Promise<TakeOutcome> {
  const { takeId, plan } = planned;
  const metronome = new Metronome(input.context);
  try {
    const firstBeatAtS = await begin(page, planned, input, metronome);
    if (firstBeatAtS < Infinity) await play(page, planned, input, firstBeatAtS);
    metronome.stop();
    if (store.getState().practice.earDied) throw new GivenUp();
    if (input.context.currentTime < firstBeatAtS + LEAST_KEPT_S) {
      await planned.recording.stop();
      await forgetDraft(takeId);
      store.dispatch(cameToNothing(null));
      return { kind: 'nothingPlayed', ending: endingNow() };
    }
    // What is asked while it is judged no longer changes how it ended.
    const whole = isWhole(plan, input.context.currentTime - firstBeatAtS);
    if (whole) await planDraft(takeId, draftFrom(planned, input, firstBeatAtS, true)).catch(tellDraftLost);
    store.dispatch(moved('judging'));
    const record = await judgeAndKeep(page, planned, firstBeatAtS, whole, signal);
    void tidyUp(planned.settings).catch(tellUntidy);
    store.dispatch(judged(record));
    if (planned.settings.endSound) endClicks(input.context);
    return { kind: 'kept', record, ending: endingNow() };
  } finally {
    metronome.stop();
  }
}

/** Count-in, or the wait for a first tone. Gives the context time of beat one, Infinity when it never came. */
async function begin(
  page: PageSound,
  { takeId, plan, sound, settings }: PlannedTake,
  input: AudioInput,
  metronome: Metronome,
) {
  const { context, trace } = input;
  const { score, onBeat } = plan;
  const beatS = beatSeconds(score);
  const samples =
    sound.source.kind === 'standIn' ? await standInBuffer(page, input, settings, sound.source, LEAD_S) : sound.buffer;
  await beginDraft({ takeId, sampleRateHz: context.sampleRate, plan }).catch(tellDraftLost);
  // Nothing is waited for between here and the sound: what is late then would begin in the middle of the score.
  const countInFromS = context.currentTime + READY_S;
  const countInBeats = onBeat ? score.countInBeats : 0;
  const beatAtS = countInFromS + countInBeats * beatS;
  const { clickOn: audible, silentBarEvery } = settings;
  const clicks = { beatS, beatsPerBar: score.beatsPerBar, audible, silentBarEvery };
  if (samples) input.plugSamples(samples, sound.source.kind === 'standIn' ? beatAtS - LEAD_S : beatAtS);
  if (onBeat) {
    metronome.start({ ...clicks, firstBeatAtS: beatAtS, fromBeat: -countInBeats, toBeat: scoreBeats(score) });
    page.timing = { beatS, countInFromS, firstBeatAtS: beatAtS };
    store.dispatch(moved('countIn'));
    await until(page, input, () => context.currentTime >= beatAtS);
    return beatAtS;
  }
  // There is nothing to count in: whatever begins once sound comes in is the first tone.
  await until(page, input, () => trace.startS !== undefined);
  const waitsUntilS = context.currentTime + WAIT_S;
  page.timing = { beatS, countInFromS, firstBeatAtS: undefined, waitsUntilS };
  store.dispatch(moved('waiting'));
  const heard = () => trace.firstTone(-Infinity, FIRST_TONE_S);
  await until(page, input, () => {
    if (heard() !== undefined) return true;
    if (context.currentTime > waitsUntilS) store.dispatch(ended('silence'));
    return false;
  });
  const firstBeatAtS = heard();
  if (firstBeatAtS === undefined) return Infinity;
  if (score.clearS !== undefined) return firstBeatAtS; // no beat is kept
  const nextBeat = Math.ceil((context.currentTime - firstBeatAtS) / beatS);
  metronome.start({ ...clicks, firstBeatAtS, fromBeat: nextBeat, toBeat: scoreBeats(score) });
  return firstBeatAtS;
}

/** What is noted of a take once its first beat has come; `whole`: that it has come to its end as well. */
function draftFrom({ plan }: PlannedTake, { trace }: AudioInput, firstBeatAtS: number, whole: boolean): DraftPlan {
  return { ...plan, firstBeatS: firstBeatAtS - (trace.startS ?? firstBeatAtS), whole };
}

/** The score, from its first beat until it, the player, a silence or a trouble ends it. */
async function play(page: PageSound, planned: PlannedTake, input: AudioInput, firstBeatAtS: number): Promise<void> {
  const { takeId, plan, settings } = planned;
  const { context, trace } = input;
  const { score } = plan;
  const beatS = beatSeconds(score);
  page.timing = { beatS, countInFromS: firstBeatAtS, firstBeatAtS };
  store.dispatch(moved('running'));
  await planDraft(takeId, draftFrom(planned, input, firstBeatAtS, false)).catch(tellDraftLost);
  let told = false;
  const tellOnce = () => {
    if (trace.draftLost === undefined || told) return;
    told = true;
    tellDraftLost(trace.draftLost);
  };
  if (isLed(score)) {
    const about = { a4Hz: settings.a4Hz, fromS: firstBeatAtS, tailS: TAIL_S, whileWaiting: tellOnce };
    return playLed(page, input, score, about);
  }
  const endS = firstBeatAtS + scoreBeats(score) * beatS + TAIL_S + plan.audioPath.delayS;
  const endDrone = droneFor(context, settings, score, firstBeatAtS);
  const silenceS = SILENCE_S + longestRestBeats(score) * beatS;
  // What is counted before it has its own rests: only the tone without a set end is over when it falls silent.
  const openFromS = firstBeatAtS + openFromBeat(score) * beatS;
  const holdEnded = settings.holdSound === 'none' ? undefined : holdEnds(plan, openFromS);
  await until(
    page,
    input,
    () => {
      const nowS = context.currentTime;
      const lastToneS = trace.lastToneAtS() ?? 0;
      if (holdEnded?.(trace)) (settings.holdSound === 'tick' ? () => softTick(context) : endDrone)();
      const toneIsOver = lastToneS > openFromS + beatS / 2 && nowS - lastToneS > OPEN_END_S;
      if (toneIsOver || nowS >= endS) store.dispatch(ended('score'));
      else if (nowS - Math.max(firstBeatAtS, lastToneS) > silenceS) store.dispatch(ended('silence'));
      return false;
    },
    tellOnce,
  );
  endDrone();
}

const isLed = (score: Score): score is Score & { readonly clearS: number } => score.clearS !== undefined;

/** The verdict on what was heard, and the take in the database, or, where that fails, held in memory. */
async function judgeAndKeep(
  page: PageSound,
  { takeId, plan, settings, recording }: PlannedTake,
  firstBeatAtS: number,
  whole: boolean,
  signal: AbortSignal,
): Promise<TakeRecord> {
  const { decisions, decisionsAbout } = store.getState().practice;
  const before = decisionsAbout === ownExerciseKey(plan.parameters) ? decisions : [];
  const earlier = await lookBack(plan.score);
  const heard = await orGivenUp(recording.finishTake(assignmentFor(plan, earlier, before), firstBeatAtS), signal);
  if (!heard) throw new Error('no sound came');
  const take = takeOf(plan, heard, { id: takeId, cut: !whole, keepSound: plan.keepSound ?? true });
  try {
    tellKept(take, await keepTake(take, settings.pinned));
  } catch (error) {
    page.unstored.set(take.record.id, take);
    throw error;
  }
  return take.record;
}
