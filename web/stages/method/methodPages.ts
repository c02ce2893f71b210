/** One page of the method: a section of docs/method.md. */
export interface MethodPage {
  /** `6a`; empty for what stands before the first section. */
  section: string;
  title: string;
  /** What it says, in Markdown without its heading. */
  text: string;
}

/** The method in pages, in its order; each section of the file is one. */
export function methodPages(markdown: string): MethodPage[] {
  const [opening = '', ...sections] = markdown.split(/^## /m);
  const [first = '', ...rest] = opening.split('\n');
  return [
    { section: '', title: first.replace(/^# /, ''), text: paragraphs(rest) },
    ...sections.map((text) => {
      const [heading = '', ...lines] = text.split('\n');
      const [, section = '', title = ''] = /^(\d+a?) (.*)$/.exec(heading) ?? [];
      return { section, title, text: paragraphs(lines) };
    }),
  ];
}

/** A line of the file is a paragraph of its own; lines of a table or a list stay together. */
function paragraphs(lines: readonly string[]): string {
  const isPlain = (line: string | undefined): boolean =>
    line !== undefined && !/^(\||[-*] |\d+\. |#|\s|$)/.test(line);
  return lines.map((line, n) => (line !== '' && isPlain(lines[n + 1]) ? `${line}\n` : line)).join('\n');
}

/** Where sections are named in a text, as links to their pages; `§3 to §5` names two. */
export function withSectionLinks(html: string, addressOf: (section: string) => string): string {
  return html.replace(
    /§(\d+a?)/g,
    (named: string, section: string) => `<a href="${addressOf(section)}">${named}</a>`,
  );
}
