import { playStandIn } from '@inner-hum/core/simulate';
import { expose, transfer } from 'comlink';
import { addDraftPiece } from '../db/drafts';
import { Hearing } from './hearing';
import { LIVE_FIELDS, type BlockMessage, type EarService, type LiveMessage } from './protocol';

const DRAFT_EVERY_S = 1;
const ROWS_IN_A_BATCH = 64;

let live: MessagePort | undefined;
let hearing: Hearing | undefined;
let draftedSamples = 0;
let receivedSamples = 0;
const batch = new Float32Array(ROWS_IN_A_BATCH * LIVE_FIELDS);
let batched = 0;

const service: EarService = {
  connect(sound, livePort) {
    live = livePort;
    sound.onmessage = (event: MessageEvent<BlockMessage>) => hear(event.data);
  },
  begin(settings) {
    hearing = new Hearing(settings);
    draftedSamples = 0;
    receivedSamples = 0;
  },
  async finishTake(assignment, firstBeatAtS) {
    const take = hearing?.finishTake(assignment, firstBeatAtS) ?? null;
    hearing = undefined;
    return take && transfer(take, [take.frames.buffer, take.samples.buffer]);
  },
  finishFrames() {
    const frames = hearing!.frames();
    hearing = undefined;
    return frames;
  },
  finishLoop(clicksAtS) {
    const result = hearing!.loopDelay(clicksAtS);
    hearing = undefined;
    return result;
  },
  stop() {
    hearing = undefined;
  },
  assessRecording(samples, settings, assignment, firstBeatS) {
    const recording = new Hearing(settings);
    recording.push(0, samples);
    const take = recording.finishTake(assignment, firstBeatS);
    return take && transfer(take, [take.frames.buffer, take.samples.buffer]);
  },
  playStandIn(score, settings) {
    const samples = playStandIn(score, settings);
    return transfer(samples, [samples.buffer]);
  },
};

function hear({ firstSample, samples }: BlockMessage): void {
  if (!hearing) return;
  if (hearing.firstSample === undefined) post({ kind: 'started', firstSample });
  hearing.push(firstSample, samples, (frame) => {
    batch.set([frame.index, frame.f0Hz, frame.levelDb, frame.breathDb], batched * LIVE_FIELDS);
    if (++batched === ROWS_IN_A_BATCH) sendBatch();
  });
  sendBatch();
  receivedSamples += samples.length;
  const { draftTakeId, sampleRateHz } = hearing.settings;
  if (draftTakeId && receivedSamples - draftedSamples >= DRAFT_EVERY_S * sampleRateHz) {
    void addDraftPiece(draftTakeId, hearing.soundFrom(draftedSamples));
    draftedSamples = receivedSamples;
  }
}

function sendBatch(): void {
  if (!hearing || batched === 0) return;
  const rows = batch.slice(0, batched * LIVE_FIELDS);
  batched = 0;
  post({ kind: 'frames', rows, peak: hearing.peak, lostMs: hearing.lostMs }, [rows.buffer]);
  hearing.peak = 0;
}

function post(message: LiveMessage, transfers: Transferable[] = []): void {
  live?.postMessage(message, transfers);
}

expose(service);
