import { flushSync } from 'react-dom';

/**
 * Draws at once and gives the focus to what was drawn, before the next key arrives: on a busy page a later frame would come after it, and
 * the key would go to what had the focus before.
 */
export function drawThenFocus(draw: () => void, find: () => HTMLElement | null | undefined) {
  flushSync(draw);
  find()?.focus();
}
