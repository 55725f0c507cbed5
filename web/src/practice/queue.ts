import { beatSeconds, scoreBeats, type ExerciseParameters } from '@inner-hum/core/exercise';
import { exerciseKey, type Level } from '@inner-hum/core/families';
import { adapted, isEnough, TIRED_REST_S, VERDICT_S, type Outcome, type SessionBlock } from '@inner-hum/core/lesson';
import { nextRung, rungOf, type Rung } from '@inner-hum/core/map';
import type { Decision } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/take';
import { store } from '../store';
import { noticed } from '../store/notices';
import type { RunningSession } from '../db/settings/session';
import { settingsChanged } from '../store/settings';
import { blockMoved, type BlockPlace } from '../store/practice';

/** Exercises that play one after the other: what comes now, and what becomes of the rest after it. */
export interface Queue {
  /** what to play now, and where that is; undefined when all is done */
  now():
    | {
        readonly exercise: ExerciseParameters;
        readonly place: BlockPlace;
        /** it is played whatever was left for today */
        readonly asWritten?: boolean;
      }
    | undefined;
  /** whether what was played before a long silence counts as tried, and the next follows; else the player is waited for */
  readonly goesOnInSilence?: boolean;
  /** moves on after a take; gives the seconds until the next */
  after(outcome: Outcome, played?: TakeRecord): number;
}

/** The player's own block, as it was put together. */
export function blockQueue(): Queue {
  const { block } = store.getState().settings;
  let index = 0;
  return {
    now: () => {
      const exercise = block[index];
      return exercise && { exercise, place: { index, count: block.length, next: block[index + 1] ?? null } };
    },
    after: () => {
      index++;
      return VERDICT_S;
    },
  };
}

/** A climb by ear from the partial that is learnt next: rung after rung, as each is found, until the lip tires. */
export function climbQueue(first: ExerciseParameters, level: Level): Queue {
  const done: Rung[] = [];
  let exercise: ExerciseParameters | undefined = first;
  return {
    now: () => exercise && { exercise, place: { index: done.length, count: null, next: null } },
    goesOnInSilence: true,
    after: ({ decision, tired }, played) => {
      if (!played || decision === 'leave' || tired) {
        exercise = undefined;
        const because = tired ? 'tired' : 'hard';
        if (played) store.dispatch(noticed({ key: `stand.climbEnd.${because}` }));
        return 0;
      }
      done.push(rungOf(played.parameters, played.score, !played.cut));
      const next = nextRung(done, level);
      exercise = next.kind === 'play' ? next.exercise : undefined;
      store.dispatch(blockMoved({ index: done.length - 1, count: null, next: exercise ?? null }));
      if (next.kind === 'end') store.dispatch(noticed({ key: `stand.climbEnd.${next.because}` }));
      return VERDICT_S;
    },
  };
}

/** Today's session: what follows is changed by what was found. Unfinished, it is there when one comes back. */
export function sessionQueue(): Queue {
  const decisions: Decision[] = [];
  return {
    now: () => {
      const { session } = store.getState().settings;
      const [block, following] = session?.blocks ?? [];
      if (!session || !block) return undefined;
      const left = session.blocks.reduce((sum, sessionBlock) => sum + sessionBlock.tries, 0);
      const next = block.tries > 1 ? block.exercise : (following?.exercise ?? null);
      const place = { index: session.done, count: session.done + left, next };
      return { exercise: block.exercise, place, ...(block.asWritten && { asWritten: true }) };
    },
    after: (outcome, played) => {
      const { session } = store.getState().settings;
      const [block] = session?.blocks ?? [];
      if (!session || !block) return 0;
      if (block.asWritten) return afterAsWritten(session, block, played);
      // What the player skips was not tried in vain.
      if (played) decisions.push(outcome.decision);
      const enough = !outcome.tired && isEnough(decisions);
      const tired = outcome.tired || enough;
      const blocks = adapted(session.blocks, { ...outcome, tired, ...lasted(block, played) });
      if (enough) store.dispatch(noticed({ key: blocks.length > 0 ? 'stand.enough.easy' : 'stand.enough.end' }));
      const changes = outcome.decision === 'leave' || Object.keys(outcome.next).length > 0;
      const change =
        outcome.decision === 'again' || !changes
          ? session.change
          : { decision: outcome.decision, of: exerciseKey(block.exercise) };
      store.dispatch(settingsChanged({ session: { ...session, blocks, change, done: session.done + 1 } }));
      const sameBlock = blocks[0]?.reason === block.reason;
      if (tired) return TIRED_REST_S;
      return Math.max(VERDICT_S, sameBlock ? (block.betweenS ?? 0) : block.restS);
    },
  };
}

/** How long a try lasted with its count-in and the rest after it. */
function lasted({ betweenS = VERDICT_S }: SessionBlock, played?: TakeRecord): Pick<Outcome, 'lastsS'> {
  if (!played) return {};
  const { score } = played;
  return { lastsS: (score.countInBeats + scoreBeats(score)) * beatSeconds(score) + betweenS };
}

/** What is played as written goes on as it was set; what the player skips is over. */
function afterAsWritten(session: RunningSession, block: SessionBlock, played?: TakeRecord): number {
  const [, ...others] = session.blocks;
  const blocks = played ? adapted(session.blocks, { decision: 'again', next: {}, ...lasted(block, played) }) : others;
  store.dispatch(settingsChanged({ session: { ...session, blocks, done: session.done + 1 } }));
  return blocks.length > others.length ? (block.betweenS ?? VERDICT_S) : block.restS;
}
