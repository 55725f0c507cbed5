import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { isFree, ownExerciseKey } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/take';
import type { ProblemId } from '../input/audioInput';

/** Nothing runs in 'idle' and 'verdict'; 'free' listens without a score; in the others a take is on its way. */
export type Phase = 'idle' | 'opening' | 'countIn' | 'waiting' | 'running' | 'judging' | 'verdict' | 'free';

/** Why what runs comes to its end. */
export type Ending = 'score' | 'stopped' | 'silence' | 'left' | 'trouble';

/** Between two takes: the next follows by itself, or, after a long silence, when the player says so. */
export interface Pause {
  readonly before: 'next' | 'player';
  readonly answer: 'goOn' | 'end' | null;
}

/** Where a block or a session stands, and what comes after. */
export interface BlockPlace {
  readonly index: number;
  /** null where nobody knows how many there will be */
  readonly count: number | null;
  readonly next: ExerciseParameters | null;
}

export interface PracticeState {
  readonly phase: Phase;
  /** which take or free play since the page was opened runs, or ran last */
  readonly run: number;
  /** whether what runs, or ran last, is free play */
  readonly freely: boolean;
  /** null while what runs goes on; it stays until something else begins */
  readonly ending: Ending | null;
  /** whether the player does not want to wait any longer for what may never come */
  readonly givenUp: boolean;
  readonly problem: ProblemId | null;
  /** whether the ear's worker died under what runs */
  readonly earDied: boolean;
  /** whether a microphone is open */
  readonly microphoneOpen: boolean;
  readonly pause: Pause | null;
  /** where a block stands that plays by itself */
  readonly block: BlockPlace | null;
  /** the take whose verdict is shown */
  readonly last: TakeRecord | null;
  /** decisions of this sitting on the present note, latest last */
  readonly decisions: readonly Decision[];
  /** what the decisions are about: they begin anew with another note or shape */
  readonly decisionsAbout: string;
  /** the exercise that a home check interrupted */
  readonly away: ExerciseParameters | null;
}

const initialState: PracticeState = {
  phase: 'idle',
  run: 0,
  freely: false,
  ending: null,
  givenUp: false,
  problem: null,
  earDied: false,
  microphoneOpen: false,
  pause: null,
  block: null,
  last: null,
  decisions: [],
  decisionsAbout: '',
  away: null,
};

/** Whether a take or free play is on its way. */
export const isBusy = ({ phase }: Pick<PracticeState, 'phase'>) => phase !== 'idle' && phase !== 'verdict';

/** Whether nothing runs on the Stand that leaving the page would cut off. */
export const isIdle = (state: Pick<PracticeState, 'phase' | 'block'>) => !isBusy(state) && state.block === null;

/** Whether a pause between two takes waits for its end. */
export const isPausing = ({ pause }: Pick<PracticeState, 'pause'>) => pause !== null && pause.answer === null;

/** From which phases each may be come to. What arrives late, after its take has ended, changes nothing. */
const FROM = {
  countIn: ['opening'],
  // With one's own first tone there is nothing to count in.
  waiting: ['opening'],
  running: ['countIn', 'waiting'],
  judging: ['running', 'countIn', 'waiting', 'free'],
  free: ['opening'],
} as const satisfies Partial<Record<Phase, readonly Phase[]>>;

const answered = (state: PracticeState, answer: Pause['answer']): PracticeState =>
  state.pause && state.pause.answer === null ? { ...state, pause: { ...state.pause, answer } } : state;

const slice = createSlice({
  name: 'practice',
  initialState,
  reducers: {
    /** A take is asked for; not while one runs, nor while a pause has not been answered. */
    takeAsked: (state) => (isBusy(state) || isPausing(state) ? state : opened(state, false)),
    /** Free play is asked for; what would have followed by itself does not. */
    freePlayAsked: (state) => (isBusy(state) ? state : opened(answered(state, 'end'), true)),
    moved: (state, { payload: to }: PayloadAction<keyof typeof FROM>): PracticeState =>
      (FROM[to] as readonly Phase[]).includes(state.phase) ? { ...state, phase: to } : state,
    /** What runs has ended by itself: only the first reason counts. */
    ended: (state, { payload }: PayloadAction<'score' | 'silence'>): PracticeState =>
      isBusy(state) ? { ...state, ending: state.ending ?? payload } : state,
    /** The player stops: what runs ends and nothing follows; what may never come is not waited for. */
    stopAsked: (state): PracticeState => {
      if (!isBusy(state)) return answered(state, 'end');
      const givenUp = state.givenUp || state.phase === 'opening' || state.phase === 'judging';
      return { ...state, ending: 'stopped', givenUp };
    },
    /** The Stand is left: what runs ends and nothing follows, but a take that has been played is judged and kept. */
    standLeft: (state): PracticeState => {
      if (!isBusy(state)) return answered(state, 'end');
      return { ...state, ending: 'stopped', givenUp: state.givenUp || state.phase === 'opening' };
    },
    /** The player leaves the present exercise for today: what runs ends, a block goes on with its next. */
    leaveAsked: (state): PracticeState => {
      if (isBusy(state)) return { ...state, ending: 'left' };
      return answered(state, state.block ? 'goOn' : 'end');
    },
    goOnAsked: (state) => answered(state, 'goOn'),
    /** Something is wrong with the sound while it is needed. */
    troubleMet: (state, { payload: problem }: PayloadAction<ProblemId>): PracticeState => {
      if (!isBusy(state)) return state;
      const earDied = state.earDied || problem === 'earDead';
      const givenUp = state.givenUp || (earDied && state.phase === 'judging');
      return { ...state, problem, earDied, ending: state.ending ?? 'trouble', givenUp };
    },
    /** What is wrong with the sound, or that it is put right. */
    problemMet: (state, { payload: problem }: PayloadAction<ProblemId | null>): PracticeState => ({
      ...state,
      problem,
    }),
    microphoneIs: (state, { payload: microphoneOpen }: PayloadAction<boolean>): PracticeState => ({
      ...state,
      microphoneOpen,
    }),
    /** What ran is over without a verdict, with what was wrong if the player can do something about it. */
    cameToNothing: (state, { payload }: PayloadAction<ProblemId | null>): PracticeState => ({
      ...state,
      phase: 'idle',
      problem: payload ?? state.problem,
    }),
    judged: (state, { payload: last }: PayloadAction<TakeRecord>): PracticeState => {
      // What was played freely is no try at anything.
      if (isFree(last.parameters)) return { ...state, phase: 'verdict', last };
      const about = ownExerciseKey(last.parameters);
      const before = about === state.decisionsAbout ? state.decisions : [];
      const decisions = [...before, last.verdict.decision];
      return { ...state, phase: 'verdict', last, decisions, decisionsAbout: about };
    },
    /** The verdict is put away for another exercise. */
    verdictLeft: (state): PracticeState => (state.phase === 'verdict' ? { ...state, phase: 'idle' } : state),
    pauseBegan: (state, { payload: before }: PayloadAction<Pause['before']>): PracticeState =>
      isBusy(state) ? state : { ...state, pause: { before, answer: null } },
    pauseEnded: (state): PracticeState => ({ ...state, pause: null }),
    blockMoved: (state, { payload: block }: PayloadAction<BlockPlace | null>): PracticeState => ({ ...state, block }),
    awayFrom: (state, { payload: away }: PayloadAction<ExerciseParameters | null>): PracticeState => ({
      ...state,
      away,
    }),
  },
});

function opened(state: PracticeState, freely: boolean): PracticeState {
  return {
    ...state,
    phase: 'opening',
    run: state.run + 1,
    freely,
    ending: null,
    givenUp: false,
    problem: null,
    earDied: false,
  };
}

export const {
  takeAsked,
  freePlayAsked,
  moved,
  ended,
  stopAsked,
  standLeft,
  leaveAsked,
  goOnAsked,
  troubleMet,
  problemMet,
  microphoneIs,
  cameToNothing,
  judged,
  verdictLeft,
  pauseBegan,
  pauseEnded,
  blockMoved,
  awayFrom,
} = slice.actions;
export const practiceReducer = slice.reducer;

/** What a verdict proposes: the exercise that was played with what is to change. */
export function nextExercise({ parameters, verdict }: TakeRecord): ExerciseParameters {
  return { ...parameters, ...verdict.next.parameters };
}
