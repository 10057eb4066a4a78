import tailwindcss from '@tailwindcss/vite'

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  // Everything stands behind a sign-in and lives from the socket and the device's own store: rendered in the browser alone.
  ssr: false,
  telemetry: false,
  modules: ['@pinia/nuxt', '@nuxt/icon', '@nuxt/eslint', 'nuxt-auth-utils'],
  css: ['~/assets/main.css'],
  devtools: { enabled: false },
  icon: { provider: 'none', fallbackToApi: false, clientBundle: { scan: true, sizeLimitKb: 128 } },
  imports: {
    presets: [{
      from: '@vueuse/core',
      imports: ['computedAsync', 'onKeyStroke', 'useDebounceFn', 'useElementSize', 'useEventListener', 'useNow', 'useSessionStorage'],
    }],
  },
  nitro: { experimental: { websocket: true } },
  vite: { plugins: [tailwindcss()] },
  runtimeConfig: {
    // Set by NUXT_SESSION_PASSWORD; bin/demo makes one and keeps it with its data.
    session: { name: 'dappled-slate', password: '', maxAge: 60 * 60 * 24 * 14, cookie: { sameSite: 'lax' } },
  },
  app: {
    head: {
      htmlAttrs: { lang: 'en-GB' },
      title: 'Dappled Slate',
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  typescript: { strict: true },
})
