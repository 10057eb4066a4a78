const STOPS = 'button, a[href], [role=button], input, select'
const WAYS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }

/**
 * Many buttons in a row are one stop of the Tab key; within them arrows lead on, Home and End to the first and the last
 * (ARIA Authoring Practices, Toolbar). `may` says whether arrows are free just now. What is in the row may change.
 */
export function useRoving(root: Readonly<Ref<HTMLElement | null>>, may: () => boolean = () => true) {
  let current: Element | null = null
  const stops = () =>
    [...(root.value?.querySelectorAll<HTMLElement>(STOPS) ?? [])].filter(
      one => !one.matches(':disabled') && one.getClientRects().length > 0,
    )
  function tidy() {
    const all = stops()
    const stop = all.find(one => one === current) ?? all.find(one => one.ariaPressed === 'true') ?? all[0]
    for (const one of all) {
      const index = one === stop ? 0 : -1
      if (one.tabIndex !== index) one.tabIndex = index
    }
  }
  useMutationObserver(root, tidy, {
    childList: true,
    subtree: true,
    attributes: true,
    attributeFilter: ['disabled', 'role'],
  })
  watchPostEffect(tidy)
  useEventListener(root, 'focusin', ({ target }) => {
    current = (target as Element).closest(STOPS)
    tidy()
  })
  useEventListener(root, 'keydown', (event: KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey || event.shiftKey || !may() || inField(event)) return
    const all = stops()
    const at = all.findIndex(one => one === (event.target as Element).closest(STOPS))
    if (at < 0) return
    const to = event.key === 'Home' ? 0 : event.key === 'End' ? all.length - 1 : at + (WAYS[event.key] ?? 0)
    const next = all[(to + all.length) % all.length]!
    if (to === at) return
    event.preventDefault()
    next.focus()
  })
}
