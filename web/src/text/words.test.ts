import { type Field } from '@inner-hum/core/exercise';
import { CUES, SCHOOL_QUESTIONS, SCHOOLS } from '@inner-hum/core/lesson';
import { STAGES } from '@inner-hum/core/families';
import { FAMILIES, familyById, swell, SWELL_DEFAULTS, usualExercise } from '@inner-hum/core/families';
import type { TakeRecord } from '@inner-hum/core/take';
import {
  finding as makeFinding,
  FINDING_IDS,
  rowOf,
  type Finding,
  type ValuesOfFinding,
  type Verdict,
} from '@inner-hum/core/judge';
import { DYNAMICS, noteName } from '@inner-hum/core/theory';
import { describe, expect, it } from 'vitest';
import { i18next } from './i18n';
import { en } from './en';
import { silentTake } from '../testing/takes';
import { exerciseMeta, exerciseTitle } from './exerciseText';
import { decisionText, findingText, nextText } from './findingText';
import { formatNumber, formatSigned } from './format';
import { HABIT_NAMES } from '../db/settings/sound';
import { ribbonSteps } from '../ribbon/view';

const parameters = { ...SWELL_DEFAULTS, instrumentId: 'alto' } as const;
const t = i18next.t;
const name = (midi: number) => noteName(midi, 'english');

function takeWith(verdict: Partial<Verdict>, repeats = 1): TakeRecord {
  const { record } = silentTake('x', 1);
  const score = swell({ ...parameters, repeats });
  const setup = { ...record.setup, instrumentId: 'alto' } as const;
  return { ...record, parameters, score, setup, measures: [], verdict: { ...record.verdict, ...verdict } };
}

const finding = <Id extends Finding['id']>(id: Id, values: ValuesOfFinding<Id>, stepIndex = 0) =>
  makeFinding(id, stepIndex, values);

describe('sentences', () => {
  it.each([
    [finding('sharp', { cents: 11.4, uncertainty: 0.6 }), 'Sharp by 11 cents (±1) in the middle of the tone.'],
    [
      finding('jump', { beat: 5, atS: 4.7, partial: 2, lastsMs: 293, count: 1 }),
      'The note jumped to G5 (the octave above) on beat 5 for 293 ms.',
    ],
    [finding('octaveAbove', {}), 'The octave above: is the octave key closed?'],
    [finding('brokeOff', {}), 'That broke off.'],
    [finding('heldUntilJump', { beats: 3.4, seconds: 3.4 }), 'You held it 3.4 beats, 3.4 s; then it jumped.'],
    [
      finding('heldUntilJump', { beats: 9.4, seconds: 9.4 }),
      'You held it 9.4 beats, 9.4 s; then it jumped. Stop at 8 s, whole; again.',
    ],
    [finding('stairs', { count: 1, beat: 3, atS: 2, db: 4.6 }), 'One bump: the level jumped by 5 dB on beat 3.'],
    [finding('stairs', { count: 3, beat: 3, atS: 2, db: 4.6 }), '3 bumps: the largest, 5 dB, on beat 3.'],
    [finding('late', { ms: 132, uncertainty: 30 }), 'It came 132 ms late (±30).'],
    [finding('peakLate', { beats: 1.26, uncertainty: 0.25 }), 'The loudest point came 1.3 beats late (±0.3).'],
    [finding('otherNote', { soundingMidi: 60 }), 'You played A4, written; G4 was asked for.'],
  ])('%o', (entry, sentence) => expect(findingText(t, entry, takeWith({}), name)).toBe(sentence));

  it('names the tone when there are several', () =>
    expect(findingText(t, finding('nothingHeard', {}, 1), takeWith({}, 3), name)).toBe(
      'Tone 2 (G4): No tone was heard.',
    ));

  it('has a sentence for all that can be found, and for everything that is proposed to try', () => {
    for (const id of FINDING_IDS) {
      expect(Object.keys(en.verdict.findings).some((key) => key.replace(/_[a-z]+$/i, '') === id)).toBe(true);
      for (const tried of rowOf(id).tries ?? []) expect(en.verdict.tries[tried].length).toBeGreaterThan(10);
    }
  });

  it.each([
    [{ change: 'startLouder', parameters: { softest: 'mp' } }, 'Start at mp instead of p.'],
    [{ change: 'fasterTempo', parameters: { tempoBpm: 69 } }, 'At 69 instead of 60, so that the breath lasts.'],
    [{ change: 'hideTuner', parameters: { tunerHidden: true } }, 'With the tuner hidden.'],
    [{ change: 'softer', parameters: { softest: 'pp' } }, 'Down to pp.'],
  ] as const)('next: %o', (next, sentence) => {
    const take = takeWith({ next });
    expect(nextText(t, take.verdict, take, name)).toBe(sentence);
  });

  it('does not promise a harder one where the exercise goes no further', () => {
    const { verdict } = takeWith({ next: { change: 'none', parameters: {} } });
    expect(decisionText(t, { ...verdict, decision: 'harder' })).toMatch(/^Secure, and as far as this exercise goes/);
  });

  it('leaves no gap unfilled in any sentence', () => {
    for (const id of FINDING_IDS) {
      const values = Object.fromEntries(rowOf(id).values.map((value) => [value, value === 'soundingMidi' ? 60 : 2]));
      expect(findingText(t, finding(id, values as never), takeWith({}), name)).not.toContain('{{');
    }
  });
});

describe('words of exercises', () => {
  const has = (key: string) => i18next.exists(key);
  it('every family, stage and field has its words', () => {
    for (const stage of STAGES) expect(has(`stages.${stage}`), stage).toBe(true);
    for (const family of FAMILIES) {
      expect(has(`families.${family.id}.name`) && has(`families.${family.id}.what`), family.id).toBe(true);
      for (const [field, { kind, ...rest }] of Object.entries(family.fields) as [string, Field][]) {
        expect(kind === 'text' || has(`fields.${field}`), field).toBe(true);
        if (kind !== 'choice' || field === 'key') continue;
        const options = 'options' in rest ? rest.options : [];
        for (const option of options)
          expect((DYNAMICS as readonly string[]).includes(option) || has(`options.${option}`), option).toBe(true);
      }
    }
  });
  it('every habit of the stand-in player has its words', () => {
    for (const habit of HABIT_NAMES) expect(has(`setUp.habits.${habit}`), habit).toBe(true);
  });
  it('every finding of a row has its sentence and what to try', () => {
    for (const id of ['tongueFails', 'airFails', 'bothFail', 'laterWorse', 'held', 'steady', 'stoppedAfter'])
      expect(has(`verdict.findings.${id}`), id).toBe(true);
  });
  it('a title names notes, family and dynamics', () => {
    const title = (id: string) => exerciseTitle(t, usualExercise(familyById(id), 'alto'), name);
    expect(title('swell')).toBe('G4 · Grow, then fade · p–f');
    expect(title('threeZones')).toBe('B4 C4 D6 · Three zones · mf');
    expect(title('crossingBreak')).toBe('Crossing the break · mf');
    expect(title('firstTrace')).toBe('B♭3 · First trace');
  });
  it('the small print has beats where the family has them', () => {
    expect(exerciseMeta(t, usualExercise(familyById('countedBreaths'), 'alto'))).toBe('8 beats at 66');
    const noBeats = { ...usualExercise(familyById('homeCheck'), 'alto') };
    delete (noBeats as Record<string, unknown>)['beats'];
    expect(exerciseMeta(t, noBeats)).toBe('at 80');
  });
  it('a finding on several tones says on how many more', () => {
    const entry: Finding = { ...finding('sharp', { cents: 14, uncertainty: 1 }, 2), steps: 3 };
    expect(findingText(t, entry, takeWith({}, 5), name)).toBe(
      'Tone 3 (G4): Sharp by 14 cents (±1) in the middle of the tone. The same on 2 more tones.',
    );
  });
  it('what concerns the whole take names no tone', () =>
    expect(findingText(t, finding('steady', { percent: 97.2, tones: 5 }), takeWith({}, 5), name)).toBe(
      '97 % in tune.',
    ));
});

describe('numbers', () => {
  it.each([
    [-3.25, 1, '−3.3', '−3.3'],
    [3.25, 1, '3.3', '+3.3'],
    [-0.04, 1, '0.0', '0.0'],
    [0, 0, '0', '0'],
  ])('%f with %i decimals', (value, decimals, plain, signed) => {
    expect(formatNumber(value, decimals)).toBe(plain);
    expect(formatSigned(value, decimals)).toBe(signed);
  });
});

describe('ribbon', () => {
  it('has a channel for each step, at its time, as loud as planned', () => {
    const steps = ribbonSteps(swell({ ...parameters, repeats: 2, restBeats: 4 }), 1, 440);
    expect(steps.map((step) => [step.startS, step.endS])).toEqual([
      [1, 9],
      [13, 21],
    ]);
    expect(steps[0]!.positionAt(5)).toBeCloseTo(0.8, 6);
    expect(steps[0]!.targetHz).toBeCloseTo(233.08, 2);
  });
});

it('every question of a school, its answers and cues have their words', () => {
  for (const question of SCHOOL_QUESTIONS) {
    expect(i18next.exists(`schools.${question}.question`), question).toBe(true);
    for (const answer of SCHOOLS[question])
      expect(i18next.exists(`schools.${question}.${answer}`), `${question}.${answer}`).toBe(true);
  }
  for (const cue of CUES) expect(i18next.exists(`cues.${cue}`), cue).toBe(true);
});
