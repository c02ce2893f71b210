import { type HotkeyCallback, useHotkeys } from 'react-hotkeys-hook';

const TYPED_INTO = new Set(['text', 'search', 'number', 'email', 'url', 'password', 'tel', 'date']);

/** Whether a key goes into text that somebody is typing. Ticks and choices are form fields too, but nothing is typed there. */
function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target.tagName === 'TEXTAREA' || target.tagName === 'SELECT') return true;
  return target instanceof HTMLInputElement && TYPED_INTO.has(target.type);
}

/** Keys of a screen: they work wherever the focus is but in text that is being typed. */
export function useKeys(
  keys: string | string[],
  act: HotkeyCallback,
  dependencies?: readonly unknown[],
): void {
  useHotkeys(
    keys,
    (event, hotkey) => {
      // Asked here: of two keys in a row the library would not ask, and a word that ends in “gs” would leave the stage.
      if (isTyping(event.target)) return;
      event.preventDefault();
      act(event, hotkey);
    },
    { enableOnFormTags: true },
    dependencies,
  );
}
