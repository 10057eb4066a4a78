import { defineNuxtModule } from 'nuxt/kit'
import type { Rollup } from 'vite'

/** The views that a student goes through, in that order. */
const PAGES = ['join', 'desk', 'slate/[id]'] as const

/** What checks data that comes from outside. Students' views import it by the way, and use none of it. */
const SCHEMAS = /\/node_modules\/valibot\/|\/core\/(?:board\/ids|geometry\/shape|text\/storedText|.*Schema)\.ts$/

/**
 * On a school's wireless thirty small files cost more than one of their size. What a student's views are made of is put
 * into one file for each set of these views that need it: whoever comes in loads nothing that only a slate needs.
 */
export default defineNuxtModule((_, nuxt) => {
  let needed: { begin: ReadonlySet<string>; pages: readonly (readonly [string, ReadonlySet<string>])[] } | null = null
  nuxt.hook('vite:extendConfig', (config, { isClient }) => {
    if (!isClient || nuxt.options.dev) return
    const few: Rollup.OutputOptions = {
      onlyExplicitManualChunks: true,
      manualChunks(id, graph) {
        if (SCHEMAS.test(id)) return undefined
        needed ??= look(graph)
        const by = needed.pages.filter(([, parts]) => parts.has(id)).map(([page]) => page)
        if (needed.begin.has(id) || by.length === PAGES.length) return 'begin'
        return by.length && !/\/pages\//.test(id) ? by.join('-') : undefined
      },
    }
    config.plugins!.push({
      name: 'few-files',
      outputOptions: (options: Rollup.OutputOptions) => ({ ...options, ...few }),
    })
  })
})

function look(graph: Rollup.ManualChunkMeta) {
  const all = [...graph.getModuleIds()]
  const pages = PAGES.map(page => {
    const file = all.filter(id => id.endsWith(`/pages/${page}.vue`))
    if (file.length !== 1) throw new Error(`the view ${page} is not one of the build's parts`)
    return [page.split('/')[0]!, reach(graph, file)] as const
  })
  return {
    begin: reach(
      graph,
      all.filter(id => graph.getModuleInfo(id)?.isEntry),
    ),
    pages,
  }
}

/** These parts and all that they can't begin without. */
function reach(graph: Rollup.ManualChunkMeta, from: readonly string[]): ReadonlySet<string> {
  const found = new Set<string>()
  const open = [...from]
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (found.has(id)) continue
    found.add(id)
    open.push(...(graph.getModuleInfo(id)?.importedIds ?? []))
  }
  return found
}
