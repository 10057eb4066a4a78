import type { Here } from '~~/core/sync/presence'
import { pagePointAt } from '~/composables/board/pagePoint'

type Be = (change: { readonly [Part in keyof Here]: Here[Part] | undefined }) => void

/**
 * What the others on a slate see of this hand beside what it holds: the text that is written in, and, while this page
 * is shown to them, what it points at: by pointer, by finger, or by where the keyboard stands.
 */
export function useShownToOthers(root: Readonly<Ref<HTMLElement | null>>, presents: Readonly<Ref<boolean>>, be: Be) {
  const textUnder = (target: EventTarget | null) =>
    (target instanceof Element && target.closest<HTMLElement>('[data-writes]')?.dataset.writes) || undefined
  useEventListener(root, 'focusin', event => be({ writes: textUnder(event.target) }))
  useEventListener(root, 'focusout', event => be({ writes: textUnder(event.relatedTarget) }))

  function pointAt(x: number, y: number) {
    const page = presents.value && root.value?.querySelector<SVGSVGElement>('[data-frame] svg')
    if (page) be({ points: pagePointAt({ x, y }, page) })
  }
  const listen = { passive: true, capture: true }
  useEventListener(root, ['pointermove', 'pointerdown'], event => pointAt(event.clientX, event.clientY), listen)
  useEventListener(root, 'focusin', ({ target }) => {
    if (!presents.value || !(target instanceof Element)) return
    const { x, y, width, height } = target.getBoundingClientRect()
    pointAt(x + width / 2, y + height / 2)
  })
}
