import { isExercise } from '@inner-hum/core/families';
import { SeededRandom } from '@inner-hum/core/simulate';
import { describe, expect, it } from 'vitest';
import { drawOrder, isExperiment, nextTrial, probeOf, ROUNDS, takesOf, type Experiment } from './experiment';
import { answerFrom, blindOf, experimentAnswer, type TrialValues } from './experimentAnswer';
import { digest, seen } from '../history/testDigests';

const seeded = (seed = 1) => {
  const random = new SeededRandom(seed);
  return () => random.uniform();
};
const TODAY = '2026-03-01';
const asked: Experiment = {
  id: 'lip',
  question: 'Is it steadier with less mouthpiece?',
  variants: ['as usual', 'less mouthpiece'],
  kind: 'ways',
  instrumentId: 'alto',
  notes: [62, 74],
  dynamics: ['p'],
  about: ['pitchSteadinessCents'],
  order: drawOrder('ways', 2, seeded()),
  startedOn: '2026-03-01',
  picks: [],
};

/** Tries of the first rounds: the second way changes the value by so much; scatter and drift as given. */
function tries(rounds: number, effect: number, { scatter = 0.3, drift = 0, kind = asked.kind } = {}): TrialValues[] {
  const random = new SeededRandom(7);
  const parts = kind === 'around' ? [0, 1] : [0];
  const order = kind === 'around' ? drawOrder('around', 2, seeded()) : asked.order;
  let place = 0;
  return order.slice(0, rounds).flatMap((variants, round) =>
    variants.flatMap((variant) =>
      parts.map((part): TrialValues => {
        const helped = variant === 1 && (kind === 'ways' || part === 1);
        const value = 5 + (helped ? effect : 0) + drift * place + scatter * random.normal();
        return { round, variant, part, day: '2026-03-01', place: place++, values: { 'pitchSteadinessCents p': value } };
      }),
    ),
  );
}

describe('the order of an experiment', () => {
  it.each([2, 3])('has each of %i ways in each round, and each second round mirrors the one before', (variants) => {
    const order = drawOrder('ways', variants, seeded());
    expect(order).toHaveLength(ROUNDS);
    for (const [i, round] of order.entries()) {
      expect([...round].sort()).toEqual(Array.from({ length: variants }, (_, way) => way));
      if (i % 2 === 1) expect(round).toEqual(order[i - 1]!.toReversed());
    }
    const firsts = order.map((round) => round[0]);
    for (let way = 0; way < variants; way++)
      expect(firsts.filter((first) => first === way)).toHaveLength(ROUNDS / variants);
  });
  it('around something each way has as many days', () => {
    const days = drawOrder('around', 2, seeded()).flat();
    expect(days.filter((way) => way === 1)).toHaveLength(ROUNDS / 2);
  });
  it('is drawn: another chance gives another one', () => {
    const drawn = new Set(Array.from({ length: 8 }, (_, seed) => JSON.stringify(drawOrder('ways', 2, seeded(seed)))));
    expect(drawn.size).toBeGreaterThan(3);
  });
});

describe('tries', () => {
  const take = (round: number, variant: number, at: number) => ({
    ...digest(`t${at}`, at, [seen()]),
    trial: { experiment: 'lip', round, variant, part: 0 },
  });
  it('the probe can be played', () => expect(isExercise(probeOf(asked))).toBe(true));
  it('the next is the first that was not played, whatever was played besides', () => {
    const [first, second] = asked.order[0]!;
    expect(nextTrial(asked, [], TODAY).next).toMatchObject({ round: 0, variant: first });
    const { next } = nextTrial(asked, [take(0, first!, 1), take(1, 0, 2)], TODAY);
    expect(next).toMatchObject({ round: 0, variant: second });
  });
  it('around something a day is whole or begins anew, and one is enough for a day', () => {
    const around = { ...asked, kind: 'around' as const, order: drawOrder('around', 2, seeded()) };
    const [variant] = around.order[0]! as [number];
    const probe = (part: number, day: string) => ({ trial: { experiment: 'lip', round: 0, variant, part }, day });
    const after = (...takes: ReturnType<typeof probe>[]) => nextTrial(around, takes, TODAY);
    expect(after()).toMatchObject({ next: { round: 0, part: 0 }, anotherDay: false });
    expect(after(probe(0, TODAY))).toMatchObject({ next: { round: 0, part: 1 }, anotherDay: false });
    expect(after(probe(0, '2026-02-28'))).toMatchObject({ next: { round: 0, part: 0 } });
    expect(after(probe(0, TODAY), probe(1, TODAY))).toMatchObject({ next: { round: 1, part: 0 }, anotherDay: true });
    const yesterday = after(probe(0, '2026-02-28'), probe(1, '2026-02-28'));
    expect(yesterday).toMatchObject({ next: { round: 1, part: 0 }, anotherDay: false });
  });
  it('a try played again counts instead; another horn and another question do not', () => {
    const other = { ...take(0, 1, 3), trial: { experiment: 'reed', round: 0, variant: 1, part: 0 } };
    const tenor = { ...take(0, 0, 4), setup: { instrumentId: 'tenor' as const } };
    expect(takesOf(asked, [take(0, 0, 1), take(0, 0, 2), other, tenor]).map(({ takeId }) => takeId)).toEqual(['t2']);
  });
});

describe('the answer', () => {
  it('says nothing before four whole rounds', () =>
    expect(answerFrom(asked, tries(3, -4))).toMatchObject({ state: 'begins', differences: [] }));
  it('finds a plain difference, with an interval that holds it', () => {
    const { state, differences } = answerFrom(asked, tries(6, -2));
    expect(state).toBe('decided');
    expect(differences).toMatchObject([{ answer: 'differs', variants: [0, 1] }]);
    expect(differences[0]!.from).toBeLessThan(-2);
    expect(differences[0]!.to).toBeGreaterThan(-2);
    expect(differences[0]!.to).toBeLessThan(0);
  });
  it('calls alike what is too close to matter', () =>
    expect(answerFrom(asked, tries(12, 0, { scatter: 0.1 })).differences[0]!.answer).toBe('alike'));
  it('says when it can’t be told', () => {
    const { state, differences } = answerFrom(asked, tries(12, 0.5, { scatter: 3 }));
    expect(state).toBe('cannot');
    expect(differences[0]!.answer).toBe('open');
  });
  it('says how many rounds a difference of this size takes', () => {
    const { differences } = answerFrom(asked, tries(4, -1.1, { scatter: 0.45 }));
    expect(differences[0]).toMatchObject({ answer: 'open' });
    expect(differences[0]!.rounds).toBeGreaterThan(4);
    expect(differences[0]!.rounds).toBeLessThanOrEqual(ROUNDS);
  });
  it('tells what a session does by itself apart from the way', () => {
    const { differences, drifts } = answerFrom(asked, tries(6, 0, { drift: 1 }));
    expect(differences[0]!.answer).not.toBe('differs');
    expect(drifts[0]!.perTry).toBeCloseTo(1, 0);
  });
  it('around something compares the change from before to after', () => {
    const around = { ...asked, kind: 'around' as const, order: drawOrder('around', 2, seeded()) };
    const { differences } = answerFrom(around, tries(12, -3, { kind: 'around', drift: 0.4 }));
    expect(differences[0]).toMatchObject({ answer: 'differs' });
    expect(differences[0]!.difference).toBeCloseTo(-3, 0);
  });
  it('reads its values from takes: a note that is steadier by nature is no difference', () => {
    const takes = asked.order.slice(0, 6).flatMap((ways, round) =>
      ways.map((variant, i) => {
        const at = 1000 * (2 * round + i);
        const value = (midi: number) => (midi === 62 ? 2 : 9) + (variant === 1 ? -2 : 0) + 0.1 * ((round + i) % 3);
        const one = (midi: number) => seen({ midi, band: 'soft', values: { pitchSteadinessCents: value(midi) } });
        const told = round === 3 ? [one(62)] : [one(62), one(74)];
        return {
          ...digest(`t${at}`, at, told),
          day: '2026-03-01',
          trial: { experiment: 'lip', round, variant, part: 0 },
        };
      }),
    );
    const { differences } = experimentAnswer(asked, takes);
    expect(differences[0]).toMatchObject({ answer: 'differs', dynamic: 'p' });
    expect(differences[0]!.difference).toBeCloseTo(-2, 0);
  });
  it('a tone counts for the dynamic that was asked of it, however loud it became', () => {
    const two = { ...asked, dynamics: ['p', 'mf'] as const, notes: [62] };
    const takes = two.order.slice(0, 6).flatMap((ways, round) =>
      ways.map((variant, i) => {
        const at = 1000 * (2 * round + i);
        // The second way is louder: its soft tone is heard in the middle.
        const one = (value: number) =>
          seen({ midi: 62, band: variant === 1 ? 'medium' : 'soft', values: { pitchSteadinessCents: value } });
        const scatter = 0.1 * ((round + i) % 3);
        const told = [one(variant === 1 ? 3 : 5), one(8)].map(({ values, ...about }) => ({
          ...about,
          values: { pitchSteadinessCents: values.pitchSteadinessCents! + scatter },
        }));
        return {
          ...digest(`t${at}`, at, told),
          day: '2026-03-01',
          trial: { experiment: 'lip', round, variant, part: 0 },
        };
      }),
    );
    const { differences } = experimentAnswer(two, takes);
    const of = (dynamic: string) => differences.find((one) => one.dynamic === dynamic)!;
    expect(of('p')).toMatchObject({ answer: 'differs' });
    expect(of('p').difference).toBeCloseTo(-2, 0);
    expect(of('mf')).toMatchObject({ answer: 'alike' });
  });
  it('what was probed on another day is no before', () => {
    const around = { ...asked, kind: 'around' as const, order: drawOrder('around', 2, seeded()) };
    const torn = tries(12, -3, { kind: 'around' }).map((one) => (one.part === 0 ? { ...one, day: '2026-02-28' } : one));
    expect(answerFrom(around, torn).differences).toEqual([]);
  });
  it('knows how often chance chooses as well', () => {
    const picks = Array.from({ length: 9 }, (_, round) => ({
      round,
      heard: [0, 1] as const,
      chosen: Number(round < 7),
    }));
    const { chosen, forB, byChance } = blindOf({ picks: [...picks, { round: 9, heard: [0, 1], chosen: -1 }] }, [0, 1]);
    expect({ chosen, forB }).toEqual({ chosen: 9, forB: 7 });
    expect(byChance).toBeCloseTo(0.18, 2);
  });
});

it('a stored question is looked at before it is used', () => {
  expect(isExperiment(asked)).toBe(true);
  expect(isExperiment(JSON.parse(JSON.stringify(asked)))).toBe(true);
  // Nothing is read as what it is not, and nothing comes along with it.
  expect(isExperiment({ ...asked, notes: asked.notes.map(String) })).toBe(false);
  expect(isExperiment({ ...asked, more: 'x'.repeat(1000) })).toBe(false);
  expect(isExperiment({ ...asked, startedOn: '2026-13-45' })).toBe(false);
  for (const wrong of [
    { ...asked, variants: ['one'] },
    { ...asked, order: asked.order.slice(1) },
    { ...asked, order: asked.order.with(0, [0, 2]) },
    { ...asked, notes: [] },
    { ...asked, about: ['height'] },
    { ...asked, picks: [{ round: 0, heard: [0], chosen: 0 }] },
    null,
  ])
    expect(isExperiment(wrong)).toBe(false);
});
