import { type PayloadAction, createSlice } from '@reduxjs/toolkit';

export type Theme = 'light' | 'dark';
const PLACE = 'opsimath.theme';
const PERSON = 'opsimath.person';

/** Colours hang on the page itself, so that charts read the right ones at once. */
function apply(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
}

function remembered(): Theme {
  const kept = localStorage.getItem(PLACE);
  if (kept === 'light' || kept === 'dark') return kept;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

export const preferences = createSlice({
  name: 'preferences',
  initialState: () => {
    const theme = remembered();
    apply(theme);
    return { theme, person: localStorage.getItem(PERSON) ?? '' };
  },
  reducers: {
    chooseTheme(state, { payload }: PayloadAction<Theme>) {
      state.theme = payload;
      apply(payload);
      localStorage.setItem(PLACE, payload);
    },
    /** Whose name stands under what is written here. */
    sign(state, { payload }: PayloadAction<string>) {
      state.person = payload;
      localStorage.setItem(PERSON, payload);
    },
  },
});
export const { chooseTheme, sign } = preferences.actions;
