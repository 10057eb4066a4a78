import { cp, readdir, readFile, rename, symlink, writeFile } from 'node:fs/promises'
import { join, resolve } from 'node:path'

/**
 * The application as if it had been built anew: the same in all it does, with every script under another name and the
 * worker for work without a connection told so. Names keep their length, since the server knows how long each file is.
 */
export async function anotherBuild(folder: string): Promise<void> {
  await cp('.output', folder, { recursive: true, filter: path => !path.endsWith('server/node_modules') })
  await symlink(resolve('.output/server/node_modules'), join(folder, 'server/node_modules'))
  const scripts = (await readdir(join(folder, 'public/_nuxt'))).filter(name => name.endsWith('.js'))
  const renamed = new Map(scripts.map(name => [name, `${name.slice(0, -4)}${name.at(-4) === '~' ? '!' : '~'}.js`]))
  const written = new RegExp(
    scripts
      .map(name => name.replace(/[.\\$]/g, '\\$&'))
      .toSorted((a, b) => b.length - a.length)
      .join('|'),
    'g',
  )
  for (const path of await readdir(folder, { recursive: true })) {
    if (!/\.(?:m?js|html|json)$/.test(path) || path.includes('node_modules')) continue
    const file = join(folder, path)
    await writeFile(
      file,
      (await readFile(file, 'utf8')).replace(written, name => renamed.get(name)!),
    )
  }
  for (const [name, other] of renamed)
    await rename(join(folder, 'public/_nuxt', name), join(folder, 'public/_nuxt', other))
  // What was compressed before has the old names inside: the server doesn't know of it, and sends the rest as it is.
  for (const path of await readdir(join(folder, 'server'), { recursive: true })) {
    if (!path.endsWith('.mjs') || path.includes('node_modules')) continue
    const file = join(folder, 'server', path)
    await writeFile(file, (await readFile(file, 'utf8')).replace(/\.(?:br|gz)": \{/g, '.old": {'))
  }
  // The page that is kept is told apart by what the build was made from.
  const worker = join(folder, 'public/sw.js')
  await writeFile(worker, (await readFile(worker, 'utf8')).replace(/(url:"\/",revision:")[0-9a-f]{4}/, '$1beef'))
}
