/** Text that means itself in Markdown. */
export const asMarkdown = (text: string): string => text.replace(/[\\`*_[\]<>#|]/g, (sign) => `\\${sign}`);
