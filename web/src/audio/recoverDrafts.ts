import { fromInt16 } from '@inner-hum/core/formats/light';
import { forgetDraft, leftDrafts } from '../db/drafts';
import { keepTake } from '../db/takes';
import { earService } from './desk';
import { assignmentOf, hearingFor, newTake } from './newTake';

/** Shorter drafts hold nothing to judge, seconds. */
const LEAST_S = 1;

/** Turns takes that a closed page cut off into takes; gives how many. Drafts of a running page are left alone. */
export async function recoverDrafts(): Promise<number> {
  let recovered = 0;
  for (const { draft, samples } of await leftDrafts())
    await navigator.locks.request(`take ${draft.takeId}`, { ifAvailable: true }, async (lock) => {
      if (!lock) return;
      const { plan, sampleRateHz, takeId } = draft;
      const heard =
        samples.length < LEAST_S * sampleRateHz
          ? null
          : await earService().assessRecording(
              fromInt16(samples),
              hearingFor(plan, sampleRateHz),
              assignmentOf(plan, []),
              plan.firstBeatS,
            );
      if (!heard) return forgetDraft(takeId);
      await keepTake(newTake(plan, heard, { id: takeId, cut: true, keepSound: plan.source.kind !== 'standIn' }));
      recovered++;
    });
  return recovered;
}
