import { NOT_JUDGED } from '@inner-hum/core/judge';
import { fromInt16, packFrames } from '@inner-hum/core/take';
import type { WholeTake } from '@inner-hum/core/take';
import { emptyFrames, HOP_S } from '@inner-hum/core/signal';
import { proxy } from 'comlink';
import type { DraftPlan, DraftRow } from '../db/database';
import { draftIds, forgetDraft, leftDraft } from '../db/drafts';
import { isOutOfRoom, keepTake } from '../db/takes';
import { saveFile } from '../base/saveFile';
import { store } from '../store';
import { draftSettled, leftUnkept, recoveryAt, type UnkeptTake } from '../store/drafts';
import { takeOf } from '@inner-hum/core/take';
import { assignmentFor, recorderSettingsFor } from './planNow';
import { detailOf } from '../base/detailOf';
import { withFreeLock } from '../base/plainOrigin';
import type { Ear } from '../input/ear';

/** Shorter takes hold nothing to keep, seconds: what is heard is put away each half second. */
const LEAST_S = 0.4;

/** What recovers drafts, and holds takes that are whole but could not be stored: until they can be, are saved or removed. */
export interface Recovery {
  readonly ear: Pick<Ear, 'ask'>;
  readonly unstored: Map<string, WholeTake>;
}

interface LeftDraft {
  readonly draft: DraftRow;
  readonly samples: Int16Array<ArrayBuffer>;
}

/**
 * Turns takes that a closed page cut off into takes; gives how many. Drafts of a running page are left alone; one that
 * can't be turned into a take stays, is told, and does not keep the others.
 */
export async function recoverDrafts(page: Recovery): Promise<number> {
  let recovered = 0;
  for (const takeId of await draftIds()) if (await recoverDraft(page, takeId)) recovered++;
  return recovered;
}

/**
 * Makes a take of one draft; whether there is one now. A draft that a running page is at is left alone. What fails is
 * told, and the draft stays. Never rejects.
 */
export async function recoverDraft(page: Recovery, takeId: string): Promise<boolean> {
  return (await withFreeLock(`take ${takeId}`, () => madeTake(page, takeId))) ?? false;
}

async function madeTake(page: Recovery, takeId: string): Promise<boolean> {
  let left: LeftDraft | undefined;
  try {
    const whole = page.unstored.get(takeId);
    left = await leftDraft(takeId);
    if (whole) await keepTake(whole, pinned());
    else if (!left || !(await becomesTake(page, left))) {
      await forgetDraft(takeId);
      settled(page, takeId);
      return false;
    }
    settled(page, takeId);
    return true;
  } catch (error) {
    unkept(page, takeId, left, error);
    return false;
  } finally {
    store.dispatch(recoveryAt(null));
  }
}

async function becomesTake({ ear }: Recovery, left: LeftDraft): Promise<boolean> {
  if (!hasTake(left)) return false;
  const { draft, samples } = left;
  const { plan, sampleRateHz, takeId } = draft;
  const heard = await ear.ask.assessRecording(
    fromInt16(samples),
    recorderSettingsFor(plan, sampleRateHz),
    assignmentFor(plan),
    plan.firstBeatS,
    proxy((share: number) => void store.dispatch(recoveryAt(share))),
  );
  if (!heard) return false;
  await keepTake(takeOf(plan, heard, { id: takeId, cut: !plan.whole, keepSound: keepsSound(draft) }), pinned());
  return true;
}

/** Whether a draft had come past its first beat for long enough: a page closed in the count-in leaves no take. */
function hasTake({ draft, samples }: LeftDraft): boolean {
  const { firstBeatS } = draft.plan;
  return firstBeatS !== null && samples.length / draft.sampleRateHz - firstBeatS >= LEAST_S;
}

/** The player's wish when the take began; drafts of older versions don't say it. */
function keepsSound({ plan }: DraftRow): boolean {
  return plan.source.kind !== 'standIn' && (plan.keepSound ?? true);
}

/** Keeps the sound of a draft as an unjudged take, as it is; @throws when it can't be read or stored */
export async function keepDraftAsSound(page: Recovery, takeId: string): Promise<void> {
  const left = await leftDraft(takeId);
  const whole = page.unstored.get(takeId);
  // Of free play there is no sound: what there is, is kept.
  if (whole && !left) await keepTake(whole, pinned());
  if (left) {
    const { plan, sampleRateHz } = left.draft;
    const heard = {
      frameCount: 0,
      frames: packFrames(emptyFrames(0)),
      samples: left.samples,
      sampleRateHz,
      firstBeatS: plan.firstBeatS ?? 0,
      lostMs: 0,
      measures: [],
      verdict: NOT_JUDGED,
      unjudged: 'kept as sound',
    };
    await keepTake(takeOf(plan, heard, { id: takeId, cut: true, keepSound: true }), pinned());
  }
  settled(page, takeId);
}

export async function removeDraft(page: Recovery, takeId: string): Promise<void> {
  await forgetDraft(takeId);
  settled(page, takeId);
}

/** Saves the sound of a draft as a WAV file, for when there is no room in the browser. */
export async function saveDraftSound(page: Recovery, takeId: string): Promise<void> {
  const { writeWav } = await import('@inner-hum/core/formats');
  const whole = page.unstored.get(takeId)?.sound;
  const left = whole ? undefined : await leftDraft(takeId);
  const sound = whole ?? (left && { sampleRateHz: left.draft.sampleRateHz, samples: left.samples });
  if (sound) saveFile(`inner-hum-${takeId.slice(0, 8)}.wav`, 'audio/wav', writeWav(sound.sampleRateHz, sound.samples));
}

function settled(page: Recovery, takeId: string): void {
  page.unstored.delete(takeId);
  store.dispatch(draftSettled(takeId));
}

/** Tells that a take is a draft still, and why. */
export function unkept(
  page: Recovery,
  takeId: string,
  left: LeftDraft | undefined,
  error: unknown,
  why?: UnkeptTake['why'],
): void {
  const held = page.unstored.get(takeId);
  const sound = held?.sound ?? (left && { samples: left.samples, sampleRateHz: left.draft.sampleRateHz });
  store.dispatch(
    leftUnkept({
      takeId,
      startedAt: String(
        held?.record.startedAt ?? (left?.draft.plan as Partial<DraftPlan> | undefined)?.startedAt ?? '',
      ),
      seconds: Math.round(sound ? sound.samples.length / sound.sampleRateHz : (held?.record.frameCount ?? 0) * HOP_S),
      why: why ?? (isOutOfRoom(error) ? 'noRoom' : 'failed'),
      detail: detailOf(error),
    }),
  );
}

const pinned = () => store.getState().settings.pinned;
