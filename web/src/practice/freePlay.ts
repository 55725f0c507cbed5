import { HOP_S } from '@inner-hum/core/signal';
import { takeOf, type FreeWish, type Masked, type TakeRecord, type TakeSource } from '@inner-hum/core/take';
import { soundingRangeHz, writtenToHz } from '@inner-hum/core/theory';
import { newId } from '../base/plainOrigin';
import type { Settings } from '../db/settings/settings';
import { keepTake } from '../db/takes';
import type { AudioInput } from '../input/audioInput';
import { Recording } from '../input/recording';
import { store } from '../store';
import { noticed } from '../store/notices';
import { cameToNothing, freePlayAsked, isBusy, judged, moved, problemMet } from '../store/practice';
import { mainNote } from '../store/settings';
import type { PageSound } from './pageSound';
import { takeSetupNow } from './planNow';
import { unkept } from './recoverDrafts';
import { problemOf } from './problemOf';
import { playReference } from './reference';
import { openSource, standInBuffer } from './source';
import { GivenUp, givenUpSignal, orGivenUp, until } from './until';
import { hornNow } from '../db/settings/horn';

const FREE_RETAIN_S = 30;
/** What the page sounds is heard a little later, and rings, seconds. */
const MASK_S = 0.6;
/** Silence of the stand-in player before its first beat, seconds. */
const LEAD_S = 0.2;

/**
 * Listens without a score until stopped. What was held is kept as a take and accounted for, where the player wants that;
 * while the page itself sounds nothing counts.
 */
export async function playFreely(page: PageSound): Promise<void> {
  if (isBusy(store.getState().practice)) return;
  const { settings } = store.getState();
  store.dispatch(freePlayAsked());
  const { signal, end } = givenUpSignal();
  const hold = page.hold();
  let recording: Recording | undefined;
  try {
    const input = await orGivenUp(hold.open(), signal);
    const setup = takeSetupNow(settings);
    const { hornId } = hornNow(settings);
    const free = settings.freeCounts ? { setup, hornId } : undefined;
    const heard = await orGivenUp(hearFreely(page, input, settings, { given: signal, free }), signal);
    recording = heard.recording;
    const wish: FreeWish = { startedAt: new Date().toISOString(), setup, hornId, source: heard.source };
    store.dispatch(moved('free'));
    const masked: [number, number][] = [];
    await until(
      page,
      input,
      () => false,
      () => page.speaker.sounds && mask(masked, input.trace.count * HOP_S),
    );
    const { earDied } = store.getState().practice;
    if (free && earDied) store.dispatch(noticed({ key: 'stand.freeLost' }));
    if (free && !earDied) store.dispatch(moved('judging'));
    const kept = free && !earDied ? await keepHeld(page, recording, wish, masked, signal) : undefined;
    if (earDied) await page.end();
    store.dispatch(kept ? judged(kept) : cameToNothing(null));
  } catch (error) {
    // An input that was still opening, or an ear that has not answered, is not waited for.
    if (error instanceof GivenUp) await page.end();
    store.dispatch(cameToNothing(error instanceof GivenUp ? null : problemOf(error)));
  } finally {
    void recording?.stop().catch(() => undefined); // an ear that has ended needs no stop
    hold.release();
    end();
  }
}

/** What sounds now counts for nothing, nor what is near it. */
function mask(masked: [number, number][], nowS: number): void {
  const last = masked.at(-1);
  if (last && last[1] >= nowS - MASK_S) last[1] = nowS + MASK_S;
  else masked.push([nowS - MASK_S, nowS + MASK_S]);
}

/**
 * Keeps what was held as a take; undefined when nothing was, or when it could not be stored: then it is offered again.
 * @throws GivenUp when the player did not wait for it
 */
async function keepHeld(
  page: PageSound,
  recording: Recording,
  wish: FreeWish,
  masked: Masked,
  signal: AbortSignal,
): Promise<TakeRecord | undefined> {
  const free = await orGivenUp(recording.finishFree(wish, masked), signal);
  if (!free) return undefined;
  const take = takeOf(free.plan, free.heard, { id: newId(), cut: false, keepSound: false });
  try {
    await keepTake(take, store.getState().settings.pinned);
    return take.record;
  } catch (error) {
    page.unstored.set(take.record.id, take);
    unkept(page, take.record.id, undefined, error);
    return undefined;
  }
}

interface HearingWish {
  /** how much of the sound stays readable, seconds */
  readonly retainS?: number;
  readonly given?: AbortSignal;
  /** where pitches are looked for, Hz; that of the horn when left out */
  readonly range?: Readonly<Record<'minHz' | 'maxHz', number>> | undefined;
  /** whose held tones are gathered, from sound that is dropped as it goes */
  readonly free?: Pick<FreeWish, 'setup' | 'hornId'> | undefined;
}

/** What is listened to, and the recording of it. */
export interface HeardFreely {
  readonly recording: Recording;
  readonly source: TakeSource;
}

/** Plugs the chosen source in for listening alone; the caller ends the recording. @throws GaveWay while a take goes on */
export async function hearFreely(
  page: PageSound,
  input: AudioInput,
  settings: Settings,
  { retainS = FREE_RETAIN_S, given, range = soundingRangeHz(hornNow(settings), settings.a4Hz), free }: HearingWish = {},
): Promise<HeardFreely> {
  const { source, buffer } = await openSource(page, input, settings, given);
  input.trace.reset();
  const recording = await Recording.begin(page.ear, {
    sampleRateHz: input.context.sampleRate,
    ...range,
    ...(free ? { free } : { retainS }),
    zerosAreLoss: source.kind === 'microphone',
  });
  if (source.kind !== 'microphone') {
    const samples = buffer ?? (await standInBuffer(page, input, settings, source, LEAD_S));
    input.plugSamples(samples, input.context.currentTime + 0.1);
  }
  return { recording, source };
}

/** Plays the target note of the present exercise. */
export async function soundReference(page: PageSound): Promise<void> {
  if (isBusy(store.getState().practice)) return;
  const { settings } = store.getState();
  const hold = page.hold();
  try {
    const input = await hold.open();
    const horn = hornNow(settings);
    playReference(page.speaker, input.context, writtenToHz(horn, mainNote(settings.exercise), settings.a4Hz));
  } catch (error) {
    store.dispatch(problemMet(problemOf(error)));
  } finally {
    hold.release();
  }
}
