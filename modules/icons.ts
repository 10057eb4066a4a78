import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { defineNuxtModule } from 'nuxt/kit'

interface IconSet {
  readonly width: number
  readonly height: number
  readonly icons: Record<string, { body: string }>
  readonly aliases: Record<string, { parent: string }>
}

const NAMES = /\blucide:([a-z0-9-]+)/g

/**
 * Draws every icon that the interface names into one file, from which each is shown by reference: a device loads a
 * picture, and no script that draws. A name that there is no icon for stops the build.
 */
export default defineNuxtModule((_, nuxt) => {
  const file = join(nuxt.options.rootDir, 'node_modules/.cache/icons/icons.svg')
  mkdirSync(dirname(file), { recursive: true })
  writeFileSync(file, sprite(namesIn(nuxt.options.srcDir)))
  nuxt.options.alias['@icons'] = dirname(file)
})

function sprite(names: readonly string[]): string {
  const set = JSON.parse(
    readFileSync(createRequire(import.meta.url).resolve('@iconify-json/lucide/icons.json'), 'utf8'),
  ) as IconSet
  const symbols = names.map(name => {
    const icon = set.icons[name] ?? set.icons[set.aliases[name]?.parent ?? '']
    if (!icon) throw new Error(`there is no icon named ${name}`)
    return `<symbol id="${name}" viewBox="0 0 ${set.width} ${set.height}">${icon.body}</symbol>`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg">${symbols.join('')}</svg>`
}

function namesIn(folder: string): string[] {
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter(file => /\.(?:vue|ts)$/.test(file))
  return [
    ...new Set(
      files.flatMap(file => [...readFileSync(join(folder, file), 'utf8').matchAll(NAMES)].map(([, name]) => name!)),
    ),
  ].toSorted()
}
