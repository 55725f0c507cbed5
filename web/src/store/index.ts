import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { draftsReducer } from './drafts';
import { noticesReducer } from './notices';
import { settingsReducer } from './settings';
import { practiceReducer } from './practice';

export const store = configureStore({
  reducer: { settings: settingsReducer, practice: practiceReducer, notices: noticesReducer, drafts: draftsReducer },
});

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
