import type { FreeWish, HeardTake, Masked, OpenAssignment } from '@inner-hum/core/take';
import type { LoopDelay } from '@inner-hum/core/measure';
import type { Frames } from '@inner-hum/core/signal';
import type { Remote } from 'comlink';
import type { Ear } from './ear';
import { NOT_YOURS, type EarService, type FreeHeard, type PickedUp, type RecorderSettings } from './protocol';

/** A recording was asked for while a take goes on, or something of one that gave way to another. */
export class GaveWay extends Error {}

/**
 * A recording under way. Only who holds it can end it, and one that is over is refused with {@link GaveWay}: nobody ends
 * what is another's.
 */
export class Recording {
  private constructor(
    private readonly id: number,
    private readonly ear: Remote<EarService>,
  ) {}

  /** Begins in the place of what is listened to. @throws GaveWay while a take is recorded, but for another take */
  static async begin({ ask }: Ear, settings: RecorderSettings): Promise<Recording> {
    return new Recording(await told(ask.begin(settings)), ask);
  }

  /** Ends it; `firstBeatAtS` is on the context's clock, null when the first tone sets it. */
  finishTake(assignment: OpenAssignment, firstBeatAtS: number | null): Promise<HeardTake | null> {
    return told(this.ear.finishTake(this.id, assignment, firstBeatAtS));
  }

  /** Ends it and gives what was held in it as a take without sound; null when nothing was. */
  finishFree(wish: FreeWish, masked: Masked): Promise<FreeHeard | null> {
    return told(this.ear.finishFree(this.id, wish, masked));
  }

  /** Ends it and gives its frames. */
  finishFrames(): Promise<Frames> {
    return told(this.ear.finishFrames(this.id));
  }

  /** Ends it and gives the way round of clicks played at these times on the context's clock. */
  finishLoop(clicksAtS: readonly number[]): Promise<LoopDelay> {
    return told<LoopDelay>(this.ear.finishLoop(this.id, clicksAtS));
  }

  /** What the last seconds tell of how the sound is picked up, while it goes on. */
  pickedUp(): Promise<PickedUp> {
    return told(this.ear.pickedUp(this.id));
  }

  /** Ends it where it goes on still. */
  async stop(): Promise<void> {
    await this.ear.stop(this.id);
  }
}

/** Errors of the worker as errors of this page. */
async function told<T>(asked: Promise<T>): Promise<T> {
  try {
    return await asked;
  } catch (error) {
    throw error instanceof Error && error.name === NOT_YOURS ? new GaveWay(error.message) : error;
  }
}
