import { dayNumber, isoDay } from '../day';

const REMEMBERED = 5000;

/** Units spent in the running month, against the allowance. */
export class Units {
  private spent: number;
  private month: string;
  /** Requests that have paid already. */
  private readonly paid = new Set<string>();

  constructor(
    readonly allowance: number,
    private readonly today: () => string,
    kept: { month: string; spent: number } = { month: '', spent: 0 },
  ) {
    this.spent = kept.spent;
    this.month = kept.month;
  }

  /** Books units; returns false, booking nothing, when the allowance would be overdrawn. The same request pays once. */
  book(units: number, requestId?: string): boolean {
    this.turnMonth();
    if (requestId !== undefined && this.paid.has(requestId)) return true;
    if (this.spent + units > this.allowance) return false;
    this.spent += units;
    if (requestId !== undefined) {
      this.paid.add(requestId);
      if (this.paid.size > REMEMBERED) this.paid.delete(this.paid.values().next().value!);
    }
    return true;
  }

  state(): { allowance: number; spent: number; renews: string } {
    this.turnMonth();
    const [year, month] = this.month.split('-').map(Number) as [number, number];
    const renews = isoDay(dayNumber(new Date(Date.UTC(year, month, 1)).toISOString().slice(0, 10)));
    return { allowance: this.allowance, spent: this.spent, renews };
  }

  kept(): { month: string; spent: number } {
    return { month: this.month, spent: this.spent };
  }

  private turnMonth(): void {
    const month = this.today().slice(0, 7);
    if (month !== this.month) {
      this.month = month;
      this.spent = 0;
    }
  }
}
