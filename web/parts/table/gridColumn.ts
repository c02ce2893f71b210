export interface GridColumn<Row> {
  id: string;
  head: React.ReactNode;
  /** Name of a head that is a picture. */
  name?: string;
  /** Explains the figure, its unit and its source. */
  tip?: string;
  /** Section of the method that defines it. */
  section?: string;
  width: number;
  /** Stays in sight while the rest is moved sideways. */
  pinned?: boolean;
  align?: 'right';
  /** Name of the order it sorts by, if it can. */
  sort?: string;
  cell: (row: Row) => React.ReactNode;
}
