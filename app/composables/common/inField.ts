/** Whether a key or a paste is meant for a field: there the browser's own is what people expect. */
export const inField = ({ target }: Event) =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement
