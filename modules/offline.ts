import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { defineNuxtModule } from 'nuxt/kit'
import { generateSW } from 'workbox-build'

interface Item {
  readonly file: string
  readonly isEntry?: boolean
  readonly src?: string
  readonly imports?: readonly string[]
  dynamicImports?: string[]
  readonly css?: readonly string[]
  readonly assets?: readonly string[]
}

/** The views that students come to, which open without a connection. */
const STUDENT_PAGES = /\/pages\/(?:index|join|desk|slate\/\[id\]|choose\/\[handout\]|others\/\[handout\])\.vue$/
/** What a text in a script without spaces asks for, whichever view it is on. */
const LATER = /\/core\/text\/unicodeBreaks\.ts$/
/** Of the letters that ship, those of the interface and of boards; the rest is fetched by pages that show them. */
const LETTERS = /(?:andika|atkinson-hyperlegible-next)-latin-[^/]*\.woff2$/

/**
 * What a student's device keeps, so that after the first visit the application opens without a connection: the scripts,
 * styles and letters of their views, by hash, and the page around them. A worker serves them; it asks the network first
 * for the page, so that a new build is had as soon as there is one, and never takes the place of an older worker while
 * that is in use: a page that is open goes on with the parts that it was built from.
 */
export default defineNuxtModule((_, nuxt) => {
  const kept = new Set<string>()
  nuxt.hook('build:manifest', manifest => {
    const items = manifest as unknown as Record<string, Item>
    const take = (name: string, lazily: boolean, seen: Set<string>) => {
      const item = items[name]
      if (!item || seen.has(name)) return
      seen.add(name)
      for (const file of [
        item.file,
        ...(item.css ?? []),
        ...(item.assets ?? []).filter(asset => LETTERS.test(asset) || asset.endsWith('.svg')),
      ])
        kept.add(file)
      for (const next of item.imports ?? []) take(next, false, seen)
      if (lazily) for (const next of item.dynamicImports ?? []) take(next, true, seen)
    }
    const entries = Object.keys(items).filter(name => items[name]!.isEntry)
    const seen = new Set<string>()
    for (const entry of entries) take(entry, false, seen)
    for (const name of Object.keys(items))
      if (STUDENT_PAGES.test(`/${items[name]!.src ?? name}`)) take(name, true, new Set(entries))
    for (const name of Object.keys(items))
      if (LATER.test(`/${items[name]!.src ?? name}`)) take(name, false, new Set(entries))
    // A student's device doesn't fetch the teachers' views ahead of time; links still fetch the page that they lead to.
    for (const item of Object.values(items)) item.dynamicImports = []
  })
  nuxt.hook('nitro:build:public-assets', async nitro => {
    if (nuxt.options.dev) return
    const folder = nitro.options.output.publicDir
    const files = [...kept].map(file => `_nuxt/${file}`)
    const build = createHash('sha256')
      .update(files.toSorted().join())
      .update(readFileSync(join(nuxt.options.rootDir, 'package.json')))
      .digest('hex')
    const { count, warnings } = await generateSW({
      globDirectory: folder,
      swDest: join(folder, 'sw.js'),
      globPatterns: [...files, 'mark.svg'].map(escaped),
      globFollow: false,
      dontCacheBustURLsMatching: /^_nuxt\//,
      maximumFileSizeToCacheInBytes: 2 ** 20,
      inlineWorkboxRuntime: true,
      sourcemap: false,
      additionalManifestEntries: [{ url: '/', revision: build }],
      clientsClaim: true,
      cleanupOutdatedCaches: true,
      directoryIndex: null,
      runtimeCaching: [
        {
          urlPattern: ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
          handler: 'NetworkFirst',
          // The page is never kept as it came: without a connection it is the one that belongs to the parts that are
          // kept.
          options: {
            networkTimeoutSeconds: 4,
            precacheFallback: { fallbackURL: '/' },
            plugins: [{ cacheWillUpdate: async () => null }],
          },
        },
        // Pictures that students made may be hidden any time, so they are asked for; without a connection they are as
        // they were.
        {
          urlPattern: ({ url }) => /^\/api\/slates\/[^/]+\/pictures\/[^/]+$/.test(url.pathname),
          handler: 'NetworkFirst',
          options: { cacheName: 'pictures', expiration: { maxEntries: 300 } },
        },
        // Sounds are kept whole (useKeptSounds), and had in the parts that a player asks for; films only pass through.
        {
          urlPattern: ({ url }) => url.pathname.startsWith('/api/clips/'),
          handler: 'CacheFirst',
          options: { cacheName: 'pictures', rangeRequests: true, expiration: { maxEntries: 300 } },
        },
        // Pictures of boards: named by what is in them, so they never change. They go when somebody signs out.
        {
          urlPattern: ({ url }) => url.pathname.startsWith('/api/files/'),
          handler: 'CacheFirst',
          options: { cacheName: 'pictures', expiration: { maxEntries: 300 } },
        },
      ],
    })
    if (warnings.length || count < files.length)
      throw new Error(
        `the worker for work without a connection is not whole: ${count} of ${files.length} files. ${warnings.join(' ')}`,
      )
  })
})

/** A file's name as a pattern that only it fits. */
const escaped = (file: string) => file.replace(/[[\](){}!*?+@]/g, '\\$&')
