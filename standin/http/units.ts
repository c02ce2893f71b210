import { dayNumber, isoDay } from '../day';

/** Units spent in the running month, against the allowance. */
export class Units {
  private spent = 0;
  private month = '';

  constructor(
    readonly allowance: number,
    private readonly today: () => string,
  ) {}

  /** Books units; returns false, booking nothing, when the allowance would be overdrawn. */
  book(units: number): boolean {
    this.turnMonth();
    if (this.spent + units > this.allowance) return false;
    this.spent += units;
    return true;
  }

  state(): { allowance: number; spent: number; renews: string } {
    this.turnMonth();
    const [year, month] = this.month.split('-').map(Number) as [number, number];
    const renews = isoDay(dayNumber(new Date(Date.UTC(year, month, 1)).toISOString().slice(0, 10)));
    return { allowance: this.allowance, spent: this.spent, renews };
  }

  private turnMonth(): void {
    const month = this.today().slice(0, 7);
    if (month !== this.month) {
      this.month = month;
      this.spent = 0;
    }
  }
}
