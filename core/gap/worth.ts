/** Where the worth of a click came from (method §7); stored in columns as the index here. */
export const WORTH_SOURCES = ['CPC', 'project default'] as const;
export type WorthSource = (typeof WORTH_SOURCES)[number];

export interface Worth {
  /** In the project's currency, a click. */
  value: number;
  source: WorthSource;
}

const SHARE_OF_CPC = 0.7;

/** Middle of a CPC range; `null` unless both ends are known. */
export function middleCpc(low: number | null, high: number | null): number | null {
  return low === null || high === null ? null : (low + high) / 2;
}

/**
 * Worth of a click (method §7): middle of the CPC range · 0.7, else the project's default.
 * @param cpc middle of the range, in the project's currency, or `null`
 */
export function worthOfClick(cpc: number | null, projectDefault: number): Worth {
  return cpc === null
    ? { value: projectDefault, source: 'project default' }
    : { value: cpc * SHARE_OF_CPC, source: 'CPC' };
}
