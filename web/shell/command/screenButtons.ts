/** Something on the screen that can be pressed, by the name that it has for everybody. */
export interface ScreenButton {
  name: string;
  press: () => void;
}

const PRESSED =
  '#stage :is(button, summary, a[href], .ant-segmented-item), .tray :is(button, a[href]), .scope :is(button, a[href]), .stages .right button';
/** What stands once a row is found by its row, not by its name. */
const IN_ROWS = '[role="row"], tbody tr, li';
const LONGEST_NAME = 60;

/** Every button of the screen as it stands, each name once. */
export function screenButtons(page: Document = document): ScreenButton[] {
  const byName = new Map<string, ScreenButton>();
  for (const one of page.querySelectorAll<HTMLElement>(PRESSED)) {
    if (one.closest(IN_ROWS) || one.matches(':disabled, [aria-disabled="true"]') || one.offsetParent === null)
      continue;
    const name = (one.getAttribute('aria-label') ?? one.innerText).replace(/\s+/g, ' ').trim();
    if (name.length < 2 || name.length > LONGEST_NAME || byName.has(name)) continue;
    byName.set(name, {
      name,
      press: () => {
        one.focus();
        one.click();
      },
    });
  }
  return [...byName.values()];
}
