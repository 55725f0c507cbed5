import { scoreBeats, type ExerciseParameters, type Score, type Trial } from '@inner-hum/core/exercise';
import { exerciseKey } from '@inner-hum/core/families';
import { untoldOf, type Decision, type LowStart, type PastTake, type Verdict } from '@inner-hum/core/judge';
import { valueOf, type StepMeasures } from '@inner-hum/core/measure';
import { fingeringText, type InstrumentId, type KeyId } from '@inner-hum/core/theory';
import { isLoud, type HeldTone } from './holds';
import { endedByBreath, observations, type Observation } from './observation';

/** What was played on and where, by the player's own names; left out where the player does not say. */
export interface SetupNames {
  readonly instrumentId: InstrumentId;
  readonly horn?: string;
  readonly mouthpiece?: string;
  readonly neck?: string;
  readonly reed?: string;
  readonly room?: string;
}

/** The parts of a set-up that a map tells apart. */
export const SETUP_PARTS = ['horn', 'mouthpiece', 'neck', 'reed', 'room'] as const;
export type SetupPart = (typeof SETUP_PARTS)[number];

/** A take in a few hundred bytes: what maps, plans, trends and lists need of it. */
export interface Digest {
  readonly takeId: string;
  readonly startedAtMs: number;
  /** the player's own day, yyyy-mm-dd */
  readonly day: string;
  readonly setup: SetupNames;
  readonly setupKey: string;
  readonly family: string;
  readonly decision: Decision;
  /** what was played, and what the judge would change of it next */
  readonly parameters: ExerciseParameters;
  readonly next: Readonly<Record<string, number | string | boolean>>;
  readonly findings: readonly string[];
  readonly lastsS: number;
  /** of a trial of an altissimo fingering: the keys that were down */
  readonly fingering?: string;
  readonly demo: boolean;
  /** which try of an experiment it was */
  readonly trial?: Trial;
  /** share of the tones' time in the pitch window, 0–1: which take of an exercise was best; 0 without a tone */
  readonly shareInWindow: number;
  /** longest good tones: which note, whether loud, seconds */
  readonly holds: readonly HeldTone[];
  readonly seen: readonly Observation[];
  /** words that a list is searched by, see {@link tagsOf} */
  readonly tags: readonly string[];
}

/** What a digest is made from. */
export interface DigestibleTake {
  readonly id: string;
  readonly parameters: ExerciseParameters;
  readonly score: Score;
  readonly setup: SetupNames & { readonly fingerings?: Readonly<Record<string, string>> };
  readonly measures: readonly StepMeasures[];
  readonly verdict: Verdict;
  readonly cues?: readonly string[];
  readonly trial?: Trial;
  /** sound that the device lost, milliseconds */
  readonly lostMs?: number;
  readonly demo: boolean;
}

/** The digest of a take that started at a time of the player's own day, yyyy-mm-dd. */
export function digestOf(
  take: DigestibleTake,
  { startedAtMs, day }: { readonly startedAtMs: number; readonly day: string },
): Digest {
  const { instrumentId } = take.setup;
  const setup: SetupNames = {
    instrumentId,
    ...Object.fromEntries(SETUP_PARTS.flatMap((part) => (take.setup[part] ? [[part, take.setup[part]]] : []))),
  };
  const findings = [
    ...new Set(take.verdict.findings.filter((finding) => finding.weight > 0).map((finding) => finding.id)),
  ];
  const digest = {
    takeId: take.id,
    startedAtMs,
    day,
    setup,
    setupKey: setupKey(setup),
    family: take.score.family,
    decision: take.verdict.decision,
    parameters: take.parameters,
    next: take.verdict.next.parameters,
    findings,
    lastsS: (scoreBeats(take.score) * 60) / take.score.tempoBpm,
    demo: take.demo,
    ...(typeof take.parameters['fingering'] === 'string' && { fingering: take.parameters['fingering'] }),
    ...(take.trial && { trial: take.trial }),
    shareInWindow: shareOf(take),
    holds: holdsOf(take),
    seen: observations(take.score, take.measures, startedAtMs, { ...untoldOf(findings), holds: lostMuch(take) }).map(
      (one) => fingeredAs(one, take),
    ),
  };
  const tried = [
    ...(take.cues ?? []).map((cue) => `cue:${cue}`),
    ...(take.trial ? [trialTag(take.trial.experiment)] : []),
  ];
  return { ...digest, tags: [...tagsOf(digest), ...tried] };
}

/** An observation with the keys that were down, where those were not the regular ones. */
function fingeredAs(one: Observation, { parameters, setup }: DigestibleTake): Observation {
  const tried = parameters['fingering'];
  const trial = typeof tried === 'string' && tried !== '';
  const keys = trial ? tried : setup.fingerings?.[one.midi];
  if (keys === undefined || one.partial !== 1) return one;
  return { ...one, fingering: fingeringText(keys.split(' ') as KeyId[]), ...(trial && { trial }) };
}

/** A hole this short changes no hold, milliseconds. */
const MOST_LOST_MS = 50;

function shareOf({ measures }: Pick<DigestibleTake, 'measures'>): number {
  const shares = measures.flatMap((measure) =>
    measure.kind === 'sounded' ? (valueOf(measure.shareInWindow) ?? []) : [],
  );
  return shares.reduce((sum, share) => sum + share, 0) / Math.max(1, shares.length);
}

/** How long a breath lasts is not to be told where sound was lost. */
const lostMuch = ({ lostMs = 0 }: Pick<DigestibleTake, 'lostMs'>): boolean => lostMs > MOST_LOST_MS;

function holdsOf(take: Pick<DigestibleTake, 'score' | 'measures' | 'lostMs'>): HeldTone[] {
  if (lostMuch(take)) return [];
  const { score, measures } = take;
  return measures.flatMap((step, i): HeldTone[] => {
    const beats = step.kind === 'sounded' ? valueOf(step.hold.beats) : undefined;
    if (step.kind !== 'sounded' || beats === undefined) return [];
    const asked = score.steps[i]!;
    const ended = endedByBreath(asked, step);
    const held = { midi: asked.soundedMidi, loud: isLoud(asked), holdS: (beats * 60) / score.tempoBpm };
    return [{ ...held, ...(ended && { ended }) }];
  });
}

/** A take as the judge looks back on it, from its digest. */
export function pastTakeOf(digest: Digest): PastTake {
  const { startedAtMs, day, parameters, next, decision, seen, shareInWindow } = digest;
  const told = (quantity: 'pitchAgainstLevelCents' | 'pitchCentreCents') =>
    seen.flatMap(({ midi, partial, values }) => {
      const cents = values[quantity];
      return cents === undefined || partial > 1 ? [] : [{ midi, cents }];
    });
  return {
    startedAtMs,
    day,
    exercise: exerciseKey(parameters),
    proposed: exerciseKey({ ...parameters, ...next }),
    decision,
    starts: startsOf(digest),
    slopes: told('pitchAgainstLevelCents'),
    centres: told('pitchCentreCents'),
    share: shareInWindow,
  };
}

/** Starts that a take tried by the regular fingering, not slurred to. */
export function startsOf({ day, setup, seen }: Pick<Digest, 'day' | 'setup' | 'seen'>) {
  return seen.flatMap(({ tried, partial, attack, midi, spoke, band }): (LowStart & Pick<Observation, 'band'>)[] =>
    tried && partial === 1 && attack !== 'slurred' ? [{ midi, attack, spoke, day, reed: setup.reed ?? '', band }] : [],
  );
}

/** One word for a set-up; takes with the same word were played on the same. */
export function setupKey(setup: SetupNames): string {
  return JSON.stringify([setup.instrumentId, ...SETUP_PARTS.map((part) => setup[part] ?? '')]);
}

/** The tag of takes that came with the demo data. */
export const DEMO_TAG = 'demo';

/** The tag of the takes of an experiment. */
export const trialTag = (experiment: string) => `trial:${experiment}`;

/** The tag that all tries at one thing carry: see {@link exerciseKey}. */
export function exerciseTag(parameters: ExerciseParameters): string {
  return `exercise:${exerciseKey(parameters)}`;
}

function tagsOf(digest: Omit<Digest, 'tags'>): string[] {
  const notes = new Set(digest.seen.map((observation) => observation.midi));
  return [
    `size:${digest.setup.instrumentId}`,
    ...(digest.demo ? [DEMO_TAG] : []),
    `family:${digest.family}`,
    exerciseTag(digest.parameters),
    ...[...notes].map((midi) => `note:${midi}`),
    ...digest.findings.map((id) => `finding:${id}`),
    ...SETUP_PARTS.flatMap((part) => (digest.setup[part] ? [`${part}:${digest.setup[part]}`] : [])),
  ];
}
