import type { Position } from '@opsimath/contract/api/position';
import fc from 'fast-check';
import { renderToStaticMarkup } from 'react-dom/server';
import { Lane, type LaneProps, type LaneSide } from './Lane';
import { laneScale } from '@opsimath/core/lane/laneScale';

const WIDTH = 300;
const scale = laneScale(WIDTH);
const rival = (letter: string, organic: Position, paid: Position = 'absent'): LaneSide => ({
  name: `Rival ${letter}`,
  letter,
  hue: letter.charCodeAt(0) % 4,
  organic,
  paid,
});
const drawn = (own: Partial<LaneProps['own']>, rivals: LaneSide[] = []): string =>
  renderToStaticMarkup(
    <Lane
      width={WIDTH}
      front={10}
      own={{ name: 'Tarnwick', organic: 14, before: null, paid: 'absent', ...own }}
      rivals={rivals}
    />,
  );
const count = (html: string, what: RegExp): number => (html.match(what) ?? []).length;

test('our position is a disc, unknown is asked and has none, absent lies in its bay', () => {
  expect(drawn({ organic: 14 })).toContain(`<circle class="disc" cx="${scale.at(14)}"`);
  expect(drawn({ organic: 'absent' })).toContain(`<circle class="disc" cx="${scale.at('absent')}"`);
  const unknown = drawn({ organic: 'unknown' });
  expect(unknown).not.toContain('class="disc"');
  expect(unknown).toContain('class="asked"');
});

test('a ring stands where we were, joined by a line; nowhere when that is unknown, not compared or the same', () => {
  const moved = drawn({ organic: 14, before: 30 });
  expect(moved).toContain(`<circle class="ring" cx="${scale.at(30)}"`);
  expect(moved).toContain(`<line class="moved" x1="${scale.at(30)}" x2="${scale.at(14)}"`);
  for (const before of [null, 'unknown', 14] as const)
    expect(drawn({ organic: 14, before })).not.toContain('class="ring"');
  expect(drawn({ organic: 14, before: 'absent' })).toContain(`cx="${scale.at('absent')}"`);
});

test('paid positions are diamonds, ours and theirs; nobody pays, none is drawn', () => {
  expect(count(drawn({ paid: 2 }, [rival('A', 3, 1), rival('B', 5)]), /class="paid/g)).toBe(2);
  expect(count(drawn({}, [rival('A', 3)]), /class="paid/g)).toBe(0);
});

test('rivals that rank have a tab each with their letter; absent and unknown ones have none', () => {
  const html = drawn({}, [rival('A', 3), rival('B', 'absent'), rival('C', 'unknown'), rival('D', 90)]);
  expect(count(html, /<g class="rival/g)).toBe(2);
  expect(html).toContain('>A</text>');
  expect(html).toContain('>D</text>');
});

test('it reads aloud what it shows', () => {
  const html = drawn({ organic: 4, before: 9, paid: 1 }, [rival('A', 'absent', 2), rival('B', 'unknown')]);
  expect(html).toContain('role="img"');
  expect(html).toContain(
    'aria-label="Organic: Tarnwick 4, was 9; Rival A absent; Rival B unknown. Paid: Tarnwick 1; Rival A 2."',
  );
});

test('whatever the positions, tabs never cover each other and keep the order of the positions', () => {
  const places = fc.array(fc.integer({ min: 1, max: 100 }), { minLength: 1, maxLength: 8 });
  fc.assert(
    fc.property(places, (positions) => {
      const letters = positions.map((position, n) => rival(String.fromCharCode(65 + n), position));
      const html = drawn({}, letters);
      const tabs = [
        ...html.matchAll(/<rect x="([\d.]+)" y="[\d.-]+" width="11" height="11"><\/rect><text[^>]*>(\w)</g),
      ]
        .map(([, x, letter]) => ({ x: Number(x), position: positions[letter!.charCodeAt(0) - 65]! }))
        .sort((a, b) => a.x - b.x);
      expect(tabs).toHaveLength(positions.length);
      tabs.slice(1).forEach((tab, n) => expect(tab.position).toBeGreaterThanOrEqual(tabs[n]!.position));
      // Where there is room to the right they stand clear of each other.
      tabs.slice(1).forEach((tab, n) => {
        if (tab.x < scale.track.to) expect(tab.x - tabs[n]!.x).toBeGreaterThanOrEqual(11);
      });
    }),
  );
});
