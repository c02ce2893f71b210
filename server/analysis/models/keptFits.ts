import { createHash } from 'node:crypto';
import { mkdir, readFile, readdir, rename, rm, stat, utimes, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { deserialize, serialize } from 'node:v8';

/** Fits that are kept; those not used for the longest go first. */
const MOST_FITS = 60;
/** What is made again sooner is not kept. */
const QUICK_MS = 200;

/** What was fitted stands in files of its own, each under a name that says all it was made of: it outlives a restart. */
export class KeptFits {
  private readonly programs = new Map<string, Promise<string>>();

  /** @param folder made when it is first needed; losing it costs time only */
  constructor(private readonly folder: string) {}

  /**
   * A fit from its file, else made and kept.
   * @param program file of the code that makes it: other code makes it anew
   * @param given everything that it is made of
   */
  async get<T>(program: string, given: unknown, make: () => Promise<T>): Promise<T> {
    const name = createHash('sha256')
      .update(await this.nameOf(program))
      .update(serialize(given))
      .digest('base64url');
    const file = path.join(this.folder, name);
    const held = await this.read(file);
    if (held !== undefined) return held as T;
    const begun = performance.now();
    const made = await make();
    if (performance.now() - begun >= QUICK_MS) await this.write(file, made);
    return made;
  }

  private nameOf(program: string): Promise<string> {
    let name = this.programs.get(program);
    if (name === undefined) {
      name = readFile(program).then((code) => createHash('sha256').update(code).digest('base64url'));
      this.programs.set(program, name);
    }
    return name;
  }

  /** What a file holds; `undefined` without one, and of a damaged one. */
  private async read(file: string): Promise<unknown> {
    try {
      const { fit } = deserialize(await readFile(file)) as { fit: unknown };
      const now = new Date();
      await utimes(file, now, now).catch(() => undefined);
      return fit;
    } catch {
      return undefined;
    }
  }

  /** A disk that takes nothing keeps nobody waiting: the fit is made again the next time. */
  private async write(file: string, fit: unknown): Promise<void> {
    const begun = `${file}.${process.pid}`;
    try {
      await mkdir(this.folder, { recursive: true });
      await writeFile(begun, serialize({ fit }));
      await rename(begun, file);
      await this.removeOldest();
    } catch {
      await rm(begun, { force: true }).catch(() => undefined);
    }
  }

  private async removeOldest(): Promise<void> {
    const files = (await readdir(this.folder)).map((name) => path.join(this.folder, name));
    if (files.length <= MOST_FITS) return;
    const used = await Promise.all(files.map(async (file) => ({ file, at: (await stat(file)).mtimeMs })));
    used.sort((one, other) => other.at - one.at);
    await Promise.all(used.slice(MOST_FITS).map(({ file }) => rm(file, { force: true })));
  }
}
