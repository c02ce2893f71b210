/** Names this window among all that are open, so that it does not hear of its own changes. */
export const WINDOW = crypto.randomUUID();
