import { judgedAnew, unpackFrames } from '@inner-hum/core/take';
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
import { clockOffsetMs } from '../base/clockOffset';
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

/** Frames on their way to the page, so many at a time. */
class LiveRows {
  count = 0;
  private readonly batch = new Float32Array(ROWS_IN_A_BATCH * LIVE_FIELDS);

  clear(): void {
    this.count = 0;
  }

  /** Gives whether they are to be sent now: there is no room for more. */
  add({ index, f0Hz, levelDb, breathDb, upperMixes }: Readonly<LiveFrame>): boolean {
    this.batch.set([index, f0Hz, levelDb, breathDb, Number(upperMixes)], this.count * LIVE_FIELDS);
    return ++this.count === ROWS_IN_A_BATCH;
  }

  /** What came since the last time. */
  take(): Float32Array<ArrayBuffer> {
    const taken = this.batch.slice(0, this.count * LIVE_FIELDS);
    this.count = 0;
    return taken;
  }
}

/** What is recorded now, from the sound's messages to the page's. */
class Recordings {
  private live: MessagePort | undefined;
  private running: Running | undefined;
  private begun = 0;
  private readonly rows = new LiveRows();

  constructor(private readonly putAway: PutAway) {}

  connect(sound: MessagePort, live: MessagePort): void {
    this.live = live;
    sound.onmessage = (event: MessageEvent<BlockMessage>) => this.hear(event.data);
  }

  begin(settings: RecorderSettings): number {
    if (this.running && isKept(this.running.recorder.settings) && !isKept(settings)) throw notYours('a take goes on');
    this.rows.clear();
    this.running = { id: ++this.begun, recorder: new TakeRecorder(settings), draftedSamples: 0, putting: false };
    return this.begun;
  }

  of(id: number): TakeRecorder {
    if (this.running?.id !== id) throw notYours('the recording is over');
    return this.running.recorder;
  }

  /** The recording, which hears nothing more. */
  ended(id: number): TakeRecorder {
    const recorder = this.of(id);
    this.running = undefined;
    return recorder;
  }

  stop(id: number): void {
    if (this.running?.id === id) this.running = undefined;
  }

  private hear({ firstSample, samples, atMs }: BlockMessage): void {
    if (!this.running) return;
    const { recorder } = this.running;
    if (recorder.firstSample === undefined) this.post({ kind: 'started', firstSample });
    recorder.push(firstSample, samples, (frame) => this.rows.add(frame) && this.sendRows(), {
      wallMs: atMs,
      offsetMs: clockOffsetMs(),
    });
    this.sendRows();
    void this.putDraftAway(this.running);
  }

  /** Puts away what was heard since the last piece, once a second; a piece that failed goes with the next one. Never rejects. */
  private async putDraftAway(now: Running): Promise<void> {
    const { recorder } = now;
    const { draftTakeId, sampleRateHz } = recorder.settings;
    const upTo = recorder.heardSamples;
    if (!draftTakeId || now.putting || upTo - now.draftedSamples < DRAFT_EVERY_S * sampleRateHz) return;
    now.putting = true;
    try {
      await this.putAway(draftTakeId, recorder.soundFrom(now.draftedSamples, upTo));
      now.draftedSamples = upTo;
    } catch (error) {
      this.post({ kind: 'draftLost', reason: detailOf(error) });
    } finally {
      now.putting = false;
    }
  }

  private sendRows(): void {
    if (!this.running || this.rows.count === 0) return;
    const { recorder } = this.running;
    const rows = this.rows.take();
    this.post({ kind: 'frames', rows, peak: recorder.peak, lost: recorder.lostLately }, [rows.buffer]);
    recorder.peak = 0;
  }

  private post(message: LiveMessage, transfers: Transferable[] = []): void {
    this.live?.postMessage(message, transfers);
  }
}

/** Keeps a piece of a take's sound as it goes. */
type PutAway = (takeId: string, samples: Int16Array<ArrayBuffer>) => Promise<void>;

/** The ear behind its messages: what the worker does, with its state. */
export function earFunctions(putAway: PutAway): EarService {
  const recordings = new Recordings(putAway);
  return {
    connect: (sound, live) => recordings.connect(sound, live),
    begin: (settings) => recordings.begin(settings),
    async finishTake(id, assignment, firstBeatAtS) {
      return sent(recordings.ended(id).finishTake(assignment, firstBeatAtS));
    },
    finishFree: (id, wish, masked) => recordings.ended(id).finishFree(wish, masked),
    finishFrames: (id) => recordings.ended(id).frames(),
    pickedUp: (id) => recordings.of(id).pickedUp(),
    finishLoop: (id, clicksAtS) => recordings.ended(id).loopDelay(clicksAtS),
    stop: (id) => recordings.stop(id),
    ping: () => true,
    async assessRecording(samples, settings, assignment, firstBeatS, onProgress) {
      const recording = new TakeRecorder(settings);
      const piece = Math.round(PIECE_S * settings.sampleRateHz);
      for (let at = 0; at < samples.length; at += piece) {
        // Each frame is described as it comes, so that little is left to do at the end.
        recording.push(at, samples.subarray(at, at + piece), () => undefined);
        await onProgress?.(Math.min(1, (at + piece) / samples.length));
      }
      return sent(recording.finishTake(assignment, firstBeatS));
    },
    assessFrames: (packed, count, assignment) => assess(unpackFrames(packed, count), assignment),
    judgeAnew: judgedAnew,
    playStandIn(score, settings) {
      const samples = playStandIn(score, settings);
      return transfer(samples, [samples.buffer]);
    },
  };
}

/** A take handed over, not copied. */
function sent(take: ReturnType<TakeRecorder['finishTake']>) {
  return take && transfer(take, [take.frames.buffer, take.samples.buffer]);
}

/** Whether what is recorded is the player's, and not listened to for a check alone. */
function isKept({ draftTakeId, free }: RecorderSettings): boolean {
  return draftTakeId !== undefined || free !== undefined;
}

function notYours(message: string): Error {
  return Object.assign(new Error(message), { name: NOT_YOURS });
}
