/**
 * Rows as the driver gives them, under the names that the statement gives its columns. The one place where what SQL says is
 * taken at its word: who writes the statement says the type.
 */
export function rawRows<Row>(answer: { rows: readonly unknown[] }): Row[] {
  return answer.rows as Row[];
}
