/**
 * The fonts that ship with the application, in the order in which they are asked for a letter, with the weights that
 * papers are set in. Each comes in many small files. Signs that China and Korea write differently are Chinese.
 */
export const FONT_FAMILIES = [
  { name: '@fontsource/andika', regular: '400', bold: '700' },
  { name: '@fontsource/noto-sans', regular: '400', bold: '700' },
  { name: '@fontsource/noto-sans-arabic', regular: '400', bold: '700' },
  { name: '@fontsource/noto-sans-hebrew', regular: '400', bold: '700' },
  { name: '@fontsource/noto-sans-math', regular: '400', bold: '400' },
  { name: '@fontsource/noto-sans-symbols-2', regular: '400', bold: '400' },
  { name: '@fontsource/noto-emoji', regular: '400', bold: '700' },
  { name: '@fontsource/noto-sans-sc', regular: '400', bold: '700' },
  { name: '@fontsource/noto-sans-kr', regular: '400', bold: '700' },
] as const
