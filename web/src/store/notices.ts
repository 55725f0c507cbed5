import type { ParseKeys } from 'i18next';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** A sentence of the catalogue, with what fills it. */
export interface Said {
  readonly key: ParseKeys;
  readonly values?: Readonly<Record<string, string | number>>;
}

/** One sentence at the foot of the page, with an undo where there is one. */
interface Notice extends Said {
  /** how many deletions can be undone, the latest of them this one */
  readonly undos?: number;
  /** offers to go over to a new version */
  readonly update?: boolean;
}

interface NoticesState {
  readonly current: Notice | null;
  /** those that a newer one stands before; each comes back when that is closed */
  readonly earlier: readonly Notice[];
  /** whether the demo data that was asked for is on its way */
  readonly demoComes: boolean;
  /** whether anything was ever played here, as it was when the page came up; undefined until that is known */
  readonly playedBefore: boolean | undefined;
}

const initialState: NoticesState = { current: null, earlier: [], demoComes: false, playedBefore: undefined };

const slice = createSlice({
  name: 'notices',
  initialState,
  reducers: {
    noticed: (state, { payload }: PayloadAction<Notice>) => {
      const { current, earlier } = state;
      // The same again, or the next undo, takes the place of the one before.
      const replaced = (notice: Notice) =>
        isSame(notice, payload) || (notice.undos !== undefined && payload.undos !== undefined);
      const before = [...earlier, ...(current ? [current] : [])].filter((notice) => !replaced(notice));
      return { ...state, current: payload, earlier: before };
    },
    noticeDismissed: (state) => {
      const { earlier } = state;
      return { ...state, current: earlier.at(-1) ?? null, earlier: earlier.slice(0, -1) };
    },
    demoComes: (state, { payload }: PayloadAction<boolean>) => ({ ...state, demoComes: payload }),
    playedBeforeKnown: (state, { payload }: PayloadAction<boolean | undefined>) => ({
      ...state,
      playedBefore: payload,
    }),
  },
});

const isSame = (a: Said, b: Said) => a.key === b.key && JSON.stringify(a.values) === JSON.stringify(b.values);

export const { noticed, noticeDismissed, demoComes, playedBeforeKnown } = slice.actions;
export const noticesReducer = slice.reducer;
