import { join } from 'node:path'
import { build } from 'esbuild'
import { defineNuxtModule } from 'nuxt/kit'

/** The marker as one script of its own: its threads load it and nothing else of the server. */
export default defineNuxtModule((_, nuxt) => {
  if (nuxt.options.dev || nuxt.options._prepare) return
  nuxt.hook('nitro:init', nitro => {
    nitro.hooks.hook('compiled', async () => {
      await build({
        entryPoints: [join(nuxt.options.serverDir, 'marking/marker.ts')],
        outfile: join(nitro.options.output.serverDir, 'marker.mjs'),
        bundle: true,
        minify: true,
        platform: 'node',
        target: 'node20',
        format: 'esm',
      })
    })
  })
})
