import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { describe, expect, it } from 'vitest'
import { builtinModules } from 'node:module'

const root = resolve(import.meta.dirname, '../..')
/** Which of our own folders a file in each folder may import from. */
const ALLOWED: Record<string, readonly string[]> = {
  core: ['core'],
  server: ['server', 'core'],
  app: ['app', 'core'],
  modules: ['modules', 'server'],
  demo: ['demo', 'core', 'server'],
}
const CORE_PACKAGES = ['valibot', 'luxon', 'papaparse', 'fraction.js', 'fastest-levenshtein', 'dale-chall']

function files(folder: string): string[] {
  return readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter(f => /\.(ts|vue)$/.test(f))
    .map(f => join(folder, f))
}

function specifiers(file: string): string[] {
  const source = readFileSync(join(root, file), 'utf8')
  return [
    ...source.matchAll(
      /^(?:import|export|\}).*?\bfrom ['"]([^'"]+)['"]|^import ['"]([^'"]+)['"]|\bimport\(\s*['"]([^'"]+)['"]/gm,
    ),
  ].map(m => m[1] ?? m[2] ?? m[3]!)
}

function ownFolder(file: string, specifier: string): string | null {
  const path = specifier.startsWith('~~/')
    ? specifier.slice(3)
    : specifier.startsWith('~/')
      ? `app/${specifier.slice(2)}`
      : specifier.startsWith('.')
        ? relative(root, resolve(root, dirname(file), specifier))
        : null
  return path?.split('/')[0] ?? null
}

describe('the layers', () => {
  it.each(Object.keys(ALLOWED))('%s imports only from what lies below it', folder => {
    const wrong = files(folder).flatMap(file =>
      specifiers(file)
        .filter(s => ownFolder(file, s) !== null && !ALLOWED[folder]!.includes(ownFolder(file, s)!))
        .map(s => `${file} imports ${s}`),
    )
    expect(wrong).toEqual([])
  })

  it('core knows neither Node nor the browser, and few packages', () => {
    const wrong = files('core').flatMap(file =>
      specifiers(file)
        .filter(
          s =>
            (ownFolder(file, s) === null && !CORE_PACKAGES.includes(s))
            || s.startsWith('node:')
            || builtinModules.includes(s),
        )
        .map(s => `${file} imports ${s}`),
    )
    expect(wrong).toEqual([])
    const clocks = files('core').filter(file =>
      /Math\.random|Date\.now|new Date\(/.test(readFileSync(join(root, file), 'utf8')),
    )
    expect(clocks).toEqual([])
  })
})
