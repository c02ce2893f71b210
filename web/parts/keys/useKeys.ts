import { useEffect, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';

const TYPED_INTO = new Set(['text', 'search', 'number', 'email', 'url', 'password', 'tel', 'date']);

/** What a key does; it is told which of several was pressed. */
type KeyAct = (event: KeyboardEvent, pressed: { hotkey: string }) => void;

/** Whether a key goes into text that somebody is typing. Ticks and choices are form fields too, but nothing is typed there. */
function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target.tagName === 'TEXTAREA' || target.tagName === 'SELECT') return true;
  return target instanceof HTMLInputElement && TYPED_INTO.has(target.type);
}

/**
 * Keys of a screen: they work wherever the focus is but in text that is being typed. Single characters are what somebody
 * types, wherever they lie on their keyboard; combinations and sequences are written as `mod+z`, `g>r`.
 */
export function useKeys(keys: string | string[], act: KeyAct, dependencies?: readonly unknown[]): void {
  const list = typeof keys === 'string' ? [keys] : keys;
  const characters = list.every((key) => [...key].length === 1);
  useCharacters(characters ? list.join('') : '', act);
  useHotkeys(
    list,
    (event, hotkey) => {
      // Asked here: of two keys in a row the library would not ask, and a word that ends in “gs” would leave the stage.
      if (isTyping(event.target)) return;
      event.preventDefault();
      act(event, { hotkey: hotkey.hotkey });
    },
    { enableOnFormTags: true, enabled: !characters, useKey: true },
    dependencies,
  );
}

/** Characters as they are typed: on whichever layout, with Shift or without. */
function useCharacters(characters: string, act: KeyAct): void {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => {
    if (characters === '') return;
    const heard = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      // With Caps Lock on a letter is still that letter.
      const typed = event.shiftKey ? event.key : event.key.toLowerCase();
      if (typed.length !== 1 || !characters.includes(typed)) return;
      event.preventDefault();
      latest.current(event, { hotkey: typed });
    };
    document.addEventListener('keydown', heard);
    return () => document.removeEventListener('keydown', heard);
  }, [characters]);
}
