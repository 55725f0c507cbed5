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
import { earService } from '../input/ear';

/** Shorter takes hold nothing to judge, seconds. */
const LEAST_S = 1;

/** Takes of this page that are whole but could not be stored. */
const inMemory = new Map<string, WholeTake>();

/** Holds a take that could not be stored until it can be, or is saved or removed. */
export function holdInMemory(take: WholeTake): void {
  inMemory.set(take.record.id, take);
}

/** Whether a take is whole but only in this page's memory. */
export function isHeld(takeId: string): boolean {
  return inMemory.has(takeId);
}

interface LeftDraft {
  readonly draft: DraftRow;
  readonly samples: Int16Array<ArrayBuffer>;
}

/**
 * Turns takes that a closed page cut off into takes; gives how many. Drafts of a running page are left alone; one that
 * can't be turned into a take stays, is told, and does not keep the others.
 */
export async function recoverDrafts(): Promise<number> {
  let recovered = 0;
  for (const takeId of await draftIds()) if (await recoverDraft(takeId)) recovered++;
  return recovered;
}

/**
 * Makes a take of one draft; whether there is one now. A draft that a running page is at is left alone. What fails is
 * told, and the draft stays. Never rejects.
 */
export async function recoverDraft(takeId: string): Promise<boolean> {
  return (await withFreeLock(`take ${takeId}`, () => madeTake(takeId))) ?? false;
}

async function madeTake(takeId: string): Promise<boolean> {
  let left: LeftDraft | undefined;
  try {
    const whole = inMemory.get(takeId);
    left = await leftDraft(takeId);
    if (whole) await keepTake(whole, pinned());
    else if (!left || !(await becomesTake(left))) {
      await forgetDraft(takeId);
      settled(takeId);
      return false;
    }
    settled(takeId);
    return true;
  } catch (error) {
    unkept(takeId, left, error);
    return false;
  } finally {
    store.dispatch(recoveryAt(null));
  }
}

async function becomesTake(left: LeftDraft): Promise<boolean> {
  if (!hasTake(left)) return false;
  const { draft, samples } = left;
  const { plan, sampleRateHz, takeId } = draft;
  const heard = await earService().assessRecording(
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
export async function keepDraftAsSound(takeId: string): Promise<void> {
  const left = await leftDraft(takeId);
  const whole = inMemory.get(takeId);
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
  settled(takeId);
}

export async function removeDraft(takeId: string): Promise<void> {
  await forgetDraft(takeId);
  settled(takeId);
}

/** Saves the sound of a draft as a WAV file, for when there is no room in the browser. */
export async function saveDraftSound(takeId: string): Promise<void> {
  const { writeWav } = await import('@inner-hum/core/formats');
  const whole = inMemory.get(takeId)?.sound;
  const left = whole ? undefined : await leftDraft(takeId);
  const sound = whole ?? (left && { sampleRateHz: left.draft.sampleRateHz, samples: left.samples });
  if (sound) saveFile(`inner-hum-${takeId.slice(0, 8)}.wav`, 'audio/wav', writeWav(sound.sampleRateHz, sound.samples));
}

function settled(takeId: string): void {
  inMemory.delete(takeId);
  store.dispatch(draftSettled(takeId));
}

/** Tells that a take is a draft still, and why. */
export function unkept(takeId: string, left: LeftDraft | undefined, error: unknown, why?: UnkeptTake['why']): void {
  const held = inMemory.get(takeId);
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
