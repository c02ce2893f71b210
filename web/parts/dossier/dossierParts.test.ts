import type { ShownPage } from '@opsimath/contract/api/dossier';
import { changesOfPage } from './changesOfPage';

type Slot = ShownPage['slots'][number];
const slot = (kind: Slot['kind'], position: number, address: string, title = 'as ever'): Slot => ({
  slot: position,
  kind,
  position,
  side: 'other',
  letter: null,
  owner: `owner of ${address}`,
  what: 'page',
  address,
  title,
  description: null,
  authority: null,
  phraseInTitle: null,
  age: null,
  figures: {},
});
const page = (...slots: Slot[]): ShownPage => ({
  date: '2026-03-14',
  source: '',
  depth: 100,
  results: null,
  slots,
});
const told = (before: ShownPage, now: ShownPage): string[] =>
  changesOfPage(before, now).map(({ address, what }) => `${address}: ${what}`);

test('who came, went, moved, writes another title, and buys', () => {
  const before = page(
    slot('paid', 1, 'p.example'),
    slot('organic', 1, 'a.example'),
    slot('organic', 2, 'b.example'),
    slot('organic', 3, 'c.example', 'old words'),
    slot('organic', 40, 'far.example'),
  );
  const now = page(
    slot('organic', 1, 'b.example'),
    slot('organic', 2, 'n.example'),
    slot('organic', 3, 'c.example', 'new words'),
    slot('organic', 60, 'far.example'),
    slot('paid', 1, 'q.example'),
  );
  expect(told(before, now)).toEqual([
    'b.example: 2 → 1',
    'n.example: new at 2',
    'c.example: another title: “old words” → “new words”',
    'a.example: gone, was at 1',
    'p.example: no longer buys slot 1',
    'q.example: buys slot 1 now',
  ]);
});

test('a page against itself differs in nothing', () => {
  const same = page(slot('organic', 1, 'a.example'), slot('paid', 1, 'a.example'));
  expect(told(same, same)).toEqual([]);
});
