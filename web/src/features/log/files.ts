import { dayOf } from '../../base/days';
import { newId } from '../../base/plainOrigin';
import { proxy } from 'comlink';
import { monoOf, MOST_RECORDING_S } from './decode';
import { takeOf } from '@inner-hum/core/take';
import { assignmentFor, recorderSettingsFor, planNow } from '../../practice/planNow';
import { lookBack } from '../../db/past';
import { backupService } from '../../db/backup';
import type { Restored } from '../../db/backupFunctions';
import { keepTake } from '../../db/takes';
import { saveFile } from '../../base/saveFile';
import { store } from '../../store';
import { settingsChanged } from '../../store/settings';
import { readSettings } from '../../db/settings/readSettings';
import { united } from '../../db/settings/united';
import type { Settings } from '../../db/settings/settings';
import type { Ear } from '../../input/ear';

/** What became of a file; `reason` picks the sentence when it was refused. */
export type FileOutcome =
  | Extract<Restored, { kind: 'merged' }>
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

/** Reads a backup: the takes that can be read, all of them or none. `onProgress` is told how far it is, 0–1. */
export async function restoreBackup(file: File, onProgress: (share: number) => void): Promise<FileOutcome> {
  const restored = await backupService().restore(file, proxy(onProgress));
  if (restored.kind === 'merged') takeSettings(restored.settings, restored.wasEmpty);
  return restored;
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
  if (sound === 'tooLong') return { kind: 'refused', reason: 'tooLong', detail: `${MOST_RECORDING_S / 60}` };
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
