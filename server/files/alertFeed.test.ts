import type { WatchAlert } from '@opsimath/contract/api/watch';
import { Parser } from 'htmlparser2';
import { alertFeed } from './alertFeed';

const alert = (text: string): WatchAlert & { market: string } => ({
  id: 'left the front 1 own 2026-03-14',
  day: '2026-03-14',
  kind: 'left the front',
  text,
  keyword: 1,
  market: 'web-us-en',
});

test('a feed is well formed whatever is in it: script, quotes, signs XML does not know, right-to-left, emoji', () => {
  const nasty = `<script>alert("1")</script> & 'x' ]]> \u0000\u001b שלום 🚲`;
  const xml = alertFeed(
    { id: 1, name: nasty },
    [alert(nasty)],
    'http://a.example/?key=a&b',
    '2026-03-14T00:00:00Z',
  );
  const titles: string[] = [];
  const names: string[] = [];
  let within = '';
  const parser = new Parser(
    {
      onopentag: (name) => {
        names.push(name);
        within = name;
        if (name === 'title') titles.push('');
      },
      ontext: (text) => {
        if (within === 'title') titles[titles.length - 1] += text;
      },
      onclosetag: () => (within = ''),
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(xml);
  expect(names).not.toContain('script');
  expect(titles[1]).toBe(`<script>alert("1")</script> & 'x' ]]>  שלום 🚲`);
  expect(names.filter((name) => name === 'entry')).toHaveLength(1);
});
