/** Letters that the fonts of every page don't have: Chinese, and what Japanese and Korean share with it. */
const CHINESE = /[\u2e80-\u9fff\uac00-\ud7af\uf900-\ufaff\u{20000}-\u{323af}]/u
/** In milliseconds between two looks at what stands on the page. */
const APART = 1000

/**
 * Chinese ships in a hundred small files, of which a page fetches what it shows. Their list is long, and a page that it
 * comes to is laid out anew as a whole: it is fetched when there is the first such letter to show, or one is typed.
 */
export default defineNuxtPlugin(() => {
  let found = false
  let waiting = false
  const meets = (text: string) => {
    if (found || !CHINESE.test(text)) return
    found = true
    import('@fontsource/noto-sans-sc/400.css').then(
      () => {
        changes.disconnect()
        removeEventListener('input', typed, true)
      },
      () => (found = false),
    )
  }
  const typed = ({ target }: Event) => {
    if (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) meets(target.value)
  }
  const changes = new MutationObserver(() => {
    if (waiting) return
    waiting = true
    setTimeout(() => {
      waiting = false
      meets(document.body.textContent)
    }, APART)
  })
  onNuxtReady(() => {
    changes.observe(document.body, { subtree: true, childList: true, characterData: true })
    addEventListener('input', typed, true)
    meets(document.body.textContent)
  })
})
