/** Moves the focus between the cards of the board: up and down in a column, left and right to the next one that holds any. */
export function moveFocus(event: React.KeyboardEvent): void {
  const card = event.currentTarget as HTMLElement;
  const column = card.closest<HTMLElement>('[data-column]');
  if (!column || event.altKey) return;
  const cardsOf = (of: HTMLElement): HTMLElement[] => [...of.querySelectorAll<HTMLElement>('[data-card]')];
  const cards = cardsOf(column);
  const at = cards.indexOf(card);
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault();
    cards[at + (event.key === 'ArrowDown' ? 1 : -1)]?.focus();
  } else if (event.key === 'ArrowRight' || event.key === 'ArrowLeft') {
    event.preventDefault();
    const columns = [...document.querySelectorAll<HTMLElement>('[data-column]')].filter(
      (one) => one === column || cardsOf(one).length > 0,
    );
    const next = columns[columns.indexOf(column) + (event.key === 'ArrowRight' ? 1 : -1)];
    if (!next) return;
    const nextCards = cardsOf(next);
    nextCards[Math.min(at, nextCards.length - 1)]?.focus();
  }
}
