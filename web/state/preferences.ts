import { type PayloadAction, createSlice } from '@reduxjs/toolkit';

export type Theme = 'light' | 'dark';
const PLACE = 'opsimath.theme';

function remembered(): Theme {
  const kept = localStorage.getItem(PLACE);
  if (kept === 'light' || kept === 'dark') return kept;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

export const preferences = createSlice({
  name: 'preferences',
  initialState: () => ({ theme: remembered() }),
  reducers: {
    chooseTheme(state, { payload }: PayloadAction<Theme>) {
      state.theme = payload;
      localStorage.setItem(PLACE, payload);
    },
  },
});
export const { chooseTheme } = preferences.actions;
