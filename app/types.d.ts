declare module '#app' {
  interface PageMeta {
    for?: 'teacher' | 'student'
  }
}
declare module 'vue-router' {
  interface RouteMeta {
    for?: 'teacher' | 'student'
  }
}
export {}
