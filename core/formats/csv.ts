import { QUANTITY_ROWS, STEP_QUANTITIES } from '@inner-hum/core/measure';
import { HOP_S, type Frames } from '@inner-hum/core/signal';
import { noteName, type NoteNameSystem } from '@inner-hum/core/theory';
import Papa from 'papaparse';
import type { TakeRecord } from '@inner-hum/core/take';

/**
 * Cells of text that a spreadsheet could run as a formula are quoted with an apostrophe: those in which a line begins,
 * after spaces and quotes, with a sign that begins one, also in its full width.
 */
const FORMULA = /(^|[\r\n])[\s"'\u200b\ufeff]*[=+\-@\t|%\uff1d\uff0b\uff0d\uff20]/;
const OPTIONS = { escapeFormulae: FORMULA, newline: '\n' } as const;

/** Frames of a take as CSV: time, pitch (0 where no tone), level, breath, centroid, confidence. */
export function framesCsv(frames: Frames): string {
  const rows = Array.from({ length: frames.count }, (_, i) => [
    (i * HOP_S).toFixed(2),
    frames.f0Hz[i]!.toFixed(3),
    Number(frames.levelDb[i]!.toFixed(2)),
    Number(frames.breathDb[i]!.toFixed(2)),
    frames.centroidPartials[i]!.toFixed(2),
    frames.confidence[i]!.toFixed(3),
  ]);
  const fields = ['time_s', 'f0_hz', 'level_db', 'breath_db', 'centroid_partials', 'confidence'];
  return Papa.unparse({ fields, data: rows }, OPTIONS);
}

/** Quantities of a step that go into the table of measures, by the name of their column. */
const COLUMNS = Object.fromEntries(STEP_QUANTITIES.map((name) => [QUANTITY_ROWS[name].column, name]));

/**
 * Measures of takes as CSV: a row for each step, each quantity with its uncertainty; empty where there is none. Without
 * its header it can be put after another.
 */
export function measuresCsv(takes: readonly TakeRecord[], system: NoteNameSystem, header = true): string {
  const names = Object.keys(COLUMNS);
  const fields = [
    'take',
    'started_at',
    'instrument',
    'written_note',
    'step',
    'decision',
    ...names.flatMap((name) => [name, `${name}_uncertainty`]),
    'stairs',
    'partial_jumps',
    'drop_outs',
    'note',
  ];
  const data = takes.flatMap((take) =>
    take.measures.map((step, index) => [
      take.id,
      take.startedAt,
      take.setup.instrumentId,
      noteName(take.score.steps[index]!.soundedMidi, system),
      index + 1,
      take.verdict.decision,
      ...names.flatMap((name): (number | string)[] => {
        const quantity = step.kind === 'sounded' ? step[COLUMNS[name]!] : undefined;
        return quantity?.kind === 'measured' ? [round(quantity.value), round(quantity.uncertainty)] : ['', ''];
      }),
      ...(step.kind === 'sounded' ? [step.stairs.length, step.jumps.length, step.dropOuts.length] : ['', '', '']),
      take.note,
    ]),
  );
  return Papa.unparse({ fields, data }, { ...OPTIONS, header });
}

/** Cents of a note in one third of the ruler, with its uncertainty. */
interface Tendency {
  readonly value: number;
  readonly uncertainty: number;
}

/** A tendency sheet as CSV: cents per note soft, medium and loud, empty where nothing is known. */
export function tendencyCsv(
  rows: readonly { readonly name: string; readonly [band: string]: Tendency | string | undefined }[],
): string {
  const bands = ['soft', 'medium', 'loud'] as const;
  const fields = ['note', ...bands.flatMap((band) => [`${band}_cents`, `${band}_uncertainty`])];
  const data = rows.map((row) => [
    row.name,
    ...bands.flatMap((band): (number | string)[] => {
      const known = row[band];
      return typeof known === 'object' ? [round(known.value), round(known.uncertainty)] : ['', ''];
    }),
  ]);
  return Papa.unparse({ fields, data }, OPTIONS);
}

function round(value: number): number {
  return Number(value.toFixed(4));
}
