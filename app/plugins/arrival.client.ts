/**
 * Whoever comes to another page stands at its heading, which says where they are; unless the page itself has put them
 * somewhere. Steps of one page, which only change what is behind the question mark, are that page's own.
 */
export default defineNuxtPlugin(nuxtApp => {
  let before: string | null = null
  nuxtApp.hook('page:finish', async () => {
    const { path } = useRouter().currentRoute.value
    const arrived = before !== null && before !== path
    before = path
    if (!arrived) return
    await nextTick()
    const now = document.activeElement
    if (now && now !== document.body) return
    const heading = document.querySelector<HTMLElement>('main h1') ?? document.querySelector<HTMLElement>('h1')
    if (!heading) return
    heading.tabIndex = -1
    heading.focus({ preventScroll: true })
  })
})
