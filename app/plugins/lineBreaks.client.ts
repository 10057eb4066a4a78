import { breakBy, type BreakRules } from '~~/core/text/lines'

/** The rules for texts in scripts without spaces are fetched when one is first drawn; it is drawn anew with them. */
export default defineNuxtPlugin(() => {
  const rules = shallowRef<BreakRules | null>(null)
  let asked: Promise<void> | null = null
  const fetchRules = async () => {
    const { unicodeBreaks } = await import('~~/core/text/unicodeBreaks')
    rules.value = unicodeBreaks
  }
  breakBy(() => {
    // Without a connection the short rules do; they are asked for again with the next text.
    if (!rules.value) asked ??= fetchRules().catch(() => void (asked = null))
    return rules.value
  })
})
