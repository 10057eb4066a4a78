import { nanoid } from 'nanoid'
import { editBetween, letterBefore, placeAfter, weaveOf, woven, type TextEdit, type Weave } from '~~/core/slate/weave'
import { wordsOf } from '~~/core/slate/texts'
import { knowTexts } from '~~/core/slate/withTexts'
import { openFields } from '~/composables/board/openFields'
import { storable } from '~~/core/text/stored'

/** Milliseconds after the last letter, and at the most, until what was typed goes on its way. */
const AFTER = 250
const AT_MOST = 700

type Field = HTMLInputElement | HTMLTextAreaElement

/**
 * What is typed into one field, as edits of a text that others may write in too. What was typed is handed on shortly
 * after the last letter, and at once when the field is left or the page goes away; what comes from elsewhere meanwhile
 * is shown around it, so nothing is ever written over. The caret keeps the letter behind which it stands.
 */
export function useWriting(field: {
  readonly element: Ref<Field | null>
  readonly text: () => string
  readonly weave: () => Weave | undefined
  readonly edit: (edit: TextEdit, words: string) => void
}) {
  knowTexts()
  /** Names all letters that are put in here. */
  const run = nanoid(8)
  let number = 0
  /** The text as it stands with all that was handed on. */
  let known: Weave = weaveOf(field.weave(), field.text())
  const typed = ref(wordsOf(known))
  /** Signs that are put together from several keys are let be until they are whole. */
  let composing = false

  function tell() {
    if (composing) return
    const edit = editBetween(known, storable(typed.value), run, number)
    if (!edit) return
    number += edit.put?.text.length ?? 0
    known = woven(known, edit) ?? known
    field.edit(edit, wordsOf(known))
  }
  const tellSoon = useDebounceFn(tell, AFTER, { maxWait: AT_MOST })

  function input(event: Event) {
    typed.value = (event.target as Field).value
    void tellSoon()
  }
  function compose(goesOn: boolean) {
    composing = goesOn
    if (!goesOn) void tellSoon()
  }

  function hear() {
    if (composing) return
    const own = editBetween(known, storable(typed.value), run, number)
    // What was only put in stands in what is heard where it was typed; what was taken out goes on its way first, and
    // comes round again.
    if (own?.cut) return tell()
    const heard = weaveOf(field.weave(), field.text())
    const [before, now] = own ? [woven(known, own) ?? known, woven(heard, own) ?? heard] : [known, heard]
    const words = wordsOf(now)
    const element = field.element.value
    if (words !== typed.value) {
      const at =
        element && element === document.activeElement
          ? [element.selectionStart, element.selectionEnd].map(place => letterBefore(before, place ?? 0))
          : null
      typed.value = words
      if (at && element) {
        element.value = words
        element.setSelectionRange(placeAfter(now, at[0]!), placeAfter(now, at[1]!))
      }
    }
    known = heard
  }
  watch([field.text, field.weave], hear)
  openFields.add(tell)
  onBeforeUnmount(() => {
    openFields.delete(tell)
    composing = false
    tell()
  })
  // A page that is left, or put aside on a tablet, doesn't wait for the pause after the last letter.
  useEventListener(window, 'pagehide', tell)
  useEventListener(document, 'visibilitychange', () => document.hidden && tell())

  return { typed, input, compose, tell }
}
