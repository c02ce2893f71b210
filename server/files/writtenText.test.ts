import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import JSZip from 'jszip';
import { readWrittenText } from './writtenText';

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'opsimath-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const read = (content: string | Buffer) => {
  const file = path.join(folder, 'text');
  writeFileSync(file, content);
  return readWrittenText(file);
};
const EXPECTED = {
  title: 'Rear panniers for touring',
  description: 'What to look for in a rear pannier.',
  headings: 'Roll top or flap?\nSizes',
  body: 'A pannier carries a week.\nIt clips to any rack.\nTwenty litres are enough.',
};

test('Markdown, with signs that are no words', async () => {
  expect(
    await read(`# Rear **panniers** for touring

Description: What to look for in a rear pannier.

A pannier carries a [week](https://a.example/week).
- It clips to any \`rack\`.

## Roll top or flap?
Twenty litres are enough.
## Sizes ##
`),
  ).toEqual(EXPECTED);
});

test('HTML, of which nothing is run', async () => {
  expect(
    await read(`<!doctype html><html><head><title>x</title><script>alert(1)</script></head><body>
<h1>Rear panniers for touring</h1><p>Description: What to look for in a rear pannier.</p>
<p>A pannier carries a <b>week</b>.</p><ul><li>It clips to any rack.</li></ul>
<h2>Roll top or flap?</h2><p>Twenty litres are enough.<h3>Sizes</h3><style>p{}</style></body></html>`),
  ).toEqual(EXPECTED);
});

test('a DOCX, and what only begins like one', async () => {
  const paragraph = (text: string, style = ''): string =>
    `<w:p>${style === '' ? '' : `<w:pPr><w:pStyle w:val="${style}"/></w:pPr>`}<w:r><w:t>${text}</w:t></w:r></w:p>`;
  const zip = new JSZip();
  zip.file(
    '[Content_Types].xml',
    '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
  );
  zip.file(
    '_rels/.rels',
    '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>',
  );
  zip.file(
    'word/styles.xml',
    '<?xml version="1.0"?><w:styles xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"/>',
  );
  zip.file(
    'word/document.xml',
    `<?xml version="1.0"?><w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${[
      paragraph('Rear panniers for touring', 'Heading1'),
      paragraph('Description: What to look for in a rear pannier.'),
      paragraph('A pannier carries a week.'),
      paragraph('It clips to any rack.'),
      paragraph('Roll top or flap?', 'Heading2'),
      paragraph('Twenty litres are enough.'),
      paragraph('Sizes', 'Heading2'),
    ].join('')}</w:body></w:document>`,
  );
  expect(await read(await zip.generateAsync({ type: 'nodebuffer' }))).toEqual(EXPECTED);
  await expect(read(Buffer.from('PK no document'))).rejects.toThrow(/could not be read/);
});
