import { isPhrase, phraseText, scoreToAbc } from '@inner-hum/core/exercise';
import { exerciseScore, playable, usualExercise, familyById } from '@inner-hum/core/families';
import {
  forHorn,
  measuresCsv,
  readBackup,
  readWeek,
  writeBackup,
  writeMidi,
  writeMusicXml,
  writeWeek,
  type BackupResult,
  type ImportedParts,
  type WeekResult,
} from '@inner-hum/core/formats';
import { unpackFrames, type WholeTake } from '@inner-hum/core/take';
import { isWholeTake } from '@inner-hum/core/take/schema';
import { cellsFrom, digestOf, isDigest, tonesAfter } from '@inner-hum/core/history';
import { glanceOf } from '@inner-hum/core/map';
import { INSTRUMENTS, noteName } from '@inner-hum/core/theory';
import { i18next } from '../web/src/text/i18n';
import { exerciseMeta, exerciseTitle } from '../web/src/text/exerciseText';
import { findingText, nextText } from '../web/src/text/findingText';
import { takeView } from '../web/src/ribbon/takeView';
import { LIGHT } from '../web/src/ui/palette';
import { drawRibbon } from '../web/src/ribbon/ribbon';
import { exerciseOf, scoreOf } from '../web/src/store/settings';
import { readSettings } from '../web/src/db/settings/readSettings';

export const { t } = i18next;
export const nameOf = (midi: number) => noteName(midi, 'english');

/** A drawing context that draws nothing. */
const nowhere = new Proxy(
  {},
  { get: (_, name) => (name === 'measureText' ? () => ({ width: 10 }) : () => nowhere), set: () => true },
);

/** The drawing needs a page for a moment; nothing else here may see one. */
function drawNowhere(view: Parameters<typeof drawRibbon>[1]): void {
  const page = {
    Path2D: function Path2D() {
      return nowhere;
    },
    document: { createElement: () => ({ getContext: () => nowhere }) },
  };
  Object.assign(globalThis, page);
  try {
    drawRibbon(nowhere as unknown as CanvasRenderingContext2D, view);
  } finally {
    for (const name of Object.keys(page)) Reflect.deleteProperty(globalThis, name);
  }
}

/** Everything that shows, sums up or saves a take. */
function useTake(take: WholeTake): void {
  const { record } = take;
  if (!isWholeTake(take)) throw new Error('accepted, but it would not be shown');
  const view = takeView(record, unpackFrames(take.frames, record.frameCount));
  const size = { width: 640, height: 200, palette: LIGHT };
  drawNowhere({ ...view, ...size });
  exerciseTitle(t, record.parameters, nameOf);
  exerciseMeta(t, record.parameters);
  for (const finding of record.verdict.findings) findingText(t, finding, record, nameOf);
  nextText(t, record.verdict, record, nameOf);
  const digest = digestOf(record, { startedAtMs: Date.parse(record.startedAt), day: record.startedAt.slice(0, 10) });
  if (!isDigest(digest)) throw new Error('its digest is not sound');
  cellsFrom([digest]);
  tonesAfter([digest], () => undefined);
  measuresCsv([record], 'english');
  scoreToAbc(record.score, 'usual');
  writeMusicXml(record.score, 'part');
  writeMidi(record.score, 'part');
  exerciseScore(playable(record.parameters).exercise);
}

export function useBackup(result: BackupResult): boolean {
  if (result.kind !== 'read') return false;
  result.takes.forEach(useTake);
  if (result.settings !== undefined) useSettings(result.settings);
  const again = readBackup(writeBackup(result.takes, '2026-03-01T18:00:00.000Z'));
  if (again.kind !== 'read' || again.takes.length !== result.takes.length) throw new Error('its own backup is refused');
  return true;
}

export function useWeek(result: WeekResult): boolean {
  if (result.kind !== 'read') return false;
  result.week.takes.forEach(useTake);
  glanceOf(result.week.digests);
  const again = readWeek(writeWeek(result.week));
  if (again.kind !== 'read' || again.aside.length > 0) throw new Error('its own file is refused');
  return true;
}

export function useSettings(value: unknown): boolean {
  const { settings, aside } = readSettings(value);
  scoreOf(settings);
  exerciseTitle(t, exerciseOf(settings), nameOf);
  settings.block.forEach((exercise) => exerciseScore(exercise));
  const again = readSettings(JSON.parse(JSON.stringify(settings)));
  if (again.aside.length > 0) throw new Error(`read twice, ${again.aside[0]!.path} is refused`);
  return aside.length === 0;
}

export function useParts(parts: ImportedParts): boolean {
  if (parts.kind !== 'parts') return false;
  for (const part of parts.parts)
    for (const horn of [INSTRUMENTS[0]!, INSTRUMENTS.at(-1)!]) {
      const phrase = phraseText(forHorn(part, horn, true).slice(0, 24));
      if (isPhrase(phrase)) playable({ ...usualExercise(familyById('overtoneRoute'), horn.id), phrase });
    }
  return true;
}
