import { unpackFrames } from '@inner-hum/core/take';
import { assess } from '@inner-hum/core/judge';
import { playStandIn } from '@inner-hum/core/simulate';
import type { LiveFrame } from '@inner-hum/core/signal';
import { transfer } from 'comlink';
import { TakeRecorder } from '../input/takeRecorder';
import {
  LIVE_FIELDS,
  NOT_YOURS,
  type BlockMessage,
  type EarService,
  type LiveMessage,
  type RecorderSettings,
} from '../input/protocol';
import { detailOf } from '../base/detailOf';

/** What is heard is put away so often, seconds: a page that is killed loses less than a second. */
const DRAFT_EVERY_S = 0.5;
/** Recordings are heard in pieces of this length, so that the worker stays open to other questions. */
const PIECE_S = 5;
const ROWS_IN_A_BATCH = 64;

/** A recording under way. */
interface Running {
  readonly id: number;
  readonly recorder: TakeRecorder;
  draftedSamples: number;
  putting: boolean;
}

/**
 * The ear behind its messages: what the worker does, with its state.
 *
 * @param putAway keeps a piece of a take's sound as it goes
 */
export function earFunctions(putAway: (takeId: string, samples: Int16Array<ArrayBuffer>) => Promise<void>): EarService {
  let live: MessagePort | undefined;
  let running: Running | undefined;
  let begun = 0;
  const batch = new Float32Array(ROWS_IN_A_BATCH * LIVE_FIELDS);
  let batched = 0;

  const service: EarService = {
    connect(sound, livePort) {
      live = livePort;
      sound.onmessage = (event: MessageEvent<BlockMessage>) => hear(event.data);
    },
    begin(settings) {
      if (running && isKept(running.recorder.settings) && !isKept(settings)) throw notYours('a take goes on');
      batched = 0;
      running = { id: ++begun, recorder: new TakeRecorder(settings), draftedSamples: 0, putting: false };
      return begun;
    },
    async finishTake(id, assignment, firstBeatAtS) {
      const take = ended(id).finishTake(assignment, firstBeatAtS);
      return take && transfer(take, [take.frames.buffer, take.samples.buffer]);
    },
    finishFree: (id, wish, masked) => ended(id).finishFree(wish, masked),
    finishFrames: (id) => ended(id).frames(),
    pickedUp: (id) => recorderOf(id).pickedUp(),
    finishLoop: (id, clicksAtS) => ended(id).loopDelay(clicksAtS),
    stop(id) {
      if (running?.id === id) running = undefined;
    },
    ping: () => true,
    async assessRecording(samples, settings, assignment, firstBeatS, onProgress) {
      const recording = new TakeRecorder(settings);
      const piece = Math.round(PIECE_S * settings.sampleRateHz);
      for (let at = 0; at < samples.length; at += piece) {
        // Each frame is described as it comes, so that little is left to do at the end.
        recording.push(at, samples.subarray(at, at + piece), () => undefined);
        await onProgress?.(Math.min(1, (at + piece) / samples.length));
      }
      const take = recording.finishTake(assignment, firstBeatS);
      return take && transfer(take, [take.frames.buffer, take.samples.buffer]);
    },
    assessFrames(packed, count, assignment) {
      return assess(unpackFrames(packed, count), assignment);
    },
    playStandIn(score, settings) {
      const samples = playStandIn(score, settings);
      return transfer(samples, [samples.buffer]);
    },
  };

  function recorderOf(id: number): TakeRecorder {
    if (running?.id !== id) throw notYours('the recording is over');
    return running.recorder;
  }

  /** The recording, which hears nothing more. */
  function ended(id: number): TakeRecorder {
    const recorder = recorderOf(id);
    running = undefined;
    return recorder;
  }

  function hear({ firstSample, samples, atMs }: BlockMessage): void {
    if (!running) return;
    const { recorder } = running;
    if (recorder.firstSample === undefined) post({ kind: 'started', firstSample });
    const onFrame = (frame: Readonly<LiveFrame>) => {
      batch.set([frame.index, frame.f0Hz, frame.levelDb, frame.breathDb], batched * LIVE_FIELDS);
      if (++batched === ROWS_IN_A_BATCH) sendBatch();
    };
    recorder.push(firstSample, samples, onFrame, atMs);
    sendBatch();
    void putDraftAway(running);
  }

  /** Puts away what was heard since the last piece, once a second; a piece that failed goes with the next one. Never rejects. */
  async function putDraftAway(now: Running): Promise<void> {
    const { recorder } = now;
    const { draftTakeId, sampleRateHz } = recorder.settings;
    const upTo = recorder.heardSamples;
    if (!draftTakeId || now.putting || upTo - now.draftedSamples < DRAFT_EVERY_S * sampleRateHz) return;
    now.putting = true;
    try {
      await putAway(draftTakeId, recorder.soundFrom(now.draftedSamples, upTo));
      now.draftedSamples = upTo;
    } catch (error) {
      post({ kind: 'draftLost', reason: detailOf(error) });
    } finally {
      now.putting = false;
    }
  }

  function sendBatch(): void {
    if (!running || batched === 0) return;
    const { recorder } = running;
    const rows = batch.slice(0, batched * LIVE_FIELDS);
    batched = 0;
    post({ kind: 'frames', rows, peak: recorder.peak, lost: recorder.lostLately }, [rows.buffer]);
    recorder.peak = 0;
  }

  function post(message: LiveMessage, transfers: Transferable[] = []): void {
    live?.postMessage(message, transfers);
  }

  return service;
}

/** Whether what is recorded is the player's, and not listened to for a check alone. */
function isKept({ draftTakeId, free }: RecorderSettings): boolean {
  return draftTakeId !== undefined || free !== undefined;
}

function notYours(message: string): Error {
  return Object.assign(new Error(message), { name: NOT_YOURS });
}
