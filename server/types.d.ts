declare module '#asked-ahead' {
  export const aheads: readonly import('./http/ahead').Ahead[]
}
