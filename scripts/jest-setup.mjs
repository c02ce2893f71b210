import { bundle } from './bundle.mjs';

/** Server tests talk to the real programs over HTTP, so these are built first. */
export default async function setUp() {
  await bundle('server', 'standin');
}
