import { packedTake, type PackedFile } from '@inner-hum/core/formats';
import { transfer } from 'comlink';
import { WorkerService } from '../base/workerService';
import { storageNow } from './database';
import { wholeTakes } from './takes';

/** Takes are read from the database and packed so many at a time. */
const AT_ONCE = 40;

export const packFunctions = {
  /** Takes as files of a zip. */
  async takes(ids: readonly string[]): Promise<PackedFile[]> {
    const files = (await wholeTakes(ids)).flatMap(packedTake);
    return transfer(
      files,
      files.map(({ bytes }) => bytes.buffer),
    );
  },
};

/** Gives takes packed, in their order: every other part of them comes from a second worker, and a backup is a quarter quicker. */
export async function eachPacked(ids: readonly string[], give: (files: readonly PackedFile[]) => void): Promise<void> {
  // What is only in this page's memory no worker can read.
  const second =
    storageNow().kind === 'lasting' && typeof Worker === 'function'
      ? new WorkerService<typeof packFunctions>(
          () => new Worker(new URL('./pack.worker.ts', import.meta.url), { type: 'module' }),
        )
      : undefined;
  try {
    for (let i = 0; i < ids.length; i += 2 * AT_ONCE) {
      const own = ids.slice(i, i + AT_ONCE);
      const others = ids.slice(i + AT_ONCE, i + 2 * AT_ONCE);
      const asked = second?.ask.takes(others).catch(() => undefined); // then they are packed here
      give(await packFunctions.takes(own));
      give((await asked) ?? (await packFunctions.takes(others)));
    }
  } finally {
    second?.end();
  }
}
