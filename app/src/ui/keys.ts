/** Whether a key belongs to something that is being typed into, or to the browser. */
export const isTyped = ({ target, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  ctrlKey ||
  metaKey ||
  altKey;

/** Whether Enter presses what has the focus. */
export const entersFocused = ({ key, target }: KeyboardEvent): boolean =>
  key === 'Enter' &&
  target instanceof HTMLElement &&
  target !== document.body &&
  target.tabIndex >= 0;
