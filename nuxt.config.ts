import { readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import { FONT_FAMILIES } from './server/papers/fontFamilies'

/** The font files that papers are set with. */
const paperFonts = () =>
  FONT_FAMILIES.flatMap(({ name, regular, bold }) => [
    `${name}/package.json`,
    ...readdirSync(inModules(`${name}/files`))
      .filter(file => [regular, bold].some(weight => file.endsWith(`-${weight}-normal.woff`)))
      .map(file => `${name}/files/${file}`),
  ])

const inProject = (path: string) => fileURLToPath(new URL(`./${path}`, import.meta.url))
const inModules = (path: string) => inProject(`node_modules/${path}`)

const CORE = inProject('core/')

/** Types of packages that bring none, as seen from .nuxt. */
const DECLARED = ['../core/**/*.d.ts']

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  // Everything stands behind a sign-in and lives from the socket and the device's own store: rendered in the browser
  // alone.
  ssr: false,
  telemetry: false,
  // Nothing is rendered by the server, so nothing has to be read back from what it rendered.
  experimental: { renderJsonPayloads: false, payloadExtraction: false, appManifest: false },
  modules: ['@pinia/nuxt', '@nuxt/eslint'],
  css: ['~/assets/main.css'],
  devtools: { enabled: false },
  imports: {
    // A folder for each part of the work.
    dirs: ['composables/**'],
    presets: [
      {
        from: '@vueuse/core',
        imports: [
          'computedAsync',
          'onKeyStroke',
          'until',
          'useDebounceFn',
          'useElementSize',
          'useRafFn',
          'useEventListener',
          'useIntersectionObserver',
          'useIntervalFn',
          'useTimeoutFn',
          'useLocalStorage',
          'useMediaQuery',
          'useMutationObserver',
          'useNow',
          'useResizeObserver',
          'useSessionStorage',
          'useThrottleFn',
        ],
      },
    ],
  },
  nitro: {
    typescript: { tsConfig: { include: DECLARED } },
    // Scripts and styles are compressed once, when the application is built.
    compressPublicAssets: true,
    errorHandler: '~~/server/http/errors',
    // What every answer says, the files that lie about too: guess no types, load from nowhere else, tell nobody.
    routeRules: {
      '/**': {
        headers: {
          'X-Content-Type-Options': 'nosniff',
          'Referrer-Policy': 'same-origin',
          'Permissions-Policy': 'camera=(self), microphone=(self), geolocation=()',
          'Content-Security-Policy':
            "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; media-src 'self' blob:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'",
        },
      },
      '/api/**': { headers: { 'Cache-Control': 'no-store' } },
    },
    // The picture library, the words its pictures are found by, and the fonts of papers: data that is read, not
    // imported.
    externals: {
      traceInclude: [
        '@iconify-json/fluent-emoji-flat/icons.json',
        '@iconify-json/fluent-emoji-flat/chars.json',
        '@iconify-json/fluent-emoji-flat/metadata.json',
        '@iconify-json/fluent-emoji-flat/package.json',
        'emojilib/dist/emoji-en-US.json',
        'emojilib/package.json',
        ...paperFonts(),
      ].map(inModules),
    },
    // What PDF worksheets need that don't bring their own fonts, scripts and picture decoders.
    publicAssets: ['standard_fonts', 'cmaps', 'wasm'].map(folder => ({
      dir: inModules(`pdfjs-dist/${folder}`),
      baseURL: `/pdf/${folder}`,
      maxAge: 60 * 60 * 24,
    })),
  },
  // The process is our own: see server/entry.ts.
  $production: { nitro: { entry: inProject('server/entry.ts') } },
  // Fonts stay files, however small, for pages may not load what is written into a style sheet; and icons, which are
  // shown by reference.
  vite: {
    plugins: [tailwindcss()],
    build: {
      // Slower than the bundler's own, and 3 in 100 smaller: a student's script has a bound.
      minify: 'terser',
      terserOptions: { compress: { passes: 2 } },
      assetsInlineLimit: file => (/\.(?:woff2?|svg)$/.test(file) ? false : undefined),
      // Reads must be left as they are (`propertyReadSideEffects`): what Vue tracks is read for nothing else.
      // What the framework has for data fetched by the server isn't used, and would be kept because it might do
      // something when it is loaded. Nothing of the core does: schemas stand beside what students' devices need of a
      // file, and stay where they are used.
      rollupOptions: {
        treeshake: {
          moduleSideEffects: file =>
            !/nuxt\/dist\/app\/composables\/(?:asyncData|fetch|preview|component)\.js$/.test(file)
            && !file.startsWith(CORE)
            && !file.includes('/node_modules/valibot/'),
        },
      },
    },
    // Of the libraries only what is used goes to a student's device.
    define: { __VUE_OPTIONS_API__: false },
  },
  app: {
    head: {
      htmlAttrs: { lang: 'en-GB' },
      title: 'Dappled Slate',
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  typescript: { strict: true, tsConfig: { include: DECLARED } },
})
