import type { GapKind } from '../gap/kind';

/** Gap kinds in which a rival stands before us on the front. */
export const OPEN_KINDS = ['absent', 'buried', 'trailing'] as const satisfies readonly GapKind[];
