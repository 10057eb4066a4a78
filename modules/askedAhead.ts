import { defineNuxtModule } from 'nuxt/kit'
import type { NuxtPage } from 'nuxt/schema'
import type { Rollup } from 'vite'
import type { Ahead } from '../server/http/ahead'

/** What a page asks the server for before it can show anything, besides who is signed in. */
const ASKED: Readonly<Record<string, readonly string[]>> = {
  '/desk': ['/api/desk', '/api/beginnings'],
  '/slate/:id()': ['/api/slates/:id'],
}

/**
 * On a slow line every round trip is felt: what a page needs is named in the document itself, so that its parts and the
 * answers that it waits for are on their way while the application begins. The list is made from the build, and read by
 * the server where it answers with the document.
 */
export default defineNuxtModule((_, nuxt) => {
  const pages: NuxtPage[] = []
  const list: Ahead[] = []
  nuxt.hook('pages:resolved', all => void pages.push(...all))
  nuxt.hook('vite:extendConfig', (config, { isClient }) => {
    if (!isClient || nuxt.options.dev) return
    config.plugins!.push({
      name: 'asked-ahead',
      generateBundle: (_options: unknown, bundle: Rollup.OutputBundle) => void list.push(...aheadOf(pages, bundle)),
    })
  })
  nuxt.hook('nitro:config', config => {
    config.virtual = { ...config.virtual, '#asked-ahead': () => `export const aheads = ${JSON.stringify(list)}` }
  })
})

function aheadOf(pages: readonly NuxtPage[], bundle: Rollup.OutputBundle): Ahead[] {
  const chunks = new Map(Object.values(bundle).flatMap(part => (part.type === 'chunk' ? [[part.fileName, part]] : [])))
  const begun = new Set<string>()
  for (const chunk of chunks.values()) if (chunk.isEntry) reach(chunks, chunk.fileName, begun)
  const unknown = Object.keys(ASKED).filter(path => !pages.some(page => page.path === path))
  if (unknown.length) throw new Error(`there is no page at ${unknown.join(', ')}`)
  return pages.map(({ path, file }) => {
    const own = [...chunks.values()].find(chunk => chunk.moduleIds.includes(file!))
    if (!own) throw new Error(`the build has no part for the page at ${path}`)
    const parts = new Set(begun)
    reach(chunks, own.fileName, parts)
    const scripts = [...parts].filter(part => !begun.has(part))
    const styles = scripts.flatMap(part => [...(chunks.get(part)!.viteMetadata?.importedCss ?? [])])
    return { pattern: path, scripts, styles, asked: ASKED[path] ?? [] }
  })
}

/** This file and all that it can't begin without. */
function reach(chunks: ReadonlyMap<string, Rollup.OutputChunk>, file: string, into: Set<string>): void {
  if (into.has(file)) return
  into.add(file)
  for (const next of chunks.get(file)?.imports ?? []) reach(chunks, next, into)
}
