import type { DraftChange } from '@opsimath/contract/api/drafts';

/** What is changed of a draft, on whichever revision. */
export type Changed = Omit<DraftChange, 'revision' | 'person'>;
/** What can be said of keeping: kept, on its way, waiting for the server, or refused because somebody else was faster. */
export type Keeping = 'kept' | 'keeping' | 'waiting' | { clash: string };

/** How one change is sent; why it failed, where it did. */
export type Send = (
  change: Changed & { revision: number },
) => Promise<{ revision: number } | { clash: string } | { away: true }>;

/** Typing rests this long before it is sent, and this long after a failure. */
const REST_MS = 500;
const AWAY_MS = 2000;

/**
 * Keeps what is typed: in the browser at once, on the server half a second later, one change after another, each on the
 * revision that the one before it made. What was not sent when the window was closed is sent when it is opened again.
 */
export class DraftKeeper {
  private due: Changed;
  private sending: Promise<void> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private refused = false;

  constructor(
    private readonly send: Send,
    private revision: number,
    private readonly kept: { read: () => string | null; write: (text: string | null) => void },
    private readonly tell: (keeping: Keeping) => void,
  ) {
    this.due = this.unsent();
  }

  /** What was typed on this revision and never sent. */
  unsent(): Changed {
    try {
      const kept = JSON.parse(this.kept.read() ?? 'null') as { revision: number; change: Changed } | null;
      return kept?.revision === this.revision ? kept.change : {};
    } catch {
      return {};
    }
  }

  change(next: Changed): void {
    this.due = { ...this.due, ...next };
    this.note();
    if (!this.refused) this.tell('keeping');
    this.later(REST_MS);
  }

  /** Sends what is due now; resolves when nothing more can be done. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    this.timer = undefined;
    while (this.sending) await this.sending;
    if (this.refused || Object.keys(this.due).length === 0) return;
    this.sending = this.sendDue();
    await this.sending;
  }

  /** Nothing is sent later any more; what is due stays in the browser. */
  rest(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
  }

  private async sendDue(): Promise<void> {
    const change = this.due;
    this.due = {};
    this.tell('keeping');
    const answer = await this.send({ ...change, revision: this.revision });
    this.sending = null;
    if ('revision' in answer) {
      this.revision = answer.revision;
      const isAll = Object.keys(this.due).length === 0;
      if (isAll) this.kept.write(null);
      else this.note();
      this.tell(isAll ? 'kept' : 'keeping');
      return;
    }
    // What was not kept is not lost: it goes with the next.
    this.due = { ...change, ...this.due };
    this.note();
    if ('clash' in answer) {
      this.refused = true;
      this.tell({ clash: answer.clash });
    } else {
      this.tell('waiting');
      this.later(AWAY_MS);
    }
  }

  private later(ms: number): void {
    if (this.refused) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), ms);
  }

  private note(): void {
    this.kept.write(JSON.stringify({ revision: this.revision, change: this.due }));
  }
}
