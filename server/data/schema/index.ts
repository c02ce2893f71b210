/** Things and decisions are rows; bulk facts are columns packed into segments (docs/architecture.md). */
export * from './projects';
export * from './segments';
export * from './work';
export * from './world';
export * from './notes';
export * from './sift';
export * from './paid';
export * from './rounds';
export * from './drafts';
export * from './watch';
export * from './feeds';
export * from './reports';
export * from './grounds';
