/** No question has this number: the analysis thread says with it that it is there. */
export const LOADED = 0;
