import type { ProblemId } from '../input/audioInput';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ExerciseParameters } from '@inner-hum/core/exercise';
import { ownExerciseKey } from '@inner-hum/core/families';
import type { Decision } from '@inner-hum/core/judge';
import type { TakeRecord } from '@inner-hum/core/take';

export type StandPhase = 'idle' | 'opening' | 'countIn' | 'waiting' | 'running' | 'judging' | 'verdict' | 'free';

interface StandState {
  readonly phase: StandPhase;
  readonly problem: ProblemId | null;
  /** the take whose verdict is shown */
  readonly last: TakeRecord | null;
  /** decisions of this sitting on the present note, latest last */
  readonly decisions: readonly Decision[];
  /** what the decisions are about: they begin anew with another note or shape */
  readonly decisionsAbout: string;
  /** where a block stands that plays by itself */
  readonly block: BlockPlace | null;
  /** whether a long silence has halted what plays by itself */
  readonly paused: boolean;
  /** whether the next take follows by itself in a moment */
  readonly goingOn: boolean;
  /** the exercise that a home check interrupted */
  readonly away: ExerciseParameters | null;
}

/** Where a block or a session stands, and what comes after. */
export interface BlockPlace {
  readonly index: number;
  readonly count: number;
  readonly next: ExerciseParameters | null;
}

const initialState: StandState = {
  phase: 'idle',
  problem: null,
  last: null,
  decisions: [],
  decisionsAbout: '',
  block: null,
  paused: false,
  goingOn: false,
  away: null,
};

const slice = createSlice({
  name: 'stand',
  initialState,
  reducers: {
    phaseChanged: (state, action: PayloadAction<StandPhase>) => ({ ...state, phase: action.payload }),
    problemMet: (state, action: PayloadAction<ProblemId | null>) => ({ ...state, problem: action.payload }),
    goingOn: (state, { payload }: PayloadAction<boolean>) => ({ ...state, goingOn: payload }),
    pausedFor: (state, { payload }: PayloadAction<boolean>) => ({ ...state, paused: payload }),
    awayFrom: (state, { payload }: PayloadAction<ExerciseParameters | null>) => ({ ...state, away: payload }),
    blockMoved: (state, { payload }: PayloadAction<BlockPlace | null>) => ({ ...state, block: payload }),
    takeJudged: (state, { payload }: PayloadAction<TakeRecord>): StandState => {
      const about = ownExerciseKey(payload.parameters);
      const before = about === state.decisionsAbout ? state.decisions : [];
      return {
        ...state,
        phase: 'verdict',
        last: payload,
        decisions: [...before, payload.verdict.decision],
        decisionsAbout: about,
      };
    },
  },
});

export const { phaseChanged, problemMet, takeJudged, blockMoved, awayFrom, goingOn, pausedFor } = slice.actions;
export const standReducer = slice.reducer;

/** What a verdict proposes: the exercise that was played with what is to change. */
export function nextExercise({ parameters, verdict }: TakeRecord): ExerciseParameters {
  return { ...parameters, ...verdict.next.parameters };
}
