import { unpackFrames } from '@inner-hum/core/take';
import { assess } from '@inner-hum/core/judge';
import { playStandIn } from '@inner-hum/core/simulate';
import { expose, transfer } from 'comlink';
import { addDraftPiece } from '../db/drafts';
import { TakeRecorder } from '../input/takeRecorder';
import { LIVE_FIELDS, type BlockMessage, type EarService, type LiveMessage } from '../input/protocol';
import { detailOf } from '../base/detailOf';

const DRAFT_EVERY_S = 1;
/** Recordings are heard in pieces of this length, so that the worker stays open to other questions. */
const PIECE_S = 5;
const ROWS_IN_A_BATCH = 64;

let live: MessagePort | undefined;
let recorder: TakeRecorder | undefined;
let draftedSamples = 0;
let putting = false;
const batch = new Float32Array(ROWS_IN_A_BATCH * LIVE_FIELDS);
let batched = 0;

const service: EarService = {
  connect(sound, livePort) {
    live = livePort;
    sound.onmessage = (event: MessageEvent<BlockMessage>) => hear(event.data);
  },
  begin(settings) {
    recorder = new TakeRecorder(settings);
    draftedSamples = 0;
    putting = false;
  },
  async finishTake(assignment, firstBeatAtS) {
    const take = recorder?.finishTake(assignment, firstBeatAtS) ?? null;
    recorder = undefined;
    return take && transfer(take, [take.frames.buffer, take.samples.buffer]);
  },
  finishFree(wish, masked) {
    const recording = recorder;
    recorder = undefined;
    return recording?.finishFree(wish, masked) ?? null;
  },
  finishFrames() {
    const frames = recorder!.frames();
    recorder = undefined;
    return frames;
  },
  pickedUp: () => recorder?.pickedUp() ?? null,
  finishLoop(clicksAtS) {
    const result = recorder!.loopDelay(clicksAtS);
    recorder = undefined;
    return result;
  },
  stop() {
    recorder = undefined;
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

function hear({ firstSample, samples }: BlockMessage): void {
  if (!recorder) return;
  if (recorder.firstSample === undefined) post({ kind: 'started', firstSample });
  recorder.push(firstSample, samples, (frame) => {
    batch.set([frame.index, frame.f0Hz, frame.levelDb, frame.breathDb], batched * LIVE_FIELDS);
    if (++batched === ROWS_IN_A_BATCH) sendBatch();
  });
  sendBatch();
  void putDraftAway(recorder);
}

/** Puts away what was heard since the last piece, once a second; a piece that failed goes with the next one. Never rejects. */
async function putDraftAway(now: TakeRecorder): Promise<void> {
  const { draftTakeId, sampleRateHz } = now.settings;
  const upTo = now.heardSamples;
  if (!draftTakeId || putting || upTo - draftedSamples < DRAFT_EVERY_S * sampleRateHz) return;
  putting = true;
  try {
    await addDraftPiece(draftTakeId, now.soundFrom(draftedSamples, upTo));
    if (recorder === now) draftedSamples = upTo;
  } catch (error) {
    post({ kind: 'draftLost', reason: detailOf(error) });
  } finally {
    if (recorder === now) putting = false;
  }
}

function sendBatch(): void {
  if (!recorder || batched === 0) return;
  const rows = batch.slice(0, batched * LIVE_FIELDS);
  batched = 0;
  post({ kind: 'frames', rows, peak: recorder.peak, lostMs: recorder.lostMs }, [rows.buffer]);
  recorder.peak = 0;
}

function post(message: LiveMessage, transfers: Transferable[] = []): void {
  live?.postMessage(message, transfers);
}

expose(service);
