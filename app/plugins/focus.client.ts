const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled):not([type=hidden]), select:not(:disabled), '
  + 'textarea:not(:disabled), summary, [tabindex="0"]'
/**
 * Nobody types here who didn't choose to: keys that are meant for the page would be letters, and a tablet would open
 * its keyboard.
 */
const TYPED_IN = 'input:not([type=checkbox]):not([type=radio]), textarea, select'
/** How far around what has the focus its neighbours are remembered. */
const NEIGHBOURS = 40

interface Stood {
  readonly element: HTMLElement
  readonly within: readonly HTMLElement[]
  readonly around: readonly HTMLElement[]
  readonly byKeys: boolean
}

/**
 * The focus never falls to the page's body: when what has it goes, or can't be pressed any more (a row that is removed,
 * the last page, a fix that is done), whatever stands nearest to where it was has it next, else the heading of what is
 * shown now. Parts of the screen that know better go before: this looks once they have had their turn.
 */
export default defineNuxtPlugin(() => {
  let stood: Stood | null = null
  let waiting = false
  /** Something changed while a look was waiting: it may be too early for that, so there is another. */
  let again = false
  const usable = (element: HTMLElement) =>
    element.isConnected && element.matches(FOCUSABLE) && element.getClientRects().length > 0

  document.addEventListener('focusin', event => {
    const element = event.target as HTMLElement
    if (element === document.body) return
    const within: HTMLElement[] = []
    for (let at = element.parentElement; at && at !== document.body; at = at.parentElement) within.push(at)
    const all = [...document.querySelectorAll<HTMLElement>(FOCUSABLE)]
    const at = all.indexOf(element)
    const [before, after] = [all.slice(Math.max(0, at - NEIGHBOURS), at), all.slice(at + 1, at + 1 + NEIGHBOURS)]
    // Nearest first, and of two as near the next before the last.
    const around = Array.from({ length: NEIGHBOURS }, (_, i) => [after[i], before.at(-1 - i)]).flat()
    stood = { element, within, around: around.filter(one => one !== undefined), byKeys: shown(element) }
  })
  document.addEventListener('focusout', event => {
    const left = event.target as HTMLElement
    // Whoever presses beside everything has put the focus away by will; what is going is still there for a moment.
    if (event.relatedTarget === null) setTimeout(() => stood?.element === left && usable(left) && (stood = null))
  })
  document.addEventListener(
    'pointerdown',
    () => {
      if (document.activeElement === document.body) stood = null
    },
    { capture: true },
  )
  new MutationObserver(() => {
    if (!stood) return
    if (waiting) again = true
    else wait()
  }).observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] })

  function wait() {
    ;[waiting, again] = [true, false]
    requestAnimationFrame(() =>
      requestAnimationFrame(() => {
        waiting = false
        look()
        if (again) wait()
      }),
    )
  }
  function look() {
    const now = document.activeElement
    // A browser may leave the focus for a while with a button that can't be pressed any more.
    const held = now && now !== document.body && now.isConnected && !now.matches(':disabled')
    if (!stood || held) return
    if (usable(stood.element)) return
    const next = nextTo(stood)
    if (!next) return
    const { byKeys } = stood
    stood = null
    if (!next.matches(FOCUSABLE)) next.tabIndex = -1
    next.focus({ preventScroll: !byKeys })
  }
  function nextTo({ within, around }: Stood): HTMLElement | null {
    const fit = (element: HTMLElement) => usable(element) && !element.matches(TYPED_IN)
    for (const part of within.filter(one => one.isConnected)) {
      const near =
        around.find(one => part.contains(one) && fit(one))
        ?? [...part.querySelectorAll<HTMLElement>(FOCUSABLE)].find(fit)
      if (near) return near
    }
    return document.querySelector<HTMLElement>('[role=dialog] h2, main h1') ?? document.querySelector('h1')
  }
})

const shown = (element: HTMLElement) => element.matches(':focus-visible')
