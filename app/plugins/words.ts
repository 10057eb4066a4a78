import { createI18n } from 'vue-i18n'
import en from '~/locales/en'

/**
 * The message catalogue. British school English is the only one so far; a second needs no more than its files. What only
 * teachers read is fetched with the first view that is for them.
 */
export default defineNuxtPlugin((nuxt) => {
  const words = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: { en }, warnHtmlMessage: true })
  nuxt.vueApp.use(words)
  let teachers: Promise<void> | undefined
  const wordsForTeachers = () => teachers ??= import('~/locales/enTeacher').then(more => words.global.mergeLocaleMessage('en', more.default))
  return { provide: { wordsForTeachers } }
})
