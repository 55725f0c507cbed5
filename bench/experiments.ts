import { answerFrom, drawOrder, ROUNDS, type Experiment, type TrialValues } from '@inner-hum/core/experiments';
import { SeededRandom } from '@inner-hum/core/simulate';
import { writePage } from './pages';
import { table } from './score';

/** How much a probe take's mean scatters from try to try, in the unit of the quantity: as recorded players do. */
const SCATTER = { pitchSteadinessCents: 0.8, responseS: 0.012, softestDb: 1.2 } as const;
type Asked = keyof typeof SCATTER;
const ABOUT = Object.keys(SCATTER) as Asked[];
const DYNAMICS = ['p', 'mf'] as const;
const ROUNDS_A_DAY = 4;
const PLAYERS = 400;

/** A player of whom it is known what a variant does, and what a session does by itself. */
interface KnownPlayer {
  readonly name: string;
  /** what the second variant changes, in scatters of each quantity that it changes */
  readonly effect: Partial<Record<Asked, number>>;
  /** what the tries of a day do, in scatters: place of the try from 0 */
  readonly session: (place: number) => number;
}

const still = () => 0;
const KNOWN: readonly KnownPlayer[] = [
  { name: 'no effect', effect: {}, session: still },
  { name: 'no effect, better by a fifth of the scatter each try', effect: {}, session: (place) => -0.2 * place },
  { name: 'no effect, warms up quickly, then tires', effect: {}, session: (k) => 3 * Math.exp(-k) + 0.1 * k },
  { name: 'small effect (1 scatter) on one measure', effect: { pitchSteadinessCents: -1 }, session: still },
  { name: 'middle effect (2 scatters) on one measure', effect: { pitchSteadinessCents: -2 }, session: still },
  { name: 'large effect (4 scatters) on one measure', effect: { pitchSteadinessCents: -4 }, session: still },
  {
    name: 'large effect while warming up',
    effect: { pitchSteadinessCents: -4 },
    session: (k) => 3 * Math.exp(-k) + 0.1 * k,
  },
];

/** Plays an experiment until it is decided or over. */
function play(player: KnownPlayer, kind: Experiment['kind'], seed: number) {
  const random = new SeededRandom(seed);
  const asked = { kind, about: ABOUT, dynamics: DYNAMICS, variants: ['a', 'b'] };
  const experiment = { ...asked, order: drawOrder(kind, 2, () => random.uniform()) };
  const trials: TrialValues[] = [];
  const ofDay = new Map<string, Record<string, number>>();
  for (const [round, variants] of experiment.order.entries()) {
    const day = String(kind === 'around' ? round : Math.floor(round / ROUNDS_A_DAY));
    if (!ofDay.has(day)) ofDay.set(day, Object.fromEntries(ABOUT.map((quantity) => [quantity, random.normal()])));
    for (const variant of variants)
      for (const part of kind === 'around' ? [0, 1] : [0]) {
        const place = trials.filter((trial) => trial.day === day).length;
        const helped = kind === 'around' ? variant === 1 && part === 1 : variant === 1;
        const values = ABOUT.flatMap((quantity) =>
          DYNAMICS.map((dynamic) => {
            const scatters =
              ofDay.get(day)![quantity]! +
              player.session(place) +
              random.normal() +
              (helped ? (player.effect[quantity as Asked] ?? 0) : 0);
            return [`${quantity} ${dynamic}`, SCATTER[quantity] * scatters] as const;
          }),
        );
        trials.push({ round, variant, part, day, place, values: Object.fromEntries(values) });
      }
    const answer = answerFrom(experiment, trials);
    if (answer.state === 'decided' || round === ROUNDS - 1) return answer;
    // A player stops too when what was asked has its answer; what is false by then stays false.
    if (answer.differences.some((one) => one.answer === 'differs')) return answer;
  }
  throw new Error('an experiment has an end');
}

/** Known players through experiments: false answers, right ones, and rounds until the first answer. */
function experimentRows(kind: Experiment['kind']): string[][] {
  return KNOWN.map((player) => {
    const answers = Array.from({ length: PLAYERS }, (_, i) => play(player, kind, 1000 * KNOWN.indexOf(player) + i));
    const isTrue = ({ quantity, difference }: (typeof answers)[number]['differences'][number]) =>
      (player.effect[quantity as Asked] ?? 0) * difference > 0;
    const differing = answers.map(({ differences }) => differences.filter(({ answer }) => answer === 'differs'));
    const wrong = differing.filter((found) => found.some((one) => !isTrue(one))).length;
    const right = differing.filter((found) => found.some(isTrue)).length;
    const overlooked = answers.filter(({ differences }) =>
      differences.some(
        ({ quantity, answer }) => answer === 'alike' && Math.abs(player.effect[quantity as Asked] ?? 0) >= 2,
      ),
    ).length;
    const rounds = answers
      .flatMap((answer, i) => (differing[i]!.some(isTrue) ? answer.rounds : []))
      .sort((a, b) => a - b);
    const percent = (count: number) => `${((100 * count) / PLAYERS).toFixed(1)} %`;
    const some = Object.keys(player.effect).length > 0;
    return [
      player.name,
      percent(wrong),
      some ? percent(right) : '–',
      percent(overlooked),
      String(rounds[Math.floor(rounds.length / 2)] ?? '–'),
    ];
  });
}

const HEAD = [
  'player',
  'false answers',
  'right answers',
  'called alike though 2 scatters apart',
  'rounds until then (median)',
];

const report = `# Experiments

${PLAYERS} simulated players of each kind, two ways, ${ABOUT.length} measures at ${DYNAMICS.length} dynamics each, at most ${ROUNDS} rounds, ${ROUNDS_A_DAY} a
day. Each probe take scatters by one unit, each day lies elsewhere by one more. Looked at after each second round from the fourth on; the whole
experiment may be wrong in 5 of 100.

## Ways: each try is played in another way

${table([HEAD, ...experimentRows('ways')])}

## Around: a day for each, probed before and after

${table([HEAD, ...experimentRows('around')])}
`;
writePage('experiments', report);
