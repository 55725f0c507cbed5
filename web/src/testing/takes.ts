import { STEP_QUANTITIES } from '@inner-hum/core/measure';
import { SWELL_DEFAULTS, swell } from '@inner-hum/core/families';
import { packFrames, type WholeTake } from '@inner-hum/core/take';
import { emptyFrames } from '@inner-hum/core/signal';
import { ASSUMED_RULER } from '@inner-hum/core/theory';

const parameters = { ...SWELL_DEFAULTS, instrumentId: 'tenor' } as const;

/** A take without a tone, on an evening of March 2026. */
export function silentTake(id: string, day: number, demo = false): WholeTake {
  const frames = packFrames(emptyFrames(10));
  return {
    record: {
      id,
      startedAt: `2026-03-${String(day).padStart(2, '0')}T18:00:00.000Z`,
      parameters,
      score: swell(parameters),
      setup: { instrumentId: 'tenor', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' },
      source: { kind: 'microphone', label: '' },
      audioPath: { delayS: 0, delayErrorS: 0.03 },
      firstBeatS: 0.6,
      onBeat: true,
      frameCount: 10,
      measures: [{ kind: 'silent' }],
      verdict: { findings: [], tries: [], decision: 'again', next: { change: 'none', parameters: {} } },
      note: '',
      lostMs: 0,
      cut: false,
      demo,
    },
    frames,
    sound: { sampleRateHz: 44100, samples: Int16Array.from([1, -2, 3]) },
  };
}

/** A take of one good tone, so many cents off and held for as many beats, so that it tells something. */
export function toldTake(id: string, day: number, cents: number): WholeTake {
  const none = { kind: 'absent', reason: 'tooShort' } as const;
  const value = { kind: 'measured', value: cents, uncertainty: 1 } as const;
  const band = { lastsS: 3, pitchCentreCents: value, centroidPartials: none };
  const empty = { lastsS: 0, pitchCentreCents: none, centroidPartials: none };
  const quantities = Object.fromEntries(STEP_QUANTITIES.map((name) => [name, none]));
  const measures = {
    kind: 'sounded',
    onsetS: 1,
    endS: 5,
    jumps: [],
    hold: { beats: value, fault: 'none' },
    byLoudness: { soft: empty, medium: band, loud: empty },
    ...quantities,
  };
  const whole = silentTake(id, day);
  return { ...whole, record: { ...whole.record, measures: [measures as never] } };
}
