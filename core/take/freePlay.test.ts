import { hear, type Frames } from '@inner-hum/core/signal';
import { ASSUMED_RULER, noteName } from '@inner-hum/core/theory';
import { beforeAll, describe, expect, it } from 'vitest';
import { freeAccount } from '../map/freeAccount';
import { observations } from '../history/observation';
import { freeTake, heldTones, type HeldTone } from './freePlay';

const RATE_HZ = 44100;
const wish = {
  startedAt: '2026-01-09T18:00:00.000Z',
  setup: { instrumentId: 'alto', a4Hz: 440, ruler: ASSUMED_RULER, demand: 'firm' },
  source: { kind: 'microphone', label: '' },
} as const;
let seed = 3;
const uniform = () => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32 - 0.5;

/** What sounds from a time on, seconds: a note of the alto, written, or something that is no note. */
type Event = { readonly atS: number; readonly lastsS: number } & (
  | { readonly kind: 'note'; readonly written: number; readonly cents?: number; readonly db?: number }
  | { readonly kind: 'talk' | 'radio' | 'clicks' }
);

/** A room in which these things happen. */
function heard(events: readonly Event[]): Frames {
  const lengthS = Math.max(...events.map(({ atS, lastsS }) => atS + lastsS)) + 1;
  const out = new Float32Array(Math.round(lengthS * RATE_HZ)).map(() => 3e-4 * uniform());
  for (const event of events) {
    let phase = 0;
    for (let i = 0; i < event.lastsS * RATE_HZ; i++) {
      const t = i / RATE_HZ;
      out[Math.round(event.atS * RATE_HZ) + i]! += sampleOf(event, t, (hz) => (phase += hz / RATE_HZ));
    }
  }
  return hear(out, { sampleRateHz: RATE_HZ });
}

function sampleOf(event: Event, t: number, advance: (hz: number) => number): number {
  if (event.kind === 'note') {
    const edge = Math.min(1, t / 0.03, (event.lastsS - t) / 0.05);
    const at = advance(440 * 2 ** ((event.written - 9 - 69 + (event.cents ?? 0) / 100) / 12));
    let sum = 0;
    for (let n = 1; n <= 8; n++) sum += Math.sin(2 * Math.PI * n * at) / n;
    return edge * 10 ** ((event.db ?? -20) / 20) * (sum + 0.02 * uniform());
  }
  if (event.kind === 'clicks')
    return t % 0.5 < 0.03 ? 0.3 * Math.sin(2 * Math.PI * 2637 * t) * Math.exp(-(t % 0.5) / 0.006) : 0;
  if (event.kind === 'talk') {
    // Syllables that glide, a third of a second each.
    const place = (t % 0.34) / 0.22;
    if (place > 1) return advance(0);
    const at = advance((110 + 50 * Math.sin(t)) * (1 + 0.5 * (place - 0.5)));
    return 0.06 * Math.sin(Math.PI * place) * Math.exp(8 * (Math.cos(2 * Math.PI * at) - 1));
  }
  // A radio: chords of several voices that change, far off.
  const root = 220 * 2 ** (((t | 0) % 5) / 12);
  return [1, 1.26, 1.498, 2.52].reduce(
    (sum, ratio) => sum + 0.004 * Math.sin(2 * Math.PI * root * ratio * t),
    0.004 * uniform(),
  );
}

const held = [
  { written: 67, cents: 0, db: -20 },
  { written: 70, cents: 12, db: -24 },
  { written: 79, cents: -9, db: -18 },
  { written: 67, cents: 3, db: -34 },
];
const notes = held.map((note, i): Event => ({ kind: 'note', atS: 1 + 9 * i, lastsS: 2 + i, ...note }));
const between = held.flatMap((_, i): Event[] => [
  { kind: 'talk', atS: 5.2 + 9 * i, lastsS: 2 },
  { kind: 'radio', atS: 7.4 + 9 * i, lastsS: 2 },
  // A run: too short to be held.
  ...[60, 62, 64].map((written, k): Event => ({ kind: 'note', atS: 8.6 + 9 * i + 0.3 * k, lastsS: 0.28, written })),
]);

describe('free play', () => {
  let tones: HeldTone[];
  beforeAll(() => {
    const frames = heard([...notes, ...between, { kind: 'clicks', atS: 0, lastsS: 36 }]);
    tones = heldTones(frames, wish, 100);
  });

  it('is the notes that were held, and nothing of talk, runs, a radio and clicks', () => {
    const { plan, heard: take } = freeTake(tones, wish)!;
    expect(plan.score.steps.map((step) => noteName(step.soundedMidi, 'english'))).toEqual(['G4', 'B♭4', 'G5', 'G4']);
    expect(take.measures.map((step) => step.kind)).toEqual(Array(4).fill('sounded'));
    expect(take.verdict.findings.map(({ id, weight }) => [id, weight])).toEqual([
      ['freeHeld', 0],
      ['freeSteadiest', 0],
      ['freeSharp', 0],
    ]);
    expect(take.verdict.findings[0]!.values).toMatchObject({ count: 4 });
  });

  it('counts a low A on a horn that has the key, and on no other', () => {
    const frames = heard([{ kind: 'note', atS: 1, lastsS: 2.5, written: 57 }]);
    const withKey = { ...wish, hornId: 'alto+lowA' } as const;
    expect(heldTones(frames, wish, 0)).toEqual([]);
    const { plan } = freeTake(heldTones(frames, withKey, 0), withKey)!;
    expect(plan.score.steps.map((step) => step.soundedMidi)).toEqual([57]);
    expect(plan.setup.instrumentId).toBe('alto');
  });

  it('tells the map where the notes lay, as what was not asked for', () => {
    const { plan, heard: take } = freeTake(tones, wish)!;
    const seen = observations(plan.score, take.measures, 0);
    expect(seen.every(({ free, tried }) => free && !tried)).toBe(true);
    const cents = seen.flatMap(({ midi, values }) => (midi === 70 ? (values.pitchCentreCents ?? []) : []));
    expect(cents[0]).toBeCloseTo(12, 0);
    expect(new Set(seen.flatMap(({ values }) => Object.keys(values)))).not.toContain('responseS');
  });

  it('tells first that a device cut its pauses, and then nothing of soft against loud', () => {
    const { plan, heard: take } = freeTake(tones, wish, [], { gated: true })!;
    expect(take.verdict.findings.map(({ id }) => id)).toEqual([
      'levelsGated',
      'freeHeld',
      'freeSteadiest',
      'freeSharp',
    ]);
    const told = (levels: boolean) =>
      new Set(
        observations(plan.score, take.measures, 0, { levels, colour: false }).flatMap(({ values }) =>
          Object.keys(values),
        ),
      );
    expect([...told(true)].sort()).toEqual(['pitchCentreCents', 'pitchSteadinessCents']);
    expect(told(false).size).toBeGreaterThan(2);
  });

  it('gives an account of each note: how often, how long, how it leaned', () => {
    const { plan, heard: take } = freeTake(tones, wish)!;
    const account = freeAccount(plan.score, take.measures);
    expect(account.map(({ midi, times }) => [midi, times])).toEqual([
      [67, 2],
      [70, 1],
      [79, 1],
    ]);
    // Clicks far louder than the softest tone may cost it its beginning.
    expect(account[0]!.longestS).toBeGreaterThan(3.9);
    expect(Object.values(account[1]!.cents)[0]).toBeCloseTo(12, 0);
    expect(Object.keys(account[0]!.cents)).toHaveLength(2);
  });

  it('is nothing where nothing was held, and counts nothing that the page sounded', () => {
    expect(freeTake(tones, wish, [[100, 160]])).toBeUndefined();
    const masked = freeTake(tones, wish, [[100, 108]])!;
    expect(masked.plan.score.steps).toHaveLength(3);
  });
});
