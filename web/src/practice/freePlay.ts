import { instrumentById, soundingRangeHz, writtenToHz } from '@inner-hum/core/theory';
import type { Settings } from '../db/settings/settings';
import { SoundProblem, type AudioInput } from '../input/audioInput';
import { earService } from '../input/ear';
import { store } from '../store';
import { cameToNothing, freePlayAsked, isBusy, moved, problemMet } from '../store/practice';
import { mainNote } from '../store/settings';
import { letGo, openInput } from './liveSound';
import { playReference } from './reference';
import { openSource, standInBuffer } from './source';
import { GivenUp, givenUpSignal, orGivenUp, until } from './until';

const FREE_RETAIN_S = 30;
/** Silence of the stand-in player before its first beat, seconds. */
const LEAD_S = 0.2;

/** Listens without a score until stopped. */
export async function playFreely(): Promise<void> {
  if (isBusy(store.getState().practice)) return;
  const { settings } = store.getState();
  store.dispatch(freePlayAsked());
  const { signal, end } = givenUpSignal();
  try {
    const input = await orGivenUp(openInput(), signal);
    await orGivenUp(hearFreely(input, settings, FREE_RETAIN_S, signal), signal);
    store.dispatch(moved('free'));
    await until(input, () => false);
    await letGo(false);
    store.dispatch(cameToNothing(null));
  } catch (error) {
    await letGo(error instanceof GivenUp);
    store.dispatch(cameToNothing(error instanceof GivenUp ? null : problemOf(error)));
  } finally {
    end();
  }
}

/**
 * Plugs the chosen source in for listening alone; the caller ends it by the ear's `stop` or `finishFrames`.
 *
 * @param range where pitches are looked for, Hz; that of the horn when left out
 */
export async function hearFreely(
  input: AudioInput,
  settings: Settings,
  retainS = FREE_RETAIN_S,
  given?: AbortSignal,
  range = soundingRangeHz(instrumentById(settings.instrumentId), settings.a4Hz),
): Promise<void> {
  const { source, buffer } = await openSource(input, settings, given);
  input.trace.reset();
  await earService().begin({
    sampleRateHz: input.context.sampleRate,
    ...range,
    retainS,
    zerosAreLoss: source.kind === 'microphone',
  });
  if (source.kind === 'microphone') return;
  const samples = buffer ?? (await standInBuffer(input, settings, source, LEAD_S));
  input.plugSamples(samples, input.context.currentTime + 0.1);
}

/** Plays the target note of the present exercise. */
export async function soundReference(): Promise<void> {
  if (isBusy(store.getState().practice)) return;
  const { settings } = store.getState();
  try {
    const input = await openInput();
    const horn = instrumentById(settings.instrumentId);
    playReference(input.context, writtenToHz(horn, mainNote(settings.exercise), settings.a4Hz));
  } catch (error) {
    store.dispatch(problemMet(problemOf(error)));
  }
}

const problemOf = (error: unknown) => (error instanceof SoundProblem ? error.id : 'failed');
