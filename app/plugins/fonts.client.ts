/**
 * Chinese ships in a hundred small files, of which a page fetches what it shows. Their list is long, so it comes once
 * everything else is there.
 */
export default defineNuxtPlugin(() => {
  onNuxtReady(() => import('@fontsource/noto-sans-sc/400.css'))
})
