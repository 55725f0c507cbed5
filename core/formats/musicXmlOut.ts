import {
  BEAT_PARTS,
  dynamicsLine,
  gapsAfter,
  isOfTriplet,
  notated,
  scoreBeats,
  type PartWords,
  type Score,
  type Step,
} from '@inner-hum/core/exercise';
import { instrumentById, spellMidi, type Spelling } from '@inner-hum/core/theory';
import { XMLBuilder } from 'fast-xml-parser';

const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
const DIVISIONS = BEAT_PARTS;
/** Noteheads by their length in twelfths of a quarter, with a dot or not. */
const TYPES: readonly (readonly [number, string, boolean])[] = [
  [48, 'whole', false],
  [36, 'half', true],
  [24, 'half', false],
  [18, 'quarter', true],
  [12, 'quarter', false],
  [9, 'eighth', true],
  [6, 'eighth', false],
  [3, '16th', false],
];
/** The same in a triplet: three in the time of two. */
const OF_TRIPLETS: typeof TYPES = [
  [16, 'half', false],
  [8, 'quarter', false],
  [4, 'eighth', false],
  [2, '16th', false],
];

/** A stretch of sound or silence that one notehead or rest can write. */
interface Written {
  readonly units: number;
  readonly step: Step | undefined;
  readonly first: boolean;
  readonly last: boolean;
}

/**
 * The written part of a score as MusicXML 4.0: treble clef in the written pitch of its horn with its transposition, tempo,
 * dynamics and hairpins, ties over the bar lines, slurs, breath marks, fermatas and words. Beats down to quarters of one, and triplets.
 * Source of the format: MusicXML 4.0, W3C Music Notation Community Group.
 * @param fingeringOver the fingering that is written over a step; said again only when it changes
 */
export function writeMusicXml(
  played: Score,
  title: string,
  spelling: Spelling = 'usual',
  fingeringOver: (step: Step) => string | undefined = () => undefined,
  words: PartWords = { step: () => undefined, gap: () => undefined },
): string {
  const score = notated(played);
  const barUnits = score.beatsPerBar * DIVISIONS;
  const marks = [...dynamicMarks(score), ...fingeringMarks(score, fingeringOver), ...wordMarks(score, words)].sort(
    (a, b) => a.atUnits - b.atUnits,
  );
  const written = bars(score, barUnits);
  const measures = written.map((bar, i) => {
    const last = i === written.length - 1;
    // All of a bar stand at its start and say how far into it they belong; what ends with the part stays in its last bar.
    const own = marks.filter(
      ({ atUnits }) => atUnits >= i * barUnits && (atUnits < (i + 1) * barUnits || (last && atUnits >= i * barUnits)),
    );
    const directions = [...(i === 0 ? [tempo(score)] : []), ...own.map((mark) => direction(mark, i * barUnits))];
    return {
      '@number': i + 1,
      ...(i === 0 && { attributes: attributes(score) }),
      ...(directions.length > 0 && { direction: directions }),
      note: bar.map((entry) => note(entry, score, spelling)),
    };
  });
  const builder = new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    format: true,
    suppressEmptyNode: true,
  });
  const body = builder.build({
    'score-partwise': {
      '@version': '4.0',
      work: { 'work-title': title },
      'part-list': { 'score-part': { '@id': 'P1', 'part-name': title } },
      part: { '@id': 'P1', measure: measures },
    },
  }) as string;
  const type =
    '<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">';
  return `<?xml version="1.0" encoding="UTF-8"?>\n${type}\n${body}`;
}

function attributes({ beatsPerBar, instrumentId }: Score) {
  const offset = instrumentById(instrumentId).soundingOffsetSemitones;
  const octaves = Math.trunc(offset / 12);
  return {
    divisions: DIVISIONS,
    key: { fifths: 0 },
    time: { beats: beatsPerBar, 'beat-type': 4 },
    clef: { sign: 'G', line: 2 },
    ...(offset !== 0 && {
      transpose: { chromatic: offset - 12 * octaves, ...(octaves !== 0 && { 'octave-change': octaves }) },
    }),
  };
}

function tempo({ tempoBpm }: Score) {
  return {
    '@placement': 'above',
    'direction-type': { metronome: { 'beat-unit': 'quarter', 'per-minute': tempoBpm } },
    sound: { '@tempo': tempoBpm },
  };
}

/** Something that stands at a place of the part. */
interface Mark {
  readonly atUnits: number;
  readonly placement: 'above' | 'below';
  readonly type: object;
}

function direction({ atUnits, placement, type }: Mark, barStart: number) {
  const offset = atUnits - barStart;
  return { '@placement': placement, 'direction-type': type, ...(offset > 0 && { offset }) };
}

/** Letters, and a hairpin wherever one leads to another. */
function dynamicMarks(score: Score): Mark[] {
  const { letters, hairpins } = dynamicsLine(score);
  const mark = (beat: number, type: object): Mark => ({
    atUnits: Math.round(beat * DIVISIONS),
    placement: 'below',
    type,
  });
  // At one place a hairpin ends, its letter stands, and the next one begins.
  return [
    ...hairpins.map(({ toBeat }) => mark(toBeat, { wedge: { '@type': 'stop' } })),
    ...letters.map(({ beat, dynamic }) => mark(beat, { dynamics: { [dynamic]: '' } })),
    ...hairpins.map(({ fromBeat, grows }) =>
      mark(fromBeat, { wedge: { '@type': grows ? 'crescendo' : 'diminuendo' } }),
    ),
  ];
}

/** How tones start and what is done between them. */
function wordMarks({ steps, gaps = [] }: Score, words: PartWords): Mark[] {
  const mark = (startBeat: number, text: string | undefined): Mark[] =>
    text ? [{ atUnits: Math.round(startBeat * DIVISIONS), placement: 'above', type: { words: text } }] : [];
  return [
    ...steps.flatMap(({ startBeat }, i) => mark(startBeat, words.step(i))),
    ...gaps.flatMap(({ startBeat, kind }) => mark(startBeat, words.gap(kind))),
  ];
}

function fingeringMarks({ steps }: Score, fingeringOver: (step: Step) => string | undefined): Mark[] {
  let before: string | undefined;
  return steps.flatMap((step): Mark[] => {
    const words = fingeringOver(step);
    const again = words === before;
    before = words;
    if (!words || again) return [];
    return [{ atUnits: Math.round(step.startBeat * DIVISIONS), placement: 'above', type: { words } }];
  });
}

function bars(score: Score, barUnits: number): Written[][] {
  const out: Written[][] = [[]];
  let at = 0;
  const add = (units: number, step: Step | undefined) => {
    let left = units;
    while (left > 0) {
      const room = barUnits - (at % barUnits);
      const isPlain = !isOfTriplet(at) && !isOfTriplet(left);
      const [size] = (isPlain ? TYPES : OF_TRIPLETS).find(([most]) => most <= Math.min(room, left))!;
      out.at(-1)!.push({ units: size, step, first: left === units, last: left === size });
      left -= size;
      at += size;
      if (at % barUnits === 0) out.push([]);
    }
  };
  for (const step of score.steps) {
    add(Math.round(step.startBeat * DIVISIONS) - at, undefined);
    add(Math.round(step.beats * DIVISIONS), step);
  }
  const lastUnits = Math.ceil(Math.round(scoreBeats(score) * DIVISIONS) / barUnits) * barUnits;
  if (at < lastUnits) add(lastUnits - at, undefined);
  return out.filter((bar) => bar.length > 0);
}

function note({ units, step, first, last }: Written, score: Score, spelling: Spelling) {
  const [, type, dotted] = [...TYPES, ...OF_TRIPLETS].find(([size]) => size === units)!;
  const inTriplet = isOfTriplet(units) && { 'time-modification': { 'actual-notes': 3, 'normal-notes': 2 } };
  const length = { duration: units, voice: 1, type, ...(dotted && { dot: '' }), ...inTriplet };
  if (!step) return { rest: '', ...length };
  const { step: letter, alter, octave } = spellMidi(step.soundedMidi, spelling);
  const ties = [...(first ? [] : ['stop']), ...(last ? [] : ['start'])];
  const index = score.steps.indexOf(step);
  const next = score.steps[index + 1];
  const breathes = last && next !== undefined && gapsAfter(score, index)[0]?.kind === 'breath';
  const slursOn = next?.attack === 'slurred' && next.startBeat === step.startBeat + step.beats;
  const slurs = [
    ...(last && !slursOn && step.attack === 'slurred' ? ['stop'] : []),
    ...(first && slursOn && step.attack !== 'slurred' ? ['start'] : []),
  ];
  const notations = {
    ...(ties.length > 0 && { tied: ties.map((text) => ({ '@type': text })) }),
    ...(slurs.length > 0 && { slur: slurs.map((slur) => ({ '@type': slur })) }),
    ...(breathes && { articulations: { 'breath-mark': '' } }),
    ...(last && step.openEnd && { fermata: '' }),
  };
  return {
    pitch: { step: LETTERS[letter], ...(alter !== 0 && { alter }), octave },
    duration: units,
    ...(ties.length > 0 && { tie: ties.map((text) => ({ '@type': text })) }),
    voice: 1,
    type,
    ...(dotted && { dot: '' }),
    ...inTriplet,
    ...(Object.keys(notations).length > 0 && { notations }),
  };
}
