import { TEMPO_RANGE_BPM, highestNote, type ExerciseParameters } from '@inner-hum/core/exercise';
import { familyById } from '@inner-hum/core/families';
import { DYNAMICS, instrumentById, type Dynamic } from '@inner-hum/core/theory';
import { demandsOf } from './familyDemands';
import type { ChangeId, Decision, Finding, NextStep } from './verdict';

const TEMPO_STEP = 1.15;
const LENGTH_STEP = 1.25;
const BEND_STEP_CENTS = 20;
/** Fields that say how much there is of an exercise. */
const AMOUNTS = [
  'top',
  'changes',
  'reach',
  'partial',
  'bendCents',
  'repeats',
  'pairs',
  'leaps',
  'climbs',
  'notes',
  'restarts',
  'starts',
  'intervals',
];

type Change = (now: ExerciseParameters) => NextStep['parameters'] | undefined;

/** Each way to change an exercise: the parameters it changes, or undefined where it is at its limit or has none. */
const CHANGES: Readonly<Record<ChangeId, Change>> = {
  startLouder: (now) => dynamicBy(now, 1),
  softer: (now) => dynamicBy(now, -1),
  wider: (now) => {
    const louder = 'loudest' in now ? DYNAMICS[DYNAMICS.indexOf(now['loudest'] as Dynamic) + 1] : undefined;
    return louder && { loudest: louder };
  },
  fasterTempo: (now) => tempoTo(now, now.tempoBpm * TEMPO_STEP),
  slower: (now) => tempoTo(now, now.tempoBpm / TEMPO_STEP),
  hideTuner: (now) => (now.tunerHidden ? undefined : { tunerHidden: true }),
  higherNote: (now) => noteBy(now, 1),
  lowerNote: (now) => noteBy(now, -1),
  longer: (now) =>
    fieldTo(now, 'beats', Math.max(Number(now['beats']) + 1, Math.round(Number(now['beats']) * LENGTH_STEP))),
  shorter: (now) =>
    fieldTo(now, 'beats', Math.min(Number(now['beats']) - 1, Math.round(Number(now['beats']) / LENGTH_STEP))),
  more: (now) => amountBy(now, 1),
  fewer: (now) => amountBy(now, -1),
};

/** What comes next: the first change of the family that has room, tempo first when the breath did not last. */
export function nextStep(decision: Decision, findings: readonly Finding[], now: ExerciseParameters): NextStep {
  const { easier, harder } = demandsOf(now.family);
  const ranOut = findings.some((one) => one.id === 'stoppedEarly');
  const order: readonly ChangeId[] =
    decision === 'easier' ? (ranOut ? ['fasterTempo', ...easier] : easier) : decision === 'harder' ? harder : [];
  for (const change of order) {
    const parameters = CHANGES[change](now);
    if (parameters) return { change, parameters };
  }
  return { change: 'none', parameters: {} };
}

function dynamicBy(now: ExerciseParameters, by: number): NextStep['parameters'] | undefined {
  const name = 'softest' in now ? 'softest' : 'dynamic' in now ? 'dynamic' : undefined;
  const next = name && DYNAMICS[DYNAMICS.indexOf(now[name] as Dynamic) + by];
  return next && next !== now['loudest'] ? { [name]: next } : undefined;
}

function tempoTo(now: ExerciseParameters, bpm: number): NextStep['parameters'] | undefined {
  const tempoBpm = Math.min(TEMPO_RANGE_BPM.max, Math.max(TEMPO_RANGE_BPM.min, Math.round(bpm)));
  return tempoBpm === now.tempoBpm ? undefined : { tempoBpm };
}

function noteBy(now: ExerciseParameters, by: number): NextStep['parameters'] | undefined {
  const horn = instrumentById(now.instrumentId);
  const written = Number(now['writtenMidi']) + by;
  return written >= horn.lowestWrittenMidi && written <= highestNote(horn) ? { writtenMidi: written } : undefined;
}

function amountBy(now: ExerciseParameters, by: number): NextStep['parameters'] | undefined {
  const name = AMOUNTS.find((one) => one in now);
  return name === undefined
    ? undefined
    : fieldTo(now, name, Number(now[name]) + by * (name === 'bendCents' ? BEND_STEP_CENTS : 1));
}

function fieldTo(now: ExerciseParameters, name: string, value: number): NextStep['parameters'] | undefined {
  const field = familyById(now.family).fields[name];
  return field?.kind === 'number' && value >= field.min && value <= field.max ? { [name]: value } : undefined;
}
