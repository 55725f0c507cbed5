import { LARGEST_SCORE, type ImportedParts } from '@inner-hum/core/formats';
import { proxy } from 'comlink';
import { detailOf } from '../../base/detailOf';
import { WorkerEnded, WorkerService } from '../../base/workerService';
import type { ScoreService } from './score.worker';

const worker = new WorkerService<ScoreService>(
  () => new Worker(new URL('./score.worker.ts', import.meta.url), { type: 'module' }),
);

/** Ends the reading of a score; nothing was changed by it. */
export function stopScore(): void {
  worker.end();
}

/** Parts of a score file, read beside the page; undefined where that was stopped. Never rejects. */
export async function readScore(file: File, onProgress: (share: number) => void): Promise<ImportedParts | undefined> {
  if (file.size > LARGEST_SCORE)
    return { kind: 'refused', reason: 'tooLarge', detail: `${Math.round(file.size / 1e6)}` };
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    return await worker.ask.read(bytes, /\.midi?$/i.test(file.name), proxy(onProgress));
  } catch (error) {
    if (error instanceof WorkerEnded) return undefined;
    return { kind: 'refused', reason: 'notRead', detail: detailOf(error) };
  }
}
