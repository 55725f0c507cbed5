import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { elements, MusicXML } from '@stringsync/musicxml';
import midiParser from 'midi-parser-js';
import { describe, expect, it } from 'vitest';
import {
  BEAT_PARTS,
  dynamicsLine,
  notated,
  parsePhrase,
  phraseText,
  scoreBeats,
  scoreToAbc,
  twelfthsOf,
} from '@inner-hum/core/exercise';
import { exerciseScore, FAMILIES, familyById, usualExercise } from '@inner-hum/core/families';
import { instrumentById } from '@inner-hum/core/theory';
import { readBackup, writeBackup } from './backup';
import { backupZipStream, isZip, readBackupZip, writeBackupZip } from './backupZip';
import { packedTake } from './takeFiles';
import { writeCalendar } from './calendar';
import { tendencyCsv } from './csv';
import { readMidi } from './midiIn';
import { writeMidi } from './midiOut';
import { forHorn } from './importedPart';
import { readMusicXml } from './musicXmlIn';
import { writeMusicXml } from './musicXmlOut';
import { packedLength } from '@inner-hum/core/take';
import type { WholeTake } from '@inner-hum/core/take';

const fixture = readFileSync(new URL('./fixtures/backup-1.json', import.meta.url), 'utf8');
const old = readBackup(fixture);
if (old.kind !== 'read') throw new Error(old.detail);
const [first] = old.takes;

/** Takes like the fixture's with other ids, frames, notes and sometimes sound. */
const takes = fc.uniqueArray(fc.uuid(), { maxLength: 5 }).chain((ids) =>
  fc.tuple(
    ...ids.map((id) =>
      fc.record({
        record: fc.string().map((note) => ({ ...first!.record, id, note, frameCount: 10 })),
        frames: fc
          .uint8Array({ minLength: packedLength(10), maxLength: packedLength(10) })
          .map((bytes) => new Uint8Array(bytes)),
        sound: fc.option(
          fc.int16Array({ minLength: 1, maxLength: 50, min: -32_767 }).map((samples) => ({
            sampleRateHz: 44100,
            samples: new Int16Array(samples),
          })),
          { nil: undefined },
        ),
      }),
    ),
  ),
);
const whole = (
  list: readonly { record: WholeTake['record']; frames: WholeTake['frames']; sound?: WholeTake['sound'] | undefined }[],
) => list.map(({ sound, ...rest }): WholeTake => ({ ...rest, ...(sound && { sound }) }));
/** A take of ten minutes with a long note. */
function longTake(id: string): WholeTake {
  const frameCount = 60_000;
  const frames = Uint8Array.from({ length: packedLength(frameCount) }, (_, i) => (i * i) >> 7);
  return { record: { ...first!.record, id, frameCount, note: 'again and again, '.repeat(20_000) }, frames };
}
const SAVED = '2026-01-01T00:00:00.000Z';

describe('backups', () => {
  it('a file of the first schema is read, what it did not measure is absent', () => {
    expect(first!.record.measures[0]).toMatchObject({ softestDb: { kind: 'absent', reason: 'olderVersion' } });
    expect(first!.frames).toHaveLength(packedLength(first!.record.frameCount));
  });
  it('JSON and zip give back what went in, settings too', () => {
    fc.assert(
      fc.property(takes, (list) => {
        const settings = { a4Hz: 442 };
        const asZip = readBackupZip(writeBackupZip(whole(list), SAVED, settings));
        expect(asZip).toEqual({ kind: 'read', takes: whole(list), shelf: [], aside: [], settings });
        expect(readBackup(writeBackup(whole(list), SAVED, settings))).toEqual({
          kind: 'read',
          takes: whole(list),
          shelf: [],
          aside: [],
          settings,
        });
      }),
      { numRuns: 30 },
    );
  });
  it('a zip in pieces is the same backup', () => {
    const pieces: Uint8Array[] = [];
    const stream = backupZipStream(SAVED, undefined, (bytes) => pieces.push(bytes));
    // A long record and long frames: larger than one slice.
    const many = Array.from({ length: 6 }, (_, i) => longTake(`take-${i}`));
    for (const take of many) stream.add(packedTake(take));
    stream.end();
    const bytes = new Uint8Array(Buffer.concat(pieces));
    expect(isZip(bytes)).toBe(true);
    const read = readBackupZip(bytes);
    if (read.kind !== 'read') throw new Error(read.detail);
    // Millions of bytes one by one in the assertion would take a minute.
    expect(read.takes.map((take) => take.record)).toEqual(many.map((take) => take.record));
    expect(read.takes.every((take, i) => Buffer.compare(take.frames, many[i]!.frames) === 0)).toBe(true);
  });
  it('a recording to learn from goes along where it is wanted; one that is damaged is left aside and named', () => {
    const kept = { id: 'r1', name: 'A swell.wav', addedAt: SAVED, fromS: 0.5, toS: 1.5 };
    const samples = Int16Array.from({ length: 16_000 }, (_, i) => 30_000 * Math.sin(i / 7));
    const pieces: Uint8Array[] = [];
    const stream = backupZipStream(SAVED, undefined, (bytes) => pieces.push(bytes));
    stream.addRecording({ ...kept, sampleRateHz: 8000, samples });
    stream.addRecording({ ...kept, id: 'r2', sampleRateHz: 4000, samples });
    stream.end();
    const read = readBackupZip(new Uint8Array(Buffer.concat(pieces)));
    expect(read).toMatchObject({
      kind: 'read',
      takes: [],
      shelf: [{ ...kept, sampleRateHz: 8000 }],
      aside: [{ detail: 'shelf/r2.json: expected 8000 to 192000 Hz, got 4000' }],
    });
    expect(read.kind === 'read' && Array.from(read.shelf[0]!.samples)).toEqual(Array.from(samples));
  });
  it.each([
    ['a broken zip', new Uint8Array([0x50, 0x4b, 3, 4, 9]), 'damaged'],
    ['another zip', new Uint8Array(readFileSync(new URL('./fixtures/octave.mxl', import.meta.url))), 'otherFile'],
  ])('%s is refused', (_, bytes, reason) => expect(readBackupZip(bytes)).toMatchObject({ kind: 'refused', reason }));
});

/** Duration of a note of the other package, in its divisions. */
function durationOf(note: elements.Note): number {
  const found = (note.getVariation() as readonly unknown[]).find((candidate) => candidate instanceof elements.Duration);
  return (found as elements.Duration).getPositiveDivisions();
}

describe('exercises as scores', () => {
  const horns = ['soprano', 'alto', 'baritoneLowA'] as const;
  const all = FAMILIES.flatMap((family) => horns.map((horn) => [family.id, horn] as const));
  const scoreOf = (family: string, horn: (typeof horns)[number]) =>
    exerciseScore(usualExercise(familyById(family), horn));

  it.each(all)('%s on the %s as MusicXML is read by another package, every bar full', (family, horn) => {
    const score = scoreOf(family, horn);
    const root = MusicXML.parse(writeMusicXml(score, 'Test')).getRoot() as elements.ScorePartwise;
    const bars = root
      .getParts()[0]!
      .getMeasures()
      .map((measure) =>
        measure.getValues().flatMap((value) => (value instanceof elements.Note ? [durationOf(value)] : [])),
      );
    for (const bar of bars) expect(bar.reduce((sum, value) => sum + value, 0)).toBe(BEAT_PARTS * score.beatsPerBar);
    expect(bars.length).toBe(Math.ceil(scoreBeats(notated(score)) / score.beatsPerBar));
  });

  it('triplets are written as three in the time of two, every bar full, and come back as they were', () => {
    const phrase = 'G4:1/3 A4:1/3 B4:1/3 C5:2/3 D5:1/3 E5:1/3 F5 G5:2/3 A5:0.5 r:1/6 G5:1/3';
    const exercise = { ...usualExercise(familyById('ownPassage'), 'alto'), phrase, repeats: 1 };
    const text = writeMusicXml(exerciseScore(exercise), 'Test');
    const root = MusicXML.parse(text).getRoot() as elements.ScorePartwise;
    for (const measure of root.getParts()[0]!.getMeasures()) {
      const lengths = measure
        .getValues()
        .flatMap((value) => (value instanceof elements.Note ? [durationOf(value)] : []));
      expect(lengths.reduce((sum, value) => sum + value, 0)).toBe(4 * BEAT_PARTS);
    }
    expect(text).toContain('<actual-notes>3</actual-notes>');
    const back = readMusicXml(new TextEncoder().encode(text));
    expect(back.kind === 'parts' && phraseText(back.parts[0]!.notes.map(({ midi, beats }) => ({ midi, beats })))).toBe(
      phrase,
    );
    const played = readMidi(writeMidi(exerciseScore(exercise), 'Test'));
    expect(played.kind === 'parts' && played.parts[0]!.notes.map(({ beats }) => twelfthsOf(beats))).toEqual(
      parsePhrase(phrase).map(({ beats }) => twelfthsOf(beats)),
    );
    expect(scoreToAbc(exerciseScore(exercise))).toContain('(3:2:3');
  });

  it.each(all)(
    '%s on the %s: the other package finds every hairpin, each begun where its tone does and ended',
    (family, horn) => {
      const score = scoreOf(family, horn);
      const { hairpins } = dynamicsLine(score);
      const root = MusicXML.parse(writeMusicXml(score, 'Test')).getRoot() as elements.ScorePartwise;
      const wedges = root
        .getParts()[0]!
        .getMeasures()
        .flatMap((measure) => measure.getValues())
        .flatMap((value) => (value instanceof elements.Direction ? value.getDirectionTypes() : []))
        .flatMap((type) => {
          const wedge: unknown = type.getDirectionType();
          return wedge instanceof elements.Wedge ? [wedge.getType()] : [];
        });
      expect(wedges).toHaveLength(2 * hairpins.length);
      // One ends before the next begins.
      wedges.forEach((type, i) => expect(type === 'stop').toBe(i % 2 === 1));
    },
  );

  it('a swell in MusicXML: its dynamics stand where they are reached', () => {
    const xml = writeMusicXml(scoreOf('swell', 'alto'), 'Test');
    const places = [
      ...xml.matchAll(/<(p|f)><\/\1>|<(p|f)\/>|<wedge type="(\w+)"|<offset>(\d+)|<measure number="(\d)"/g),
    ];
    expect(places.map(([, , dynamic, wedge, offset, bar]) => dynamic ?? wedge ?? offset ?? `bar ${bar}`)).toEqual([
      'bar 1',
      'p',
      'crescendo',
      'bar 2',
      'stop',
      'f',
      'diminuendo',
      'stop',
      String(4 * BEAT_PARTS),
      'p',
      String(4 * BEAT_PARTS),
    ]);
  });

  it('words stand over a step until they change', () => {
    const score = scoreOf('countedBreaths', 'alto');
    const xml = writeMusicXml(score, 'Test', 'usual', (step) =>
      step === notated(score).steps[0] ? '' : 'octave + left 2',
    );
    expect(xml.match(/<words>octave \+ left 2<\/words>/g)).toHaveLength(1);
  });

  it.each(all)('%s on the %s comes back from MusicXML and MIDI as it was', (family, horn) => {
    const score = scoreOf(family, horn);
    const asked = score.steps.map((step) => step.soundedMidi);
    const sounded = (found: ReturnType<typeof readMidi>) =>
      found.kind === 'parts'
        ? forHorn(found.parts[0]!, instrumentById(horn), false).flatMap((note) => note.midi ?? [])
        : [];
    expect(sounded(readMusicXml(new TextEncoder().encode(writeMusicXml(score, 'Test'))))).toEqual(asked);
    expect(sounded(readMidi(writeMidi(score, 'Test')))).toEqual(asked);
  });

  it('MIDI is read by another package, in sounding pitch', () => {
    const midi = midiParser.parse(writeMidi(scoreOf('airIntoTone', 'alto'), 'Test')) as {
      track: { event: { type: number; data: number[] | number }[] }[];
    };
    const expression = midi.track.flatMap((track) => track.event).filter((entry) => entry.type === 11);
    expect(expression.every((entry) => (entry.data as number[])[0] === 11)).toBe(true);
    const on = midi.track.flatMap((track) => track.event).filter((entry) => entry.type === 9);
    expect(on.map((entry) => (entry.data as number[])[0])).toEqual([53, 53, 53]);
  });
});

describe('what lies between tones in MusicXML', () => {
  const words = { step: (i: number) => `start ${i}`, gap: (kind: string) => kind };
  const xmlOf = (family: string, change: Record<string, number | string> = {}) =>
    writeMusicXml(
      exerciseScore({ ...usualExercise(familyById(family), 'alto'), ...change }),
      'Test',
      'usual',
      () => undefined,
      words,
    );
  it('says how each tone starts, and air and breath by name', () => {
    const said = [...xmlOf('airIntoTone', { repeats: 2 }).matchAll(/<words>([^<]*)</g)].map(([, text]) => text);
    expect(said).toEqual(['air', 'start 0', 'air', 'breath', 'air', 'start 1', 'air']);
  });
  it('has a breath mark where a breath is taken, and none where the pressure is kept', () => {
    expect(xmlOf('countedBreaths', { repeats: 3 }).match(/<breath-mark/g)).toHaveLength(2);
    const silent = xmlOf('crossingBreak', { way: 'acrossSilence' });
    expect(silent).toContain('<words>silence<');
    expect(silent).not.toContain('breath-mark');
  });
  it('has a fermata over a tone without a set end', () => expect(xmlOf('hold')).toContain('<fermata/>'));
});

describe('a swell as MIDI', () => {
  it('rises and falls in expression as it is written', () => {
    const midi = midiParser.parse(
      writeMidi(exerciseScore(usualExercise(familyById('swell'), 'alto-highFSharp')), 'Test'),
    ) as {
      track: { event: { type: number; data: number[] | number }[] }[];
    };
    const events = midi.track.flatMap((track) => track.event);
    const said = events.filter((entry) => entry.type === 11).map((entry) => (entry.data as number[])[1]!);
    const top = said.indexOf(Math.max(...said));
    expect(said.length).toBeGreaterThan(30);
    expect(Math.abs(top - said.length / 2)).toBeLessThan(2);
    said.forEach((value, i) => i > 0 && expect(i <= top ? value >= said[i - 1]! : value <= said[i - 1]!).toBe(true));
    expect(events.find((entry) => entry.type === 12)!.data).toBe(65);
  });
});

describe('writeCalendar', () => {
  const practice = {
    id: 'a',
    day: '2026-11-25',
    at: '18:30',
    minutes: 15,
    title: 'Tone, 15 min',
    description: 'Low B♭',
  };
  it('writes an event in local time', () => {
    const text = writeCalendar([practice]);
    expect(text).toContain('DTSTART:20261125T183000\r\n');
    expect(text).toContain('DURATION:PT15M');
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2.0/);
  });
  it('says what is no day', () =>
    expect(() => writeCalendar([{ ...practice, day: 'today' }])).toThrow('got today 18:30'));
});

it('a tendency sheet leaves empty what is not known', () =>
  expect(tendencyCsv([{ name: 'B♭3', soft: { value: 8.25, uncertainty: 2 }, medium: undefined }])).toBe(
    'note,soft_cents,soft_uncertainty,medium_cents,medium_uncertainty,loud_cents,loud_uncertainty\nB♭3,8.25,2,,,,',
  ));
