/** Boxes, switches and buttons are inputs that nobody writes into. */
const PRESSED = ['checkbox', 'radio', 'button', 'file']

/** Whether a key belongs to the text that somebody is writing, and to no shortcut. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName)) &&
  !(target instanceof HTMLInputElement && PRESSED.includes(target.type))
