import { breathBudget, scoreBeats, type Score, type Step } from '@inner-hum/core/exercise';
import { exerciseScore, FAMILIES, usualExercise, type Family } from '@inner-hum/core/families';
import { CLEAN_HABITS, withFault, type Habits } from '@inner-hum/core/simulate';
import type { TakeRecord } from '@inner-hum/core/take';
import { noteName, type InstrumentId } from '@inner-hum/core/theory';
import { decisionText, findingText, nextText } from '../web/src/text/findingText';
import { i18next } from '../web/src/text/i18n';
import '../web/src/testing/english';
import { MEASURED } from './otherWays';
import { play } from './play';
import { table } from './score';
import { TYPICAL_MISTAKES, type TypicalMistake } from './typicalMistakes';
import { writePage } from './pages';

const HORNS = ['alto', 'tenor', 'baritoneLowA'] as const satisfies readonly InstrumentId[];
const SEED = 5;
const TODAY = { startedAtMs: Date.parse('2026-01-09T18:00:00.000Z'), day: '2026-01-09', reed: '' };
/** Notes of a score that are shown before it is cut. */
const SHOWN = 12;
const { t } = i18next;
const nameOf = (midi: number) => noteName(midi, 'english');

/** A tone as its player would read it aloud: how it begins, its note, beats and dynamics. */
function toneText(step: Step): string {
  const begins = step.attack === 'slurred' ? 'slurred to ' : step.attack === 'breath' ? 'by breath ' : '';
  const how = [
    step.partialNumber > 1 ? `partial ${step.partialNumber} of ${nameOf(step.fingeredMidi)}` : '',
    step.hum ? 'hummed' : '',
    step.bendCents ? `bent by ${step.bendCents} cents` : '',
    step.vibrato ? 'with vibrato' : '',
    step.vowels?.join(' ') ?? '',
  ].filter(Boolean);
  const length = step.openEnd ? 'as long as it stays good' : `${step.beats}`;
  const dynamics = step.dynamics.map(({ dynamic }) => dynamic).join('–');
  return `${begins}${nameOf(step.soundedMidi)}${how.length ? ` (${how.join(', ')})` : ''} ${length} ${dynamics}`;
}

function scoreText({ steps }: Score): string {
  const tones = steps.map((step, i) => {
    const before = steps[i - 1];
    const rest = before ? step.startBeat - before.startBeat - before.beats : 0;
    return `${rest > 0 ? `rest ${rest}, ` : ''}${toneText(step)}`;
  });
  const more = tones.length - SHOWN;
  return tones.slice(0, SHOWN).join(', ') + (more > 0 ? ` … and ${more} more` : '');
}

/** The usual exercise of a family on a horn, a line. */
function usualText(family: Family, horn: InstrumentId): string {
  const score = exerciseScore(usualExercise(family, horn));
  const { longestBreathS } = breathBudget(score);
  const breath = longestBreathS > 0 ? `longest breath ${longestBreathS.toFixed(1)} s` : 'as long as it stays good';
  return `- ${horn}, ${score.tempoBpm} a minute, ${scoreBeats(score)} beats, ${breath}: ${scoreText(score)}`;
}

/** What the judge says of a family played on alto with these habits: the sentences in order, and the first remedy. */
function told(family: Family, habits: Habits, change: TypicalMistake['change'] = {}) {
  const parameters = { ...usualExercise(family, 'alto'), ...change };
  const { verdict, assignment } = play(parameters, SEED, habits, { ...MEASURED, past: [], now: TODAY });
  const take = { ...assignment, setup: { instrumentId: 'alto', a4Hz: 440 } } as unknown as TakeRecord;
  const findings = verdict.findings.filter(({ weight }) => weight > 0);
  const [first] = findings;
  return {
    first,
    sentence: first ? findingText(t, first, take, nameOf) : 'nothing',
    after: findings.slice(1).map(({ id }) => id),
    remedy: verdict.tries[0] ? t(`verdict.tries.${verdict.tries[0]}`) : '–',
    next: `${decisionText(t, verdict)} ${nextText(t, verdict, take, nameOf)}`,
  };
}

let asked = 0;
let right = 0;
const parts = FAMILIES.map((family) => {
  const rows = (TYPICAL_MISTAKES[family.id] ?? []).map(({ fault, expected, change }) => {
    const { first, sentence, after, remedy, next } = told(family, withFault(fault), change);
    const isFirst = first !== undefined && expected.includes(first.id);
    asked++;
    if (isFirst) right++;
    return [fault, isFirst ? sentence : `**${sentence}**`, after.join(', ') || '–', remedy, next];
  });
  const clean = told(family, CLEAN_HABITS);
  return `## ${t(`families.${family.id}.name`)}

${HORNS.map((horn) => usualText(family, horn)).join('\n')}

A clean take on alto raises ${clean.sentence}.

${table([['mistake', 'first sentence', 'told after it', 'remedy', 'what comes next'], ...rows])}`;
});

const report = `# Every family as it is played and judged

Written by \`npm run bench:families\`: each family's usual exercise on ${HORNS.join(', ')} as a player would read it (written notes,
beats, dynamics), then its own typical mistakes (\`bench/typicalMistakes.ts\`), each made by the stand-in player on alto, whose dynamics were measured:
the first sentence of the verdict, what is told after it, the remedy and the next step. A first sentence in bold is not of the mistake
that was made.

First sentence right: **${right} of ${asked}**.

${parts.join('\n\n')}
`;
writePage('families', report);
console.log(`${right} of ${asked}`);
