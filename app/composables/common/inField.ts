/** Whether a key or a paste is meant for a field: there the browser's own is what people expect. */
export const inField = ({ target }: Event) =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement

/** Whether a key writes a letter, and isn't a command. A space presses what has the focus. */
export const typesLetter = ({ key, ctrlKey, metaKey, altKey, isComposing }: KeyboardEvent): boolean =>
  !ctrlKey && !metaKey && !altKey && !isComposing && key !== ' ' && Array.from(key).length === 1
