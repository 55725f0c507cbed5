import fc from 'fast-check';
import { sizeGuard, TooLarge } from './zipSizes';
import { describe, expect, it } from 'vitest';
import wavefile from 'wavefile/dist/wavefile.js';

const { WaveFile } = wavefile;
import { swell, SWELL_DEFAULTS } from '../families';
import { judgeTake } from '../judge';
import { measureTake } from '../measure';
import { emptyFrames, hear, type Frames } from '../signal';
import { CLEAN_HABITS, playStandIn } from '../simulate';
import { ASSUMED_RULER } from '../theory';
import {
  fromInt16,
  packedLength,
  packFrames,
  toInt16,
  unpackFrames,
  type TakeRecord,
  type WholeTake,
} from '@inner-hum/core/take';
import { framesCsv, measuresCsv, readBackup, readWav, writeBackup, writeWav } from './index';

function exampleTake(note = ''): WholeTake {
  const parameters = { ...SWELL_DEFAULTS, instrumentId: 'tenor', beats: 2, tempoBpm: 120 } as const;
  const score = swell(parameters);
  const habits = { ...CLEAN_HABITS, stairs: [{ place: 0.4, db: 6 }] };
  const settings = { sampleRateHz: 22050, a4Hz: 440, ruler: ASSUMED_RULER, habits, seed: 3, leadS: 0.5, tailS: 0.2 };
  const samples = playStandIn(score, settings);
  const frames = hear(samples, { sampleRateHz: 22050 });
  const context = {
    score,
    firstBeatS: 0.5,
    a4Hz: 440,
    ruler: ASSUMED_RULER,
    demand: 'firm',
    audioPath: { delayS: 0, delayErrorS: 0 },
    onBeat: true,
  } as const;
  const measures = measureTake(frames, context);
  const record: TakeRecord = {
    id: 'take-1',
    startedAt: '2026-01-12T18:30:00.000Z',
    parameters,
    score,
    setup: { instrumentId: 'tenor', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' },
    source: { kind: 'standIn', seed: 3, habits },
    audioPath: context.audioPath,
    firstBeatS: 0.5,
    onBeat: true,
    frameCount: frames.count,
    measures,
    verdict: judgeTake(measures, { score, parameters, demand: 'firm', before: [] }),
    note,
    lostMs: 0,
    cut: false,
    demo: false,
  };
  return { record, frames: packFrames(frames), sound: { sampleRateHz: 22050, samples: toInt16(samples) } };
}

const whole = exampleTake();

describe('packed frames', () => {
  it('keeps a minute in 72 kB', () => expect(packedLength(6000)).toBe(72_000));

  it('loses less than the ear can know', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            hz: fc.oneof(fc.constant(0), fc.double({ min: 48, max: 2800, noNaN: true })),
            level: fc.double({ min: -120, max: 3, noNaN: true }),
            breath: fc.double({ min: -45, max: 0, noNaN: true }),
          }),
          { maxLength: 40 },
        ),
        (rows) => {
          const frames = emptyFrames(rows.length);
          rows.forEach((row, i) => {
            frames.f0Hz[i] = row.hz;
            frames.levelDb[i] = row.level;
            frames.breathDb[i] = row.breath;
          });
          const back = unpackFrames(packFrames(frames), rows.length);
          rows.forEach((row, i) => {
            if (row.hz === 0) expect(back.f0Hz[i]).toBe(0);
            else expect(Math.abs(1200 * Math.log2(back.f0Hz[i]! / row.hz))).toBeLessThan(0.07);
            expect(Math.abs(back.levelDb[i]! - row.level)).toBeLessThan(0.006);
            expect(Math.abs(back.breathDb[i]! - row.breath)).toBeLessThan(0.13);
          });
        },
      ),
    ));

  it('says how many bytes it wants', () =>
    expect(() => unpackFrames(new Uint8Array(3), 1)).toThrow('1 frames need 28 bytes, got 3'));
});

describe('backup', () => {
  const text = writeBackup([whole], '2026-01-12T19:00:00.000Z');

  it('comes back equal, sound and all', () => {
    expect(readBackup(text)).toEqual({ kind: 'read', takes: [whole], shelf: [], aside: [] });
  });

  it.each([
    ['half a file', text.slice(0, 200), 'notJson', ''],
    ['something else', '{"a":1}', 'otherFile', ''],
    ['a newer one', text.replace('"version":1', '"version":2'), 'newerVersion', '2'],
    ['frames missing', text.replace(/"frames":"[^"]*"/, '"frames":""'), 'damaged', 'takes[0].frames: expected'],
    ['bad base64', text.replace(/"frames":"[^"]*"/, '"frames":"#"'), 'damaged', 'takes[0].frames: expected base64'],
    [
      'a wrong tempo',
      text.replace('"tempoBpm":120,"countIn', '"tempoBpm":900,"countIn'),
      'damaged',
      'takes[0].record.score.tempoBpm',
    ],
    [
      'a measure that is none',
      text.replace('"kind":"measured","value"', '"kind":"measured","worth"'),
      'damaged',
      'takes[0].record.measures[0]',
    ],
    ...[
      ['a measure whose error is below nothing', /"uncertainty":[^,}]+/, '"uncertainty":-1'],
      ['a measure of a text', /("kind":"measured","value"):[^,}]+/, '$1:"much"'],
      ['an absent measure without a reason', /("kind":"absent"),"reason":"[^"]*"/, '$1'],
    ].map(([name, from, to]) => [
      name as string,
      text.replace(from as RegExp, to as string),
      'damaged',
      'takes[0].record.measures[0]',
    ]),
  ])('refuses %s with the place', (_, damaged, reason, detail) => {
    const result = readBackup(damaged);
    expect(result).toMatchObject({ kind: 'refused', reason });
    if (result.kind === 'refused') expect(result.detail).toContain(detail);
  });

  it('takes a seed of the stand-in player as large as they come', () => {
    const source = { kind: 'standIn', seed: 2 ** 31 - 1, habits: {} } as never;
    expect(readBackup(writeBackup([{ ...whole, record: { ...whole.record, source } }], 'x')).kind).toBe('read');
  });

  it('takes a sound of minutes, and refuses depth where bytes are expected', () => {
    const sound = { sampleRateHz: 44100, samples: new Int16Array(1_500_000) };
    expect(readBackup(writeBackup([{ ...whole, sound }], 'x')).kind).toBe('read');
    const deep = writeBackup([whole], 'x').replace(
      /"frames":"[^"]*"/,
      `"frames":${'['.repeat(6000)}${']'.repeat(6000)}`,
    );
    expect(readBackup(deep)).toMatchObject({ kind: 'refused', reason: 'damaged' });
  });

  it.each(['record', 'score', 'setup', 'verdict', 'audioPath'])('refuses a take without its %s', (part) => {
    const { takes, ...head } = JSON.parse(writeBackup([whole], 'x')) as {
      takes: { record: Record<string, unknown> }[];
    };
    const take = takes[0]!;
    if (part === 'record') Reflect.deleteProperty(take, 'record');
    else Reflect.deleteProperty(take.record, part);
    expect(readBackup(JSON.stringify({ ...head, takes }))).toMatchObject({ kind: 'refused', reason: 'damaged' });
  });

  it('reads the good takes and tells of the damaged ones', () => {
    const bad = { ...whole, record: { ...whole.record, id: 'b', lostMs: -1 } };
    const read = readBackup(writeBackup([whole, bad], 'x'));
    expect(read).toMatchObject({
      kind: 'read',
      takes: [whole],
      aside: [{ detail: expect.stringContaining('takes[1]') }],
    });
  });

  it.each([
    ['beats without end', /"beats":\d+/, '"beats":1e308'],
    ['a number beyond all', '"lostMs":0', '"lostMs":1e999'],
    ['a note between two', /"soundedMidi":\d+/, '"soundedMidi":67.5'],
    ['an identity that is a path', /"id":"[^"]*"/, '"id":"../x"'],
    ['lists in lists without end', '"note":""', `"note":${'['.repeat(5000)}${']'.repeat(5000)}`],
  ])('a take with %s is not accepted', (_, from, to) => {
    const spoilt = text.replace(from, to);
    expect(spoilt).not.toBe(text);
    expect(readBackup(spoilt)).toMatchObject({ kind: 'refused', reason: 'damaged' });
  });

  it('a zip that says to unpack to gigabytes is refused before it is unpacked', () => {
    const small = sizeGuard(1000, 1500);
    expect(small({ name: 'a', originalSize: 900 })).toBe(true);
    expect(() => small({ name: 'b', originalSize: 900 })).toThrow(TooLarge);
    expect(() => sizeGuard()({ name: 'bomb', originalSize: 4.6e9 })).toThrow(TooLarge);
  });

  it('never throws on what is not a backup', () =>
    fc.assert(fc.property(fc.json(), (json) => readBackup(json).kind === 'refused')));
});

describe('CSV', () => {
  it('has a row a frame with its unit in the head', () => {
    const frames: Frames = unpackFrames(whole.frames, whole.record.frameCount);
    const lines = framesCsv(frames).split('\n');
    expect(lines[0]).toBe('time_s,f0_hz,level_db,breath_db,centroid_partials,confidence');
    expect(lines).toHaveLength(frames.count + 1);
    expect(lines[2]).toMatch(/^0\.01,0\.000,-\d/);
  });

  it('keeps a note from running as a formula, and minus signs as numbers', () => {
    const csv = measuresCsv([{ ...whole.record, note: '=HYPERLINK("x")' }], 'english');
    expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
    expect(csv.split('\n')[1]).toContain(',G4,1,');
    expect(csv).not.toContain("'-");
  });

  it.each([
    ['a space before it', ' =1+1'],
    ['a quote before it', '"=1+1'],
    ['its full width', '＝1+1'],
    ['a second line', 'good\n=1+1'],
    ['a line after a carriage return', 'good\r\n@x'],
    ['a tab', '\t=1+1'],
    ['another sign', '+1'],
    ['a pipe', '|calc'],
  ])('a note with %s does not run as a formula', (_, note) => {
    const csv = measuresCsv([{ ...whole.record, note }], 'english');
    expect(csv).toContain(`'${note.replaceAll('"', '""')}`);
  });

  it('an ordinary note stays as it is', () => {
    const note = 'Softer, 3-4 beats; mail a@b = later';
    expect(measuresCsv([{ ...whole.record, note }], 'english')).not.toContain("'");
  });
});

describe('WAV', () => {
  const wave = Float64Array.from({ length: 500 }, (_, i) => 0.5 * Math.sin(i / 10));
  it.each([
    ['16', 1],
    ['24', 1],
    ['32', 2],
    ['32f', 2],
    ['8', 1],
  ])('reads %s bit, %i channels', (depth, channels) => {
    const scale = depth === '32f' ? 1 : 2 ** (Number.parseInt(depth) - 1) - 1;
    const centre = depth === '8' ? 128 : 0;
    const float64Array = wave.map((x) => (depth === '32f' ? x : Math.round(x * scale) + centre));
    const file = new WaveFile();
    file.fromScratch(channels, 44100, depth, channels === 1 ? float64Array : [float64Array, float64Array]);
    const read = readWav(file.toBuffer());
    expect(read.kind).toBe('read');
    if (read.kind !== 'read') return;
    expect(read.sound.sampleRateHz).toBe(44100);
    expect(read.sound.samples).toHaveLength(500);
    read.sound.samples.forEach((x, i) => expect(Math.abs(x - wave[i]!)).toBeLessThan(depth === '8' ? 0.01 : 1e-4));
  });

  it('writes what it reads', () => {
    const samples = toInt16(wave);
    const read = readWav(writeWav(48000, samples));
    if (read.kind !== 'read') throw new Error(read.detail);
    expect(toInt16(read.sound.samples.map((x) => (x * 32768) / 32767))).toEqual(samples);
    expect(fromInt16(samples)[100]).toBeCloseTo(wave[100]!, 4);
  });

  it('refuses what is no WAV', () =>
    expect(readWav(new TextEncoder().encode('hello, this is text')).kind).toBe('refused'));
});
