import { dayOf } from '../../base/days';
import { detailOf } from '../../base/detailOf';
import { newId } from '../../base/plainOrigin';
import type { UnreadTake } from '@inner-hum/core/formats';
import { proxy } from 'comlink';
import { monoOf } from './decode';
import { takeOf } from '@inner-hum/core/take';
import { assignmentFor, recorderSettingsFor, planNow } from '../../practice/planNow';
import { lookBack } from '../../db/past';
import { backupService } from '../../db/backup';
import { hasTakes, keepTake, mergeTakes } from '../../db/takes';
import { mergeShelf } from '../../db/shelf';
import { saveFile } from '../../base/saveFile';
import { store } from '../../store';
import { settingsChanged } from '../../store/settings';
import { readSettings } from '../../db/settings/readSettings';
import { united } from '../../db/settings/united';
import type { Settings } from '../../db/settings/settings';
import type { Ear } from '../../input/ear';

/** What became of a file; `reason` picks the sentence when it was refused. */
export type FileOutcome =
  | {
      readonly kind: 'merged';
      readonly added: number;
      readonly alreadyHere: number;
      /** recordings to learn from that are new on the shelf */
      readonly toShelf: number;
      /** takes and recordings that could not be read */
      readonly aside: readonly UnreadTake[];
    }
  | { readonly kind: 'take'; readonly id: string }
  | { readonly kind: 'refused'; readonly reason: string; readonly detail: string };

/** Saves everything that is here: as a zip with sound, or as one JSON file. */
export async function saveBackup(kind: 'zip' | 'json', settings: Settings): Promise<void> {
  const now = new Date().toISOString();
  const blob = await (kind === 'zip' ? backupService().zip(now, settings) : backupService().json(now, settings));
  saveFile(`inner-hum-${dayOf(new Date(now))}.${kind}`, blob.type, blob);
}

/** Saves the measures of all takes as a table. */
export async function saveMeasures({ noteNames }: Settings): Promise<void> {
  const blob = await backupService().measures(noteNames);
  saveFile('inner-hum-measures.csv', blob.type, blob);
}

/** Reads a backup: the takes that can be read, all of them or none. */
export async function restoreBackup(file: File): Promise<FileOutcome> {
  const backup = await backupService().read(new Uint8Array(await file.arrayBuffer()));
  if (backup.kind === 'refused') return backup;
  try {
    const empty = !(await hasTakes());
    const added = await mergeTakes(backup.takes);
    takeSettings(backup.settings, empty);
    // The takes are here by now, whatever becomes of the recordings.
    const shelf = await mergeShelf(backup.shelf).catch((error: unknown) => ({ detail: detailOf(error) }));
    const [toShelf, failed] = typeof shelf === 'number' ? [shelf, []] : [0, [shelf]];
    const aside = [...backup.aside, ...failed];
    return { kind: 'merged', added, alreadyHere: backup.takes.length - added, toShelf, aside };
  } catch (error) {
    return { kind: 'refused', reason: 'storage', detail: error instanceof Error ? error.message : '' };
  }
}

/** Where nothing was played yet a backup's settings are the player's; else only what the player collected is added. */
function takeSettings(stored: unknown, empty: boolean): void {
  if (typeof stored !== 'object' || stored === null) return;
  const found = readSettings(stored).settings;
  const { settings } = store.getState();
  if (empty) {
    store.dispatch(settingsChanged(found));
    return;
  }
  store.dispatch(settingsChanged(united(settings, found)));
}

/** Analyses a recording as a take of the present exercise; its first tone is beat one. */
export async function analyseRecording(
  ear: Ear,
  file: File,
  settings: Settings,
  onProgress: (share: number) => void,
): Promise<FileOutcome> {
  const sound = await monoOf(file);
  if (!sound) return { kind: 'refused', reason: 'sound', detail: '' };
  if (sound.samples.length === 0) return { kind: 'refused', reason: 'empty', detail: '' };
  const plan = planNow(settings, { kind: 'file', name: file.name }, { delayS: 0, delayErrorS: 0 });
  const recorder = recorderSettingsFor(plan, sound.sampleRateHz);
  const about = assignmentFor(plan, await lookBack(plan.score));
  const heard = await ear.ask.assessRecording(sound.samples, recorder, about, null, proxy(onProgress));
  if (!heard) return { kind: 'refused', reason: 'noTone', detail: '' };
  const id = newId();
  await keepTake(takeOf(plan, heard, { id, cut: false, keepSound: settings.keepSound }), settings.pinned);
  return { kind: 'take', id };
}
