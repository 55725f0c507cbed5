import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** A take of which only a draft is here, and why it is not among the takes. */
export interface UnkeptTake {
  readonly takeId: string;
  /** ISO 8601; '' when even that can't be read */
  readonly startedAt: string;
  readonly seconds: number;
  readonly why: 'stopped' | 'failed' | 'noRoom';
  readonly detail: string;
}

interface DraftsState {
  readonly unkept: readonly UnkeptTake[];
  /** how far the recovery of a draft is, 0–1; null when none runs */
  readonly progress: number | null;
}

const initialState: DraftsState = { unkept: [], progress: null };

const slice = createSlice({
  name: 'drafts',
  initialState,
  reducers: {
    leftUnkept: (state, { payload }: PayloadAction<UnkeptTake>) => ({
      ...state,
      unkept: [...state.unkept.filter((draft) => draft.takeId !== payload.takeId), payload],
    }),
    draftSettled: (state, { payload }: PayloadAction<string>) => ({
      ...state,
      unkept: state.unkept.filter((draft) => draft.takeId !== payload),
    }),
    recoveryAt: (state, { payload }: PayloadAction<number | null>) => ({ ...state, progress: payload }),
  },
});

export const { leftUnkept, draftSettled, recoveryAt } = slice.actions;
export const draftsReducer = slice.reducer;
