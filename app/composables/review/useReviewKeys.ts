interface Does {
  readonly keys: () => void
  /** Hand it back and go on. */
  readonly on: () => void
  readonly comment: () => void
  readonly list: () => void
}

/** The keys of reviewing that work wherever the focus is: none is a letter or a sign alone (WCAG 2.2, 2.1.4). */
export function useReviewKeys(does: Does) {
  const keys: { readonly [key: string]: (event: KeyboardEvent) => boolean } = {
    F1: () => (does.keys(), true),
    F2: () => (does.comment(), true),
    F4: ({ altKey }) => !altKey && (does.list(), true),
    Enter: ({ ctrlKey, metaKey }) => (ctrlKey || metaKey) && (does.on(), true),
  }
  onKeyStroke(Object.keys(keys), event => {
    // A dialog has its own.
    if ((event.target as HTMLElement).closest('[role=dialog]')) return
    if (keys[event.key]!(event)) event.preventDefault()
  })
}
