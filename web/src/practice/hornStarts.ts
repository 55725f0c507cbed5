import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { tryScore } from '@inner-hum/core/families';
import { soundingRangeHz, writtenToHz } from '@inner-hum/core/theory';
import { Recording } from '../input/recording';
import { heldNote } from '../input/heldNote';
import { store } from '../store';
import type { PageSound } from './pageSound';
import { pause } from './until';
import { hornNow } from '../db/settings/horn';

const LOOK_MS = 60;
const RETAIN_S = 2;

/**
 * Listens between two takes until the first note of one of some exercises is held: its place among them; undefined when
 * that is no longer wanted, or no microphone is open. The page's own sound counts for nothing. Never rejects.
 */
export async function untilPlayed(
  page: PageSound,
  exercises: readonly ExerciseParameters[],
  given: AbortSignal,
): Promise<number | undefined> {
  const { input } = page;
  const { settings } = store.getState();
  if (input?.microphone !== 'live') return undefined;
  const horn = hornNow(settings);
  const targetsHz = exercises.map((exercise) => {
    const tried = tryScore(exercise);
    // What can't be played is not waited for.
    return 'score' in tried ? writtenToHz(horn, tried.score.steps[0]!.soundedMidi, settings.a4Hz) : Infinity;
  });
  const range = soundingRangeHz(horn, settings.a4Hz);
  const { sampleRate: sampleRateHz } = input.context;
  const hold = page.hold();
  let recording: Recording | undefined;
  try {
    input.trace.reset();
    recording = await Recording.begin(page.ear, { sampleRateHz, ...range, retainS: RETAIN_S, zerosAreLoss: true });
    for (let from = 0; !given.aborted; await pause(LOOK_MS)) {
      if (page.speaker.sounds) from = input.trace.count;
      const at = heldNote(input.trace, targetsHz, from);
      if (at !== undefined) return at;
    }
  } catch {
    // A take has begun meanwhile, or the ear has ended: the next take tells.
  } finally {
    void recording?.stop().catch(() => undefined); // an ear that has ended needs no stop
    hold.release();
  }
  return undefined;
}
