import { DYNAMICS } from '@inner-hum/core/theory';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { strFromU8, unzipSync } from 'fflate';
import { sizeGuard } from './zipSizes';
import {
  isNote,
  LARGEST_SCORE,
  LONGEST_QUARTERS,
  MOST_NOTES,
  onGrid,
  type ImportedPart,
  type ImportedParts,
  type TimedNote,
} from './importedPart';

/** An element as the parser gives it in document order: one key with its children, and attributes under ":@". */
type Element = Readonly<Record<string, unknown>>;
const STEPS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
/** How much of the work is done when the text is known to be whole, and when it is parsed: of large files, as measured. */
const CHECKED = 0.35;
const PARSED = 0.8;
const ZIP_MAGIC = 0x4b50;
/** Divisions of a quarter, and how far a part may transpose: far beyond what is printed. */
const LEAST_DIVISIONS = 0.01;
const MOST_DIVISIONS = 1e6;
const MOST_SEMITONES = 60;
/** Places that are one, quarters. */
const NEAR_QUARTERS = 1e-6;
/** No printed page has so many dynamics and hairpins that wait for a note: each note looks through them. */
const MOST_AHEAD = 1000;

/**
 * Parts of a MusicXML file, plain (.musicxml, .xml) or zipped (.mxl): first voice, top note of chords, ties joined,
 * grace notes left out. Source of the format: MusicXML 4.0, W3C Music Notation Community Group.
 *
 * @param onProgress told how far it is, 0–1
 */
export function readMusicXml(bytes: Uint8Array, onProgress?: (share: number) => void): ImportedParts {
  let root: Element[];
  try {
    const text = textOf(bytes);
    const valid = XMLValidator.validate(text);
    if (valid !== true) return { kind: 'refused', reason: 'notRead', detail: `line ${valid.err.line}` };
    onProgress?.(CHECKED);
    const parser = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      parseTagValue: false,
      processEntities: false,
    });
    const document = parser.parse(text) as Element[];
    const score = document.find((candidate) => 'score-partwise' in candidate);
    if (!score) return { kind: 'refused', reason: 'notRead', detail: 'score-partwise' };
    root = childrenOf(score, 'score-partwise');
  } catch (error) {
    return { kind: 'refused', reason: 'notRead', detail: error instanceof Error ? error.message : '' };
  }
  onProgress?.(PARSED);
  const names = partNames(root);
  const parts: ImportedPart[] = [];
  for (const part of root.filter((entry) => 'part' in entry)) {
    const id = attribute(part, 'id');
    const name = names.get(id) || id;
    const read = readPart(childrenOf(part, 'part'));
    if (typeof read === 'string') return { kind: 'refused', reason: 'damaged', detail: `${name}, ${read}` };
    if (read.notes.length > 0) parts.push({ name, ...read });
    onProgress?.(PARSED + (1 - PARSED) * (root.indexOf(part) / root.length));
  }
  return parts.length > 0 ? { kind: 'parts', parts } : { kind: 'refused', reason: 'noNotes', detail: '' };
}

function textOf(bytes: Uint8Array): string {
  const isZip = bytes.length > 2 && bytes[0]! + 256 * bytes[1]! === ZIP_MAGIC;
  if (!isZip) return decoded(bytes);
  const files = unzipSync(bytes, { filter: sizeGuard(LARGEST_SCORE, LARGEST_SCORE) });
  const listed = /full-path="([^"]+)"/.exec(strFromU8(files['META-INF/container.xml'] ?? new Uint8Array()))?.[1];
  const name = listed ?? Object.keys(files).find((key) => /^[^/]+\.(musicxml|xml)$/.test(key));
  const file = name === undefined ? undefined : files[name];
  if (!file) throw new Error('META-INF/container.xml');
  return decoded(file);
}

/** Text as its byte order mark or its first two bytes say it is written: UTF-8, or UTF-16 either way round. */
function decoded(bytes: Uint8Array): string {
  const first = (bytes[0] ?? 0) * 256 + (bytes[1] ?? 0);
  const encoding = ({ 0xfffe: 'utf-16le', 0x3c00: 'utf-16le', 0xfeff: 'utf-16be', 0x003c: 'utf-16be' } as const)[first];
  return new TextDecoder(encoding ?? 'utf-8').decode(bytes);
}

function partNames(root: readonly Element[]): Map<string, string> {
  const list = root.find((candidate) => 'part-list' in candidate);
  return new Map(
    (list ? childrenOf(list, 'part-list') : [])
      .filter((entry) => 'score-part' in entry)
      .map((entry) => [attribute(entry, 'id'), textIn(childrenOf(entry, 'score-part'), 'part-name') ?? '']),
  );
}

function readPart(measures: readonly Element[]): Pick<ImportedPart, 'notes' | 'transposeSemitones'> | string {
  const timed: TimedNote[] = [];
  let divisions = 1;
  let transposeSemitones: number | undefined;
  let voice: string | undefined;
  /** dynamics and hairpins that stand ahead, each for the first note at its place or after it, quarters */
  let ahead: { readonly at: number; readonly marks: Pick<TimedNote, 'dynamic' | 'hairpin'> }[] = [];
  let place = 0;
  let openSlurs = 0;
  for (const measure of measures.filter((entry) => 'measure' in entry)) {
    const where = `measure ${attribute(measure, 'number')}`;
    for (const element of childrenOf(measure, 'measure')) {
      if ('attributes' in element) {
        const attributes = childrenOf(element, 'attributes');
        divisions = Number(textIn(attributes, 'divisions') ?? divisions);
        if (!(divisions >= LEAST_DIVISIONS && divisions <= MOST_DIVISIONS)) return where;
        const transpose = attributes.find((candidate) => 'transpose' in candidate);
        if (transpose) transposeSemitones = semitonesOf(childrenOf(transpose, 'transpose'));
        if (transposeSemitones !== undefined && !(Math.abs(transposeSemitones) <= MOST_SEMITONES)) return where;
      }
      if ('direction' in element) {
        const direction = childrenOf(element, 'direction');
        const marks = markedIn(direction);
        if (Object.keys(marks).length > 0)
          ahead.push({ at: place + Number(textIn(direction, 'offset') ?? 0) / divisions, marks });
        if (ahead.length > MOST_AHEAD) return where;
      }
      if (!('note' in element)) continue;
      const note = childrenOf(element, 'note');
      voice ??= textIn(note, 'voice');
      if (has(note, 'grace') || textIn(note, 'voice') !== voice) continue;
      const quarters = Number(textIn(note, 'duration')) / divisions;
      const midi = midiOf(note);
      if (!(quarters >= 0 && quarters <= LONGEST_QUARTERS) || midi === undefined) return where;
      if (timed.length > MOST_NOTES) return where;
      const before = timed.at(-1);
      if (has(note, 'chord') && before) {
        if (before.midi !== null && midi !== null && midi > before.midi) timed[timed.length - 1] = { ...before, midi };
      } else if (before && isTiedOn(note) && before.midi === midi)
        timed[timed.length - 1] = { ...before, quarters: before.quarters + quarters };
      else if (midi === null) timed.push({ midi, quarters });
      else {
        const slurred = openSlurs > 0 && before !== undefined && before.midi !== null;
        const due = ahead.filter(({ at }) => at <= place + NEAR_QUARTERS);
        timed.push({
          midi,
          quarters,
          ...(slurred && { slurred }),
          ...Object.assign({}, ...due.map(({ marks }) => marks)),
        });
        ahead = ahead.filter((one) => !due.includes(one));
      }
      if (!has(note, 'chord')) place += quarters;
      openSlurs = Math.max(0, openSlurs + slursOpened(note));
    }
  }
  return { notes: onGrid(timed), transposeSemitones };
}

/** The dynamic and the hairpin of a direction, where it has one that is known here. */
function markedIn(direction: readonly Element[]): Pick<TimedNote, 'dynamic' | 'hairpin'> {
  const types = direction
    .filter((entry) => 'direction-type' in entry)
    .flatMap((entry) => childrenOf(entry, 'direction-type'));
  const written = types.filter((entry) => 'dynamics' in entry).flatMap((entry) => childrenOf(entry, 'dynamics'));
  const dynamic = DYNAMICS.find((one) => has(written, one));
  const wedge = types.find((entry) => 'wedge' in entry);
  const hairpin = wedge && ({ crescendo: '<', diminuendo: '>' } as const)[attribute(wedge, 'type')];
  return { ...(dynamic && { dynamic }), ...(hairpin && { hairpin }) };
}

/** Slurs that begin on a note less those that end on it. */
function slursOpened(note: readonly Element[]): number {
  const notations = note.filter((entry) => 'notations' in entry).flatMap((entry) => childrenOf(entry, 'notations'));
  const slurs = notations.filter((entry) => 'slur' in entry).map((slur) => attribute(slur, 'type'));
  return slurs.filter((type) => type === 'start').length - slurs.filter((type) => type === 'stop').length;
}

/** MIDI number of a note element; null for a rest, undefined when it is neither. */
function midiOf(note: readonly Element[]): number | null | undefined {
  if (has(note, 'rest')) return null;
  const pitch = note.find((candidate) => 'pitch' in candidate);
  if (!pitch) return undefined;
  const inside = childrenOf(pitch, 'pitch');
  const step = STEPS[textIn(inside, 'step') ?? ''];
  const midi = 12 * (Number(textIn(inside, 'octave')) + 1) + (step ?? NaN) + Number(textIn(inside, 'alter') ?? 0);
  return isNote(midi) ? midi : undefined;
}

function isTiedOn(note: readonly Element[]): boolean {
  return note.some((entry) => 'tie' in entry && attribute(entry, 'type') === 'stop');
}

function semitonesOf(transpose: readonly Element[]): number {
  return Number(textIn(transpose, 'chromatic') ?? 0) + 12 * Number(textIn(transpose, 'octave-change') ?? 0);
}

const childrenOf = (element: Element, name: string) => (element[name] ?? []) as Element[];
const has = (elements: readonly Element[], name: string) => elements.some((element) => name in element);
const attribute = (element: Element, name: string) =>
  String((element[':@'] as Record<string, unknown> | undefined)?.[name] ?? '');

function textIn(elements: readonly Element[], name: string): string | undefined {
  const found = elements.find((element) => name in element);
  const text = found && childrenOf(found, name)[0]?.['#text'];
  return text === undefined ? undefined : String(text);
}
