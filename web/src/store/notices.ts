import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** One sentence at the foot of the page, with an undo where there is one. */
export interface Notice {
  readonly text: string;
  /** how many deletions can be undone, the latest of them this one */
  readonly undos?: number;
  /** offers to go over to a new version */
  readonly update?: boolean;
}

const slice = createSlice({
  name: 'notices',
  initialState: { current: null as Notice | null },
  reducers: {
    noticed: (_, action: PayloadAction<Notice>) => ({ current: action.payload }),
    noticeDismissed: () => ({ current: null }),
  },
});

export const { noticed, noticeDismissed } = slice.actions;
export const noticesReducer = slice.reducer;
