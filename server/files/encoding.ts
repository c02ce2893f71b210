import chardet from 'chardet';
import iconv from 'iconv-lite';
import { KnownProblem } from '../problems/problem';

const MOST_CONTROL = 0.02;

/** The encoding of a text file from its first part: byte order mark, then valid UTF-8, then by frequency. */
export function detectEncoding(head: Buffer): string {
  if (head[0] === 0xff && head[1] === 0xfe) return 'utf-16le';
  if (head[0] === 0xfe && head[1] === 0xff) return 'utf-16be';
  if (isUtf8(head)) return 'utf-8';
  const zeros = head.reduce((count, byte) => count + (byte === 0 ? 1 : 0), 0);
  if (zeros > head.length * 0.3) return head[0] === 0 ? 'utf-16be' : 'utf-16le';
  const guess = chardet.detect(head);
  return guess && iconv.encodingExists(guess) ? guess.toLowerCase() : 'windows-1252';
}

/** Throws when the decoded text is no text at all. */
export function refuseBinary(head: Buffer, encoding: string): void {
  const text = iconv.decode(head, encoding);
  let control = 0;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if ((code < 32 && code !== 9 && code !== 10 && code !== 13) || code === 0xfffd) control++;
  }
  if (control > text.length * MOST_CONTROL) {
    throw new KnownProblem(
      'not-text',
      'This file is not a text table: it holds bytes that no text has.',
      'Export the table as CSV or TSV and choose that file.',
    );
  }
}

function isUtf8(head: Buffer): boolean {
  // The head may end in the middle of a character: up to three bytes are allowed to be cut off.
  for (let cut = 0; cut <= 3 && cut < head.length; cut++) {
    try {
      new TextDecoder('utf-8', { fatal: true }).decode(head.subarray(0, head.length - cut));
      return true;
    } catch {
      continue;
    }
  }
  return false;
}
