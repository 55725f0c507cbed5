import { hearingRangeHz } from '@inner-hum/core/exercise';
import { exerciseScore, familyById, usualExercise, type Family } from '@inner-hum/core/families';
import { assess } from '@inner-hum/core/judge';
import { HoldWatch } from '@inner-hum/core/measure';
import { Ear, hear, HOP_S } from '@inner-hum/core/signal';
import { ASSUMED_RULER } from '@inner-hum/core/theory';
import { freeTake, heldTones, withSteady } from '@inner-hum/core/take';
import { describe, expect, it } from 'vitest';
import { RecordedOut } from './recordedOut';
import { playRecorded, toneAt } from './realTakes';
import { recordings } from './recorded';

// What is told on recorded notes of a real saxophone beside what was planned: breaths, starts, drops, tubes, ends of holds.

const RATE_HZ = 44100;
const LEAD_S = 1;

/** What is found of an exercise that recorded notes play, as it is or with something done to its sound. */
function told(family: string, change: Readonly<Record<string, number | string>>, spoil?: (out: RecordedOut) => void) {
  const parameters = { ...usualExercise(familyById(family) as Family, 'alto'), ...change };
  const score = exerciseScore(parameters);
  const out = new RecordedOut(playRecorded(score), RATE_HZ, (60 / score.tempoBpm) * 1, LEAD_S);
  spoil?.(out);
  const frames = hear(out.samples, { sampleRateHz: RATE_HZ, ...hearingRangeHz(score, 440) });
  const { verdict, measures } = assess(frames, {
    ...{ score, parameters, a4Hz: 440, ruler: ASSUMED_RULER, firstBeatS: LEAD_S, demand: 'firm' as const },
    ...{ audioPath: { delayS: 0, delayErrorS: 0 }, onBeat: true, before: [] },
  });
  return { ids: verdict.findings.map(({ id }) => id), findings: verdict.findings, measures, score };
}

describe('a breath where none is planned', () => {
  const lines = [
    ['oneBreathDescent', {}],
    ['octaveSlurs', {}],
    ['registerSlurs', {}],
    ['crossingBreak', {}],
    ['homeNote', {}],
  ] as const;

  it.each(lines)('is told in %s where it was taken, and nowhere else', (family, change) => {
    expect(told(family, change).ids).not.toContain('breathTaken');
    const { score } = told(family, change);
    const at = score.steps.findIndex((step, i) => i > 1 && step.attack === 'slurred');
    const { findings } = told(family, change, (out) => out.breathe(score.steps[at]!.startBeat));
    const found = findings.filter(({ id }) => id === 'breathTaken');
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({ stepIndex: at });
  });

  it('is no broken slur without its noise', () => {
    const { score } = told('oneBreathDescent', {});
    const { ids } = told('oneBreathDescent', {}, (out) => out.silence(score.steps[3]!.startBeat, 0.45));
    expect(ids).not.toContain('breathTaken');
    expect(ids).toContain('slurGap');
  });
});

describe('the air that a note starts on', () => {
  it.each([-55, -45, -38])('of %d dBFS is told above the room', (airDb) => {
    const { findings, score } = told('airIntoTone', { writtenMidi: 62 }, (out) => {
      for (const { startBeat } of exerciseScore({ ...usualExercise(familyById('airIntoTone'), 'alto') }).steps)
        out.air(startBeat - 1.5, startBeat, airDb);
    });
    const found = findings.find(({ id }) => id === 'airStarts');
    expect(score.steps.length).toBeGreaterThan(1);
    // The made room lies at −84.8 dBFS.
    expect(found?.values).toMatchObject({ db: expect.closeTo(airDb + 84.8, -0.7) as number });
  });

  it('is not told where no air was heard', () => {
    expect(told('airIntoTone', { writtenMidi: 62 }).ids).not.toContain('airStarts');
  });
});

const wish = {
  startedAt: '2026-01-09T18:00:00.000Z',
  setup: { instrumentId: 'alto', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' },
  source: { kind: 'microphone', label: '' },
} as const;
/** Hz of a written note on alto. */
const hzOf = (written: number) => 440 * 2 ** ((written - 9 - 69) / 12);

function freely(samples: Float32Array, sampleRateHz = RATE_HZ) {
  const held = heldTones(hear(samples, { sampleRateHz }), wish, 0);
  return freeTake(withSteady(held, { samples, sampleRateHz }, 0), wish)?.heard.verdict.findings ?? [];
}

describe('a low note straight out of another, in free play', () => {
  const phrase = (gapS: number, written = 60) => {
    const out = RecordedOut.silent(RATE_HZ, 8);
    out.add(0.5, toneAt(hzOf(70), false, 0.6));
    out.add(1.1, toneAt(hzOf(74), true, 1.6));
    out.add(2.7 + gapS, toneAt(hzOf(written), true, 2.2));
    return freely(out.samples);
  };

  it.each([0, 0.05])('spoke at once after %d s', (gapS) => {
    const [drop] = phrase(gapS).filter(({ id }) => id === 'freeDrop');
    expect(drop?.values).toMatchObject({ fromSoundingMidi: 65 });
    expect(drop && 'ms' in drop.values && drop.values.ms).toBeLessThan(100);
  });

  it('took its time', () => {
    const [drop] = phrase(0.2).filter(({ id }) => id === 'freeDrop');
    expect(drop && 'ms' in drop.values && drop.values.ms).toBeGreaterThan(170);
  });

  it('after a breath, or down to a middle note, is none', () => {
    expect(phrase(0.6).map(({ id }) => id)).not.toContain('freeDrop');
    expect(phrase(0, 65).map(({ id }) => id)).not.toContain('freeDrop');
    expect(phrase(0.6)[0]!.id).toBe('freeHeld');
  });
});

describe('the tube of a note in free play', () => {
  it('is its own on all recorded notes but one in twenty', () => {
    const notes = recordings().filter(({ samples, sampleRateHz }) => samples.length > 2 * sampleRateHz);
    const wrong = notes.filter(({ samples, sampleRateHz }) =>
      freely(samples, sampleRateHz).some(({ id }) => id === 'freeOvertone'),
    );
    expect(notes.length).toBeGreaterThan(15);
    expect(wrong.length).toBeLessThanOrEqual(notes.length / 20);
  });
});

describe('the end of a good hold', () => {
  /** When it is told, seconds of sound that had come in. */
  function toldAtS(samples: Float32Array, hz: number): number | undefined {
    const watch = new HoldWatch(hz, 12);
    const ear = new Ear({ sampleRateHz: RATE_HZ, minHz: 80, maxHz: 1500 });
    let told: number | undefined;
    const block = 1024;
    for (let at = 0; at < samples.length && told === undefined; at += block)
      ear.push(samples.subarray(at, at + block), ({ index, f0Hz }) => {
        if (watch.hear(index * HOP_S, f0Hz)) told = (at + block) / RATE_HZ;
      });
    return told;
  }
  const written = [60, 65, 70, 74, 79];

  it.each([60, 74])('of written %d, clean for 60 s, is never told', (note) => {
    expect(toldAtS(toneAt(hzOf(note), false, 60), hzOf(note))).toBeUndefined();
  });

  it.each(written)('of written %d is told within 0.3 s of a jump, a hole and a step of pitch', (note) => {
    const at = Math.round(6 * RATE_HZ);
    const octave = toneAt(hzOf(note), false, 9);
    octave.set(toneAt(2 * hzOf(note), true, 0.4), at);
    const hole = toneAt(hzOf(note), false, 9).fill(0, at, at + 0.12 * RATE_HZ);
    const step = toneAt(hzOf(note), false, 9);
    step.set(toneAt(hzOf(note) * 2 ** (25 / 1200), true, 3), at);
    for (const sound of [octave, hole, step]) {
      const told = toldAtS(sound, hzOf(note));
      expect(told).toBeGreaterThan(6);
      expect(told).toBeLessThan(6.3);
    }
  });
});
