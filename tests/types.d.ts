declare module 'wcag-contrast' {
  /** The contrast ratio of two colours written #rrggbb. */
  export function hex(a: string, b: string): number
}

declare module 'linebreak' {
  export default class LineBreaker {
    constructor(text: string)
    nextBreak(): { readonly position: number; readonly required: boolean } | null
  }
}
