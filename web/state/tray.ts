import { type PayloadAction, createSlice } from '@reduxjs/toolkit';

/** A keyword put aside, and where it was picked, in words: what is made of it says so. */
export interface Trayed {
  id: number;
  text: string;
  from?: string | undefined;
}

/** Keywords put aside, by project; they travel between stages and survive a reload. */
type Trays = Record<string, Trayed[]>;
const PLACE = 'opsimath.tray';

function remembered(): Trays {
  try {
    return JSON.parse(localStorage.getItem(PLACE) ?? '{}') as Trays;
  } catch {
    return {};
  }
}
function keep(trays: Trays): void {
  localStorage.setItem(PLACE, JSON.stringify(trays));
}

export const tray = createSlice({
  name: 'tray',
  initialState: remembered,
  reducers: {
    toggle(state, { payload }: PayloadAction<{ project: number; keyword: Trayed }>) {
      const kept = state[payload.project] ?? [];
      const at = kept.findIndex((keyword) => keyword.id === payload.keyword.id);
      state[payload.project] = at < 0 ? [...kept, payload.keyword] : kept.toSpliced(at, 1);
      keep(state);
    },
    empty(state, { payload }: PayloadAction<number>) {
      state[payload] = [];
      keep(state);
    },
  },
});
export const { toggle, empty } = tray.actions;
