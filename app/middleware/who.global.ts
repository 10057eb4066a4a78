/** Pages name in their meta for whom they are; others are led to where they can come in. */
export default defineNuxtRouteMiddleware(async to => {
  const store = useMe()
  if (!store.asked) await store.load().catch(() => null)
  const needs = to.meta.for
  if (needs === 'teacher') await useNuxtApp().$wordsForTeachers()
  if (!needs || store.me?.kind === needs) return
  return navigateTo({ path: needs === 'teacher' ? '/sign-in' : '/join', query: { to: to.fullPath } })
})
