import { hearingRangeHz, type Score } from '@inner-hum/core/exercise';
import type { Room } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import type { AudioPath } from '@inner-hum/core/measure';
import {
  assignmentOf,
  planTake,
  type TakeSetup,
  type OpenAssignment,
  type TakePlan,
  type TakeSource,
} from '@inner-hum/core/take';
import { canFinger, fingeringText, instrumentById } from '@inner-hum/core/theory';
import type { DraftPlan } from '../db/database';
import type { Before } from '../db/past';
import { store } from '../store';
import { exerciseOf, rulerOf } from '../store/settings';
import type { RecorderSettings } from '../input/protocol';
import { whenOf } from '../base/days';
import { setupNow } from '../db/settings/gear';
import { usedFingering } from '../db/settings/horn';
import { trialOnStand } from './trialOnStand';
import type { Settings } from '../db/settings/settings';

/** The take that would be played now of the exercise on the Stand, from a source. */
export function planNow(settings: Settings, source: TakeSource, audioPath: AudioPath): DraftPlan {
  const { startOn, cue, keepSound } = settings;
  const trialled = trialOnStand(settings);
  const plan = planTake({
    startedAt: new Date().toISOString(),
    setup: takeSetupNow(settings),
    source,
    parameters: exerciseOf(settings),
    audioPath,
    // Who checks home in the middle of something plays at once: that tone is beat one.
    onBeat: startOn === 'beat' && store.getState().practice.away === null,
    cue,
    ...(trialled && { trial: trialled.trial }),
  });
  const setup = { ...plan.setup, ...otherwiseFingered(plan.score, settings) };
  return { ...plan, setup, firstBeatS: null, keepSound: keepSound && source.kind !== 'standIn' };
}

/** The notes of a score that the player fingers otherwise than the regular way, each with its keys. */
function otherwiseFingered({ steps, instrumentId }: Score, settings: Settings): Pick<TakeSetup, 'fingerings'> {
  const horn = instrumentById(instrumentId);
  const regular = steps.filter((step) => step.partialNumber === 1 && !step.hum);
  const fingerings = Object.fromEntries(
    regular.flatMap(({ soundedMidi }) => {
      const keys = usedFingering(settings, soundedMidi);
      return keys && canFinger(horn, keys) ? [[soundedMidi, fingeringText(keys)]] : [];
    }),
  );
  return Object.keys(fingerings).length > 0 ? { fingerings } : {};
}

/** What the player plays on now and is measured with. */
export function takeSetupNow(settings: Settings): TakeSetup {
  const { a4Hz, demand, schools } = settings;
  const evenColour = schools.brightEnd === 'judged' && { evenColour: true };
  return { ...setupNow(settings), a4Hz, ruler: rulerOf(settings), demand, ...evenColour };
}

/** What the judge is told of a planned take, on the player's own day. */
export function assignmentFor(
  plan: TakePlan,
  { past, held }: Before = { past: [], held: undefined },
  before: readonly Decision[] = [],
): OpenAssignment {
  return assignmentOf(plan, { before, past, bounds: boundsOf(plan, held), ...whenOf(plan.startedAt) });
}

/** What bounds the next step after a take: the notes of the goals on its horn, and the breath. */
export function boundsOf({ setup }: Pick<TakePlan, 'setup'>, held: Before['held']): Room {
  const goals = store.getState().settings.goals.filter((goal) => goal.instrumentId === setup.instrumentId);
  return { goalNotes: goals.map((goal) => goal.midi), ...(held && { held }) };
}

/** How the ear is set for a planned take: the horn bounds the search. */
export function recorderSettingsFor(
  plan: Pick<TakePlan, 'setup' | 'source' | 'score'>,
  sampleRateHz: number,
): RecorderSettings {
  return {
    sampleRateHz,
    ...hearingRangeHz(plan.score, plan.setup.a4Hz),
    zerosAreLoss: plan.source.kind === 'microphone',
  };
}
