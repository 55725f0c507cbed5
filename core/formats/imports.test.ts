import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { phraseText } from '../exercise';
import { instrumentById } from '../theory';
import { exerciseScore, familyById, usualExercise } from '../families';
import { forHorn, readMidi, readMusicXml, writeMusicXml, type ImportedPart } from './index';

const fixture = (name: string) => readFileSync(fileURLToPath(new URL(`fixtures/${name}`, import.meta.url)));
const partsOf = (read: ReturnType<typeof readMidi>): readonly ImportedPart[] => {
  if (read.kind === 'refused') throw new Error(`${read.reason} ${read.detail}`);
  return read.parts;
};
const alto = instrumentById('alto');
const tenor = instrumentById('tenor');
const HARBOUR = 'G4 A4 B4:0.5 C5:0.5 D5 r E5:1.5 F♯5:0.5 G5 D5:2 B4:2';

describe('MusicXML written by a notation library', () => {
  const [sax, bass] = partsOf(readMusicXml(fixture('harbour.musicxml')));
  it('gives its parts by name, first voice, top of chords', () => {
    expect(sax!.name).toBe('Alto Saxophone');
    expect(phraseText(sax!.notes)).toBe(HARBOUR);
    expect(phraseText(bass!.notes)).toBe('C3:4 G3:4 G3:4');
  });
  it('is read as printed for the horn it is printed for, and keeps its sound for another', () => {
    expect(sax!.transposeSemitones).toBe(-9);
    expect(phraseText(forHorn(sax!, alto, false))).toBe(HARBOUR);
    expect(phraseText(forHorn(sax!, tenor, true)).slice(0, 8)).toBe('C5 D5 E5');
    expect(forHorn(sax!, instrumentById('baritone'), false)).toEqual(sax!.notes);
  });
  it('without transposition the player says what is printed', () => {
    expect(bass!.transposeSemitones).toBeUndefined();
    expect(forHorn(bass!, alto, true)[0]!.midi).toBe(48);
    expect(forHorn(bass!, alto, false)[0]!.midi).toBe(57);
  });
  it('may be zipped', () =>
    expect(phraseText(partsOf(readMusicXml(fixture('octave.mxl')))[0]!.notes)).toBe(
      'F4 G4 A4 B♭4 C5 D5 E5 F5 E5 D5 C5 B♭4',
    ));
});

describe('MusicXML by hand', () => {
  const score = (measures: string) =>
    new TextEncoder().encode(
      `<score-partwise><part-list><score-part id="P"><part-name>Solo</part-name></score-part></part-list><part id="P">${measures}</part></score-partwise>`,
    );
  const note = (step: string, duration: number, more = '') =>
    `<note>${more}<pitch><step>${step}</step><octave>4</octave></pitch><duration>${duration}</duration><voice>1</voice></note>`;
  const measure = (number: number, inside: string) =>
    `<measure number="${number}">${number === 1 ? '<attributes><divisions>2</divisions></attributes>' : ''}${inside}</measure>`;
  const textFrom = (measures: string) => phraseText(partsOf(readMusicXml(score(measures)))[0]!.notes);
  it('joins ties over the bar, leaves out graces and the second voice', () => {
    const tied = note('G', 4, '<tie type="start"/>');
    const other = note('C', 4).replace('<voice>1', '<voice>2');
    expect(
      textFrom(
        measure(1, tied + '<note><grace/><pitch><step>A</step><octave>4</octave></pitch><voice>1</voice></note>') +
          measure(2, note('G', 2, '<tie type="stop"/>') + '<backup><duration>4</duration></backup>' + other),
      ),
    ).toBe('G4:3');
  });
  it.each([
    ['no XML', new TextEncoder().encode('hello'), 'notRead', 'line 1'],
    ['another document', new TextEncoder().encode('<html><body/></html>'), 'notRead', 'score-partwise'],
    ['a cut-off file', fixture('harbour.musicxml').subarray(0, 3000), 'notRead', 'line'],
    ['a broken zip', fixture('octave.mxl').subarray(0, 400), 'notRead', ''],
    ['a score without notes', score(measure(1, '')), 'noNotes', ''],
    ['a bad pitch', score(measure(1, note('G', 2)) + measure(2, note('X', 2))), 'damaged', 'Solo, measure 2'],
    ['a bad duration', score(measure(1, note('G', NaN))), 'damaged', 'Solo, measure 1'],
  ])('%s is refused with its place', (_, bytes, reason, detail) => {
    const read = readMusicXml(new Uint8Array(bytes));
    expect(read).toMatchObject({ kind: 'refused', reason });
    expect(read.kind === 'refused' && read.detail).toContain(detail);
  });
});

describe('MIDI written by two libraries', () => {
  it('gives a line in sounding pitch', () => {
    const [track] = partsOf(readMidi(fixture('octave.mid')));
    expect(track!.notes.map((note) => note.midi)).toEqual([65, 67, 69, 70, 72, 74, 76, 77, 76, 74, 72, 70]);
    expect(track!.notes.every((note) => note.beats === 1)).toBe(true);
    expect(forHorn(track!, alto, true)[0]!.midi).toBe(74);
  });
  it('takes the top of chords and keeps rests', () => {
    const [track] = partsOf(readMidi(fixture('call.mid')));
    expect(phraseText(track!.notes)).toBe('G3:2 A3 B3 C4:2 r D4 C5:2 E4:0.5 F4:0.5 G4');
  });
  it.each([
    ['no MIDI', new TextEncoder().encode('hello, this is no MIDI file')],
    ['nothing', new Uint8Array()],
    ['a cut-off file', new Uint8Array(fixture('call.mid').subarray(0, 60))],
  ])('%s is refused', (_, bytes) => expect(readMidi(bytes).kind).toBe('refused'));
});

describe('a passage there and back', () => {
  it.each([
    '[p] [<] (G4 A4 B4 C5) [f] D5:2 r:2 [f] [>] (C5 B4 A4 G4) [p] D4:2',
    '[mf] G4 A4 (B4:0.5 C5:0.5) D5:2',
    '[pp] (E4:3 F4) r [ff] G4:4',
  ])('%s', (phrase) => {
    const passage = { ...usualExercise(familyById('ownPassage'), 'alto'), phrase, restBeats: 1 };
    const read = readMusicXml(new TextEncoder().encode(writeMusicXml(exerciseScore(passage), 'Test')));
    if (read.kind !== 'parts') throw new Error(read.detail);
    expect(phraseText(forHorn(read.parts[0]!, instrumentById('alto'), true))).toBe(phrase);
  });
});

describe('MusicXML that was made to be hard', () => {
  const score = (inside: string) =>
    `<?xml version="1.0"?><score-partwise><part-list><score-part id="P"><part-name>Alto</part-name></score-part></part-list><part id="P"><measure number="1"><attributes><divisions>1</divisions></attributes>${inside}</measure></part></score-partwise>`;
  const note = '<note><pitch><step>G</step><octave>4</octave></pitch><duration>1</duration><voice>1</voice></note>';
  const ahead = (offset: number) =>
    `<direction><direction-type><dynamics><p/></dynamics></direction-type><offset>${offset}</offset></direction>`;
  const utf8 = (text: string) => new TextEncoder().encode(text);

  it('a thousand signs may wait for their note, more are no score', () => {
    const waiting = (count: number) => readMusicXml(utf8(score(ahead(2).repeat(count) + note.repeat(3))));
    expect(partsOf(waiting(1000))[0]!.notes.map(({ dynamic }) => dynamic)).toEqual([undefined, undefined, 'p']);
    // So many at one place overflowed, and each note looked through all of them.
    expect(waiting(1001)).toEqual({ kind: 'refused', reason: 'damaged', detail: 'Alto, measure 1' });
  });

  it.each([
    ['utf-16le', [0xff, 0xfe]],
    ['utf-16be', [0xfe, 0xff]],
    ['utf-16le', []],
    ['utf-16be', []],
  ])('%s is read, with and without its mark', (encoding, mark) => {
    const codes = [...score(note)].map((character) => character.charCodeAt(0));
    const pair = (code: number) => (encoding === 'utf-16le' ? [code & 255, code >> 8] : [code >> 8, code & 255]);
    const bytes = Uint8Array.from([...mark, ...codes.flatMap(pair)]);
    expect(partsOf(readMusicXml(bytes))[0]!.notes).toHaveLength(1);
  });

  it('tells how far it is, always forward', () => {
    const shares: number[] = [];
    readMusicXml(utf8(score(note)), (share) => shares.push(share));
    expect(shares.length).toBeGreaterThan(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
  });
});
