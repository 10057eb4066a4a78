declare module 'wcag-contrast' {
  /** The contrast ratio of two colours written #rrggbb. */
  export function hex(a: string, b: string): number
}
