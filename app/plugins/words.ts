import { createI18n } from 'vue-i18n'
import en from '~/locales/en'

/** The message catalogue. British school English is the only one so far; a second needs no more than its file. */
export default defineNuxtPlugin((nuxt) => {
  nuxt.vueApp.use(createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: { en }, warnHtmlMessage: true }))
})
