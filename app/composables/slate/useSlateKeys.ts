/** The keys of a slate, wherever the focus is. */
export function useSlateKeys({ showKeys, undo }: { readonly showKeys: () => void; readonly undo: () => void }) {
  // No letter or sign alone: whoever speaks their keys would press it by speaking (WCAG 2.2, 2.1.4).
  onKeyStroke('F1', event => {
    event.preventDefault()
    showKeys()
  })
  onKeyStroke(['z', 'Z'], event => {
    // Inside a field the browser's own undo is what people expect.
    if (!(event.ctrlKey || event.metaKey) || inField(event)) return
    event.preventDefault()
    undo()
  })
}
