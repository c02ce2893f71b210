import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { hearClashes } from './clashes';
import { jobs } from './jobsHeard';
import { preferences } from './preferences';
import { tray } from './tray';

export const store = configureStore({
  reducer: {
    [api.reducerPath]: api.reducer,
    tray: tray.reducer,
    preferences: preferences.reducer,
    jobs: jobs.reducer,
  },
  middleware: (defaults) => defaults().concat(api.middleware, hearClashes),
});
setupListeners(store.dispatch);

export type State = ReturnType<typeof store.getState>;
export type AppDispatch = typeof store.dispatch;
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<State>();
