// Reads a PDF with another library than the one that wrote it: the words of every page, where they stand, and its links.
import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

const file = process.argv[2];
const document = await getDocument({
  data: new Uint8Array(readFileSync(file)),
  useSystemFonts: false,
  disableFontFace: true,
  verbosity: 0,
}).promise;
const pages = [];
for (let n = 1; n <= document.numPages; n++) {
  const page = await document.getPage(n);
  const { items } = await page.getTextContent();
  const links = await page.getAnnotations();
  pages.push({
    text: items.map(({ str }) => str).join(' '),
    lowest: Math.min(...items.filter(({ str }) => str.trim() !== '').map(({ transform }) => transform[5])),
    widest: Math.max(
      ...items.filter(({ str }) => str.trim() !== '').map(({ transform, width }) => transform[4] + width),
    ),
    links: links.filter(({ subtype }) => subtype === 'Link').length,
    broken: await brokenLinks(links),
  });
}
process.stdout.write(JSON.stringify({ pages, title: (await document.getMetadata()).info.Title }));

/** Links within the document that lead nowhere. */
async function brokenLinks(links) {
  const names = links.flatMap(({ dest }) => (typeof dest === 'string' ? [dest] : []));
  const found = await Promise.all(names.map((name) => document.getDestination(name)));
  return names.filter((_, n) => found[n] === null);
}
