import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseScore, familyById } from '@inner-hum/core/families';
import { type Digest } from '@inner-hum/core/history';
import { PRACTICES, type SessionBlock } from '@inner-hum/core/lesson';
import { zoneOf } from '@inner-hum/core/theory';
import type { ModelledPlayer } from './modelledPlayers';
import type { PlayedSession } from './season';

export type Objections = (player: ModelledPlayer, sessions: readonly PlayedSession[]) => string[];

export const perBlock =
  (objection: (block: SessionBlock, session: PlayedSession, i: number, player: ModelledPlayer) => string | undefined) =>
  (player: ModelledPlayer, sessions: readonly PlayedSession[]): string[] =>
    sessions.flatMap((session) =>
      session.planned.flatMap((block, i) => {
        const said = objection(block, session, i, player);
        return said ? [`day ${session.day}, ${block.exercise.family}: ${said}`] : [];
      }),
    );
export const perSession =
  (
    objection: (
      session: PlayedSession,
      player: ModelledPlayer,
      i: number,
      all: readonly PlayedSession[],
    ) => string | undefined | false,
  ) =>
  (player: ModelledPlayer, sessions: readonly PlayedSession[]): string[] =>
    sessions.flatMap((session, i) => {
      const said = session.planned.length > 0 && objection(session, player, i, sessions);
      return said ? [`day ${session.day}: ${said}`] : [];
    });

export const isCheck = ({ family }: Pick<ExerciseParameters, 'family'>) => family === 'tuneUp' || family === 'survey';
export const stageOf = ({ exercise }: SessionBlock) => familyById(exercise.family).stage;
export const isHigh = (exercise: ExerciseParameters) =>
  exerciseScore(exercise).steps.some((step) => zoneOf(step.soundedMidi) === 'altissimo');
export const isLip = ({ family }: ExerciseParameters) => ['overtones', 'altissimo'].includes(familyById(family).stage);
export const before = ({ plan, dayText }: PlayedSession): readonly Digest[] =>
  plan.recent.filter(({ day }) => day < dayText);
const playedBefore = (session: PlayedSession): ReadonlySet<string> =>
  new Set(before(session).map(({ family }) => family));
/** Families that a player meets for the first time in a session, what is ticked aside. */
export function newIn(session: PlayedSession, player: ModelledPlayer): string[] {
  const known = new Set([
    ...playedBefore(session),
    ...session.plan.recent.map(({ family }) => family),
    ...tickedOf(player),
  ]);
  // What wakes the horn is no family to learn, and a tune is music.
  const learnt = session.planned
    .filter(({ reason }) => reason.kind !== 'warmUp')
    .map(({ exercise }) => exercise.family);
  return [...new Set(learnt)].filter(
    (id) => !known.has(id) && !isCheck({ family: id }) && familyById(id).teaching.planned,
  );
}
const tickedOf = ({ practices }: ModelledPlayer) =>
  practices.flatMap((practice): readonly string[] => PRACTICES[practice]);

export const partials = (sources: PlayedSession['plan']['sources'], partial: number) =>
  [58, 59, 60, 61].filter((tube) => {
    const own = sources.get(`${tube}/${partial}`)?.tries;
    return own !== undefined && own.of >= 6 && own.got >= (8 / 12) * own.of;
  });
