import { advertise } from './advertise';
import type { Alternative } from './alternative';
import { retitle } from './retitle';
import { strengthen } from './strengthen';
import { trimBid } from './trimBid';
import { write } from './write';

/** All that can be done for a keyword. Of two with the same priority the earlier is suggested. */
export const ALTERNATIVES: readonly Alternative[] = [trimBid, retitle, strengthen, write, advertise];
