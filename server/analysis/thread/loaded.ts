/** No question has this number: the analysis thread says with it that it is there. */
export const LOADED = 0;
/** Asks the thread to close its connection and end. */
export const CLOSE = 'close the thread';
