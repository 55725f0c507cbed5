import { describe, expect, it } from 'vitest';
import { migrate } from './migrate';
import { takeRecordSchema } from './schema';

const value = (entry: number) => ({ kind: 'measured', value: entry, uncertainty: 0.5 });
/** A record as the first version wrote it: no family, fewer measures, jumps without a kind. */
const FIRST_VERSION = {
  id: 'old',
  startedAt: '2026-01-05T18:00:00.000Z',
  parameters: {
    instrumentId: 'tenor',
    writtenMidi: 62,
    shape: 'grow',
    softest: 'p',
    loudest: 'f',
    beats: 4,
    tempoBpm: 60,
    attack: 'breath',
    repeats: 1,
    restBeats: 4,
    tunerHidden: false,
  },
  score: {
    family: 'swell',
    instrumentId: 'tenor',
    tempoBpm: 60,
    countInBeats: 4,
    beatsPerBar: 4,
    partialTuning: 'tempered',
    tunerHidden: false,
    steps: [
      {
        startBeat: 0,
        beats: 4,
        fingeredMidi: 62,
        partialNumber: 1,
        soundedMidi: 62,
        dynamics: [
          { beat: 0, dynamic: 'p' },
          { beat: 4, dynamic: 'f' },
        ],
        attack: 'breath',
      },
    ],
  },
  setup: {
    instrumentId: 'tenor',
    a4Hz: 440,
    ruler: { softestDb: -45, loudestDb: -15, origin: 'assumed' },
    demand: 'firm',
  },
  source: { kind: 'microphone', label: '' },
  audioPath: { delayS: 0.02, delayErrorS: 0.03 },
  firstBeatS: 0.6,
  onBeat: true,
  frameCount: 480,
  measures: [
    {
      kind: 'sounded',
      onsetS: 0.6,
      endS: 4.6,
      plannedStartS: 0.6,
      plannedEndS: 4.6,
      targetHz: 130.8,
      latenessS: value(0.01),
      pitchCentreCents: value(4),
      pitchSteadinessCents: value(2),
      driftCentsPerS: value(0),
      pitchAgainstLevelCents: value(-3),
      shareInWindow: value(0.9),
      swellErrorDb: value(1),
      wrongWayShare: value(0),
      rangeDb: value(15),
      plannedRangeDb: 16,
      peakPlaceBeats: { kind: 'absent', reason: 'notPlanned' },
      breathAtSoftEndDb: value(-25),
      stairs: [],
      jumps: [{ atS: 2, lastsS: 0.3, fromPartial: 1, toPartial: 2, cameBack: true }],
      dropOuts: [],
    },
  ],
  verdict: { findings: [], tries: [], decision: 'again', next: { change: 'none', parameters: {} } },
  note: '',
  lostMs: 0,
  cut: false,
  demo: false,
};

describe('migrate', () => {
  it('a record of the first version passes today’s schema', () => {
    expect(takeRecordSchema.isValidSync(FIRST_VERSION, { strict: true })).toBe(false);
    expect(() => takeRecordSchema.validateSync(migrate(FIRST_VERSION), { strict: true })).not.toThrow();
  });
  it('keeps what was measured and says what was not', () => {
    const { measures, parameters } = migrate(FIRST_VERSION) as typeof FIRST_VERSION & { parameters: object };
    expect(parameters).toMatchObject({ family: 'swell', beats: 4 });
    expect(measures[0]).toMatchObject({
      pitchCentreCents: { value: 4 },
      responseS: { kind: 'absent', reason: 'olderVersion' },
      jumps: [{ kind: 'jump', toPartial: 2 }],
    });
  });
  it('twice is once, and today’s records stay as they are', () => {
    const once = migrate(FIRST_VERSION);
    expect(migrate(once)).toEqual(once);
  });
  it.each([null, 3, 'x', {}, { parameters: {} }, { parameters: {}, measures: 'none' }])(
    'leaves %o to the schema',
    (entry) => expect(migrate(entry)).toBe(entry),
  );
  it('a silent step stays silent', () => {
    const silent = { ...FIRST_VERSION, measures: [{ kind: 'silent' }] };
    expect((migrate(silent) as typeof silent).measures).toEqual([{ kind: 'silent' }]);
  });
});
