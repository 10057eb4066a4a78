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
const CORE_PACKAGES = [
  'linebreak',
  'hyphen',
  'valibot',
  'luxon',
  'papaparse',
  'fraction.js',
  'fastest-levenshtein',
  'dale-chall',
  'ml-hclust',
  'saxes',
  'fflate',
  'numfmt',
  'svgpath',
  'colord',
  'perfect-freehand',
]

/** A part of a package is the package's. */
const packageOf = (specifier: string) => (specifier.startsWith('.') ? specifier : specifier.split('/')[0]!)

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

const EXPORT = /^export (?:async )?(function\*?|const|let|class|interface|type) (\w+)/gm

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
            (ownFolder(file, s) === null && !CORE_PACKAGES.includes(packageOf(s)))
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

  /** From the ground up: a folder of the core leans on none that stands after it. */
  const CORE_ORDER = [
    ['text', 'exact', 'geometry', 'sound', 'colour', 'matching'],
    // Answers are part of the board's document; what is done with them stands further up.
    ['board', 'gesture'],
    ['layout'],
    ['bodies'],
    ['slate', 'roster'],
    ['rights'],
    ['placement'],
    ['tools', 'keys', 'margin', 'groups'],
    ['drawing'],
    ['design', 'handout', 'format', 'findings', 'lesson', 'review', 'paper'],
    ['organizers', 'preflight', 'sync', 'reading', 'along'],
    // What server and client have agreed on speaks of all of it.
    ['contract'],
  ]
  const DOCUMENT = /^core\/keys\/(?:\w+\/key|key|document|reason)(?:\.ts)?$/
  const coreFolder = (path: string) => (DOCUMENT.test(path) ? 'board' : path.split('/')[1]!)
  const level = (path: string) => CORE_ORDER.findIndex(folders => folders.includes(coreFolder(path)))
  const target = (file: string, specifier: string) => relative(root, resolve(root, dirname(file), specifier))

  it('the folders of the core stand on each other in one order', () => {
    const inFolders = files('core').filter(file => file.split('/').length > 2)
    expect(inFolders.filter(file => level(file) === -1)).toEqual([])
    const wrong = inFolders.flatMap(file =>
      specifiers(file)
        .filter(s => s.startsWith('.') && target(file, s).split('/').length > 2)
        .filter(s => coreFolder(file) !== coreFolder(target(file, s)) && level(target(file, s)) >= level(file))
        .map(s => `${file} imports ${s}`),
    )
    expect(wrong).toEqual([])
  })

  /** Composables are imported by name alone, so they are found by their names. */
  const APP_ORDER = ['common', 'board', 'slate', 'review', 'lesson', 'classes', 'workbench', 'shelf']
  it('the composables stand on each other in one order, however they are imported', () => {
    const composables = files('app/composables').map(file => ({
      file,
      source: readFileSync(join(root, file), 'utf8'),
      level: APP_ORDER.indexOf(file.split('/')[2]!),
    }))
    expect(composables.filter(one => one.level === -1).map(one => one.file)).toEqual([])
    const made = composables.flatMap(one =>
      [...one.source.matchAll(EXPORT)]
        .filter(([, kind]) => !/^(?:type|interface)$/.test(kind!))
        .map(found => ({ name: found[2]!, level: one.level })),
    )
    const wrong = composables.flatMap(one =>
      made
        .filter(({ name, level }) => level > one.level && new RegExp(`(?<![.\\w])${name}\\b`).test(one.source))
        .map(({ name }) => `${one.file} uses ${name}`),
    )
    expect(wrong).toEqual([])
  })

  it('what is exported is used elsewhere, or is the type of something that is', () => {
    const sources = [...['core', 'server', 'app', 'modules', 'demo', 'tests', 'bin', 'standins'].flatMap(files)].map(
      file => ({ file, source: readFileSync(join(root, file), 'utf8') }),
    )
    const users = new Map<string, number>()
    for (const { source } of sources)
      for (const word of new Set(source.match(/[A-Za-z_$][\w$]*/g) ?? [])) users.set(word, (users.get(word) ?? 0) + 1)
    const dead = sources.flatMap(({ file, source }) =>
      [...source.matchAll(EXPORT)]
        .filter(([, kind, name]) => {
          if (users.get(name!)! > 1) return false
          const here = source.match(new RegExp(`(?<![\\w$])${name}(?![\\w$])`, 'g'))!.length
          return !/^(?:type|interface)$/.test(kind!) || here === 1
        })
        .map(([, , name]) => `${file} exports ${name}`),
    )
    expect(dead).toEqual([])
  })
})
