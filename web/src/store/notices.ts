import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** One sentence at the foot of the page, with an undo where there is one. */
export interface Notice {
  readonly text: string;
  /** how many deletions can be undone, the latest of them this one */
  readonly undos?: number;
  /** offers to go over to a new version */
  readonly update?: boolean;
}

interface NoticesState {
  readonly current: Notice | null;
  /** those that a newer one stands before; each comes back when that is closed */
  readonly earlier: readonly Notice[];
}

const initialState: NoticesState = { current: null, earlier: [] };

const slice = createSlice({
  name: 'notices',
  initialState,
  reducers: {
    noticed: ({ current, earlier }, { payload }: PayloadAction<Notice>) => {
      // The same again, or the next undo, takes the place of the one before.
      const replaced = ({ text, undos }: Notice) =>
        text === payload.text || (undos !== undefined && payload.undos !== undefined);
      const before = [...earlier, ...(current ? [current] : [])].filter((notice) => !replaced(notice));
      return { current: payload, earlier: before };
    },
    noticeDismissed: ({ earlier }) => ({ current: earlier.at(-1) ?? null, earlier: earlier.slice(0, -1) }),
  },
});

export const { noticed, noticeDismissed } = slice.actions;
export const noticesReducer = slice.reducer;
