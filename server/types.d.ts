declare module '#asked-ahead' {
  export const aheads: readonly import('./http/ahead').Ahead[]
}

declare module 'bidi-js' {
  interface Levels {
    readonly levels: Uint8Array
  }
  export default function bidiFactory(): {
    getEmbeddingLevels(text: string, base?: 'ltr' | 'rtl'): Levels
    getMirroredCharacter(letter: string): string | null
  }
}
