import { notated, type Score, type Step } from '@inner-hum/core/exercise';
import { instrumentById, spellMidi, type Spelling } from '@inner-hum/core/theory';
import { XMLBuilder } from 'fast-xml-parser';

const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
/** Parts of a quarter that the grid of beats knows. */
const DIVISIONS = 4;
const TYPES: readonly (readonly [number, string, boolean])[] = [
  [16, 'whole', false],
  [12, 'half', true],
  [8, 'half', false],
  [6, 'quarter', true],
  [4, 'quarter', false],
  [3, 'eighth', true],
  [2, 'eighth', false],
  [1, '16th', false],
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
 * dynamics at the start of each tone, ties over the bar lines and slurs. Beats down to quarters of one.
 * Source of the format: MusicXML 4.0, W3C Music Notation Community Group.
 */
export function writeMusicXml(played: Score, title: string, spelling: Spelling = 'usual'): string {
  const score = notated(played);
  const barUnits = score.beatsPerBar * DIVISIONS;
  const measures = bars(score, barUnits).map((bar, i) => ({
    '@number': i + 1,
    ...(i === 0 && { attributes: attributes(score) }),
    ...(i === 0 && { direction: tempo(score) }),
    note: bar.map((written) => note(written, score, spelling)),
  }));
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

function bars(score: Score, barUnits: number): Written[][] {
  const out: Written[][] = [[]];
  let at = 0;
  const add = (units: number, step: Step | undefined) => {
    let left = units;
    while (left > 0) {
      const room = barUnits - (at % barUnits);
      const size = TYPES.find(([most]) => most <= Math.min(room, left))![0];
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
  if (at % barUnits > 0) add(barUnits - (at % barUnits), undefined);
  return out.filter((bar) => bar.length > 0);
}

function note({ units, step, first, last }: Written, score: Score, spelling: Spelling) {
  const [, type, dotted] = TYPES.find(([size]) => size === units)!;
  const length = { duration: units, voice: 1, type, ...(dotted && { dot: '' }) };
  if (!step) return { rest: '', ...length };
  const { step: letter, alter, octave } = spellMidi(step.soundedMidi, spelling);
  const ties = [...(first ? [] : ['stop']), ...(last ? [] : ['start'])];
  const index = score.steps.indexOf(step);
  const next = score.steps[index + 1];
  const slursOn = next?.attack === 'slurred' && next.startBeat === step.startBeat + step.beats;
  const slurs = [
    ...(last && !slursOn && step.attack === 'slurred' ? ['stop'] : []),
    ...(first && slursOn && step.attack !== 'slurred' ? ['start'] : []),
  ];
  const dynamic = first && index >= 0 ? step.dynamics[0]!.dynamic : undefined;
  const notations = {
    ...(ties.length > 0 && { tied: ties.map((text) => ({ '@type': text })) }),
    ...(slurs.length > 0 && { slur: slurs.map((slur) => ({ '@type': slur })) }),
    ...(dynamic && { dynamics: { [dynamic]: '' } }),
  };
  return {
    pitch: { step: LETTERS[letter], ...(alter !== 0 && { alter }), octave },
    duration: units,
    ...(ties.length > 0 && { tie: ties.map((text) => ({ '@type': text })) }),
    voice: 1,
    type,
    ...(dotted && { dot: '' }),
    ...(Object.keys(notations).length > 0 && { notations }),
  };
}
