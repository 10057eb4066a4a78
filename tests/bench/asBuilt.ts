import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'

/**
 * A module bundled as the product's own code is. The runner of TypeScript gives every function its name while it runs,
 * which costs a loop of small functions about a third of its time and is no part of what ships.
 */
export async function asBuilt<Module>(file: string): Promise<Module> {
  const entry = join(import.meta.dirname, file)
  const outfile = `${entry}.built.mjs`
  await build({ entryPoints: [entry], outfile, bundle: true, platform: 'node', format: 'esm', logLevel: 'error' })
  try {
    return (await import(pathToFileURL(outfile).href)) as Module
  } finally {
    await rm(outfile)
  }
}
