/** A column that can be added to a table's usual ones. */
interface ColumnOption<Id extends string = string> {
  id: Id;
  name: string;
}

/** Which further columns of a table are shown: what the address says, else what was chosen last in the project. */
export class ChosenColumns<Id extends string> {
  constructor(
    /** Names the table where the choice is kept. */
    private readonly table: string,
    readonly options: readonly ColumnOption<Id>[],
  ) {}

  shown(project: number, inAddress: readonly string[]): Id[] {
    const chosen =
      inAddress.length > 0 ? inAddress : (localStorage.getItem(this.place(project)) ?? '').split(',');
    return chosen.filter((id): id is Id => this.options.some((option) => option.id === id));
  }

  remember(project: number, chosen: readonly string[]): void {
    localStorage.setItem(this.place(project), chosen.join(','));
  }

  private place(project: number): string {
    return `opsimath.${this.table}-columns.${project}`;
  }
}
