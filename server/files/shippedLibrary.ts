import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import type { IconifyJSON } from '@iconify/types'
import { makeLibrary, type Library } from './library'

let made: Promise<Library> | undefined

/** The library as it ships with the application; read when the first teacher looks for a picture. */
export function shippedLibrary(): Promise<Library> {
  made ??= load()
  return made
}

async function load(): Promise<Library> {
  const [icons, names, keywords, { categories }] = await Promise.all([
    read<IconifyJSON>('@iconify-json/fluent-emoji-flat/icons.json'),
    read<Record<string, string>>('@iconify-json/fluent-emoji-flat/chars.json'),
    read<Record<string, string[]>>('emojilib/dist/emoji-en-US.json'),
    read<{ categories: Record<string, string[]> }>('@iconify-json/fluent-emoji-flat/metadata.json'),
  ])
  return makeLibrary({ icons, names, keywords, categories })
}

/** Data of a package, from wherever the packages of the running application lie. */
async function read<T>(path: string): Promise<T> {
  return JSON.parse(await readFile(createRequire(import.meta.url).resolve(path), 'utf8')) as T
}
