import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { GLOSSARY } from '@opsimath/core/glossary';
import { GAP_FIGURES } from '@opsimath/contract/figures/gapFigures';
import { methodPages, withSectionLinks } from './methodPages';

const markdown = readFileSync(join(__dirname, '../../../docs/method.md'), 'utf8');
const pages = methodPages(markdown);
const sections = pages.map(({ section }) => section);

test('every section of the method is a page with a number of its own, and says something', () => {
  expect(pages[0]!.title).toBe('Opsimath: the method');
  expect(pages.length).toBe((markdown.match(/^## /gm) ?? []).length + 1);
  expect(new Set(sections).size).toBe(sections.length);
  for (const { title, text } of pages) expect([title, text.trim().length > 80]).toEqual([title, true]);
});

test('whatever is named as a section is there', () => {
  const named = [...markdown.matchAll(/§(\d+a?)/g)].map(([, section]) => section!);
  expect(named.filter((section) => !sections.includes(section))).toEqual([]);
  expect(GLOSSARY.flatMap(({ section }) => section ?? []).filter((one) => !sections.includes(one))).toEqual(
    [],
  );
  const figures = Object.values(GAP_FIGURES).map(({ section }) => section.replace('§', ''));
  expect(figures.filter((section) => !sections.includes(section))).toEqual([]);
});

test('a line is a paragraph, a table stays one', () => {
  const [, page] = methodPages(
    '# T\n## 1 A\nfirst\nsecond\n| a | b |\n|---|---|\n| 1 | 2 |\n- x\n- y\nafter',
  );
  expect(page!.text).toBe('first\n\nsecond\n| a | b |\n|---|---|\n| 1 | 2 |\n- x\n- y\n\nafter');
});

test('a section named in a text leads to its page', () => {
  expect(withSectionLinks('see §6a, §5', (section) => `/m/${section}`)).toBe(
    'see <a href="/m/6a">§6a</a>, <a href="/m/5">§5</a>',
  );
});
