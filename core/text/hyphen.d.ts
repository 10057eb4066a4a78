declare module 'hyphen' {
  export default function createHyphenator(
    patterns: unknown,
    options?: { readonly hyphenChar?: string },
  ): (text: string) => string
}
declare module 'hyphen/patterns/*.js' {
  const patterns: unknown
  export default patterns
}
