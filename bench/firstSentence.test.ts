import { expect, it } from 'vitest';
import { exerciseScore, familyById, usualExercise } from '@inner-hum/core/families';
import { judgeTake, type FindingId } from '@inner-hum/core/judge';
import { measured } from '@inner-hum/core/measure';
import { CLEAN_HABITS, type Habits } from '@inner-hum/core/simulate';
import { play } from './play';

const SEED = 5;
type Change = Readonly<Record<string, number | string>>;

/** What is told of an exercise that the stand-in player plays in its own way, on alto. */
function told(family: string, habits: Partial<Habits>, change: Change = {}) {
  const parameters = { ...usualExercise(familyById(family), 'alto'), ...change };
  const heard = play(parameters, SEED, { ...CLEAN_HABITS, ...habits });
  return { ...heard, ids: heard.verdict.findings.map(({ id }) => id) };
}

it.each([0.6, 1.8, 2.9])('a hold of %d s is too short to tell: again, and nothing is built on it', (breathS) => {
  const { verdict, ids, measures } = told('hold', { breathS });
  expect(ids).toEqual(['tooShort']);
  expect(verdict).toMatchObject({ decision: 'again', next: { change: 'none', parameters: {} } });
  expect(measures[0]).toMatchObject({ hold: { beats: { kind: 'absent', reason: 'tooShort' } } });
});

it('a beginner who cracks before a breath is over is told of the break, and gets no next step', () => {
  const jumps = [{ place: 0.6, partial: 2, lastsS: 0.4 }];
  const { verdict, ids } = told('hold', { breathS: 3, jumps });
  expect(ids[0]).toBe('jump');
  expect(ids).toContain('tooShort');
  expect(verdict).toMatchObject({ decision: 'again', next: { change: 'none' } });
});

it('a hold is whole from 4 s on, or from 60 % of what the player holds as a rule', () => {
  const of = (breathS: number, holdS?: number) => {
    const { measures, assignment } = told('hold', { breathS });
    const bounds = { goalNotes: [], ...(holdS && { held: { holdS, sure: true } }) };
    return judgeTake(measures, { ...assignment, bounds });
  };
  expect(of(3.4).findings[0]).toMatchObject({ id: 'heldShort', values: { wantedS: 4 } });
  expect(of(3.4)).toMatchObject({ decision: 'again', next: { change: 'none' } });
  expect(of(3.4, 5.5).findings[0]!.id).toBe('held');
  expect(of(3.4, 30).findings[0]!.id).toBe('heldShort');
  expect(of(4.3)).toMatchObject({ decision: 'harder' });
});

it.each([
  ['swell', 24],
  ['swell', 40],
  ['countedBreaths', 24],
])('%s with a vibrato of ± %d cents is in tune where its resting line is', (family, extentCents) => {
  const vibrato = { rateHz: 5.4, extentCents };
  const { measures, ids } = told(family, { vibrato });
  for (const step of measures)
    if (step.kind === 'sounded') {
      expect(step.shareInWindow).toMatchObject({ kind: 'measured' });
      expect(step.shareInWindow.kind === 'measured' && step.shareInWindow.value).toBeGreaterThan(0.95);
    }
  expect(ids).toContain('vibratoHeard');
  // Sharp is sharp, with vibrato too.
  const sharp = told(family, { vibrato, tuningCents: 22 });
  expect(sharp.ids).toContain('sharp');
  expect(sharp.ids).not.toContain('steady');
});

it('the octave above a regular note is the octave key, and no overtone', () => {
  const octave = [{ place: 0, partial: 2, lastsS: 30 }];
  const g4 = told('swell', { jumps: octave }, { writtenMidi: 67 });
  expect(g4.ids[0]).toBe('octaveAbove');
  expect(g4.ids).not.toContain('wrongPartial');
  expect(g4.verdict).toMatchObject({ decision: 'again', next: { change: 'none' }, tries: ['pipMayLeak'] });
  // The lowest notes have no other fingering: there it is the voice.
  expect(told('swell', { jumps: octave }, { writtenMidi: 58 }).ids[0]).toBe('wrongPartial');
});

it('where ways to start are tried, the octave is a start that failed', () => {
  const { ids } = told('tongueOrAir', { failsWith: 'both' }, { writtenMidi: 62 });
  expect(ids).toContain('bothFail');
  expect(ids).not.toContain('octaveAbove');
});

it('the octave below a note with the octave key is the octave key', () => {
  const { ids, verdict } = told('swell', { tuningCents: -1200 }, { writtenMidi: 79 });
  expect(ids).toEqual(['octaveBelow']);
  expect(verdict).toMatchObject({ decision: 'again', next: { change: 'none' } });
});

it('a fundamental that overtones of the same score stand on is voiced', () => {
  const { assignment, measures } = told('overtoneLadder', {}, { fingeredMidi: 62 });
  const first = measures[0]!;
  if (first.kind !== 'sounded') throw new Error('the ladder begins with its fundamental');
  const whole = { kind: 'jump', fromPartial: 1, toPartial: 2, cameBack: false, atS: first.onsetS } as const;
  const over = { ...first, jumps: [{ ...whole, lastsS: first.endS - first.onsetS }] };
  const { findings } = judgeTake([over, ...measures.slice(1)], assignment);
  expect(findings.map(({ id }) => id)).toContain('wrongPartial');
});

it.each([0.6, 0.7])('of a swell cut at %d no slope of pitch on loudness is told', (stopsAt) => {
  // A sinking, unsteady tone: what follows time looks like what follows level.
  const { ids, measures } = told('swell', { stopsAt, driftCentsPerS: -6, wobbleCents: 4, sharpWhenSoftCents: 9 });
  expect(ids).not.toEqual(expect.arrayContaining(['sharpWhenSoft']));
  expect(ids).not.toEqual(expect.arrayContaining(['flatWhenSoft']));
  expect(measures[0]).toMatchObject({ pitchAgainstLevelCents: { kind: 'absent' } });
  const whole = told('swell', { sharpWhenSoftCents: 12 });
  expect(whole.ids).toContain('sharpWhenSoft');
});

it.each([0.1, 0.2])('%d of a tone is a false start, not a breath that was too short', (stopsAt) => {
  const { verdict, ids } = told('swell', { stopsAt });
  expect(ids).toEqual(['brokeOff']);
  expect(verdict).toMatchObject({ decision: 'again', tries: [], next: { change: 'none', parameters: {} } });
  expect(told('swell', { stopsAt: 0.5 }).ids).toContain<FindingId>('stoppedEarly');
});

it('six starts that each speak late are told before what went well', () => {
  const parameters = usualExercise(familyById('countedBreaths'), 'alto');
  const { measures, assignment } = play(parameters, SEED, CLEAN_HABITS);
  expect(exerciseScore(parameters).steps.length).toBeGreaterThanOrEqual(4);
  const slow = measures.map((step) => (step.kind === 'sounded' ? { ...step, responseS: measured(0.3, 0.01) } : step));
  const { findings, decision } = judgeTake(slow, assignment);
  expect(findings[0]!.id).toBe('slowResponse');
  expect(findings.map(({ id }) => id)).toContain('steady');
  expect(decision).toBe('again');
});
