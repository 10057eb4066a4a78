import { aheads } from '#asked-ahead'
import { files, matcherOf, questions } from '../http/ahead'

/** The document names what its page needs (modules/askedAhead.ts). */
export default defineNitroPlugin(nitro => {
  const pages = aheads.map(ahead => ({ ahead, matches: matcherOf(ahead.pattern) }))
  nitro.hooks.hook('render:html', (html, { event }) => {
    const path = event.path.split('?')[0]!
    for (const { ahead, matches } of pages) {
      const parts = matches(path)
      if (!parts) continue
      // Before all styles: a script waits for those that stand before it.
      html.head.unshift(questions(ahead, parts))
      html.head.push(files(ahead))
      return
    }
  })
})
