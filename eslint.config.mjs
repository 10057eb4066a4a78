import withNuxt from './.nuxt/eslint.config.mjs'

/** Prettier breaks the lines; what it can't break (sentences, SQL, patterns, classes) stays whole. */
const WIDTH = { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true }

export default withNuxt(
  { ignores: ['.data/**', 'test-results/**'] },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/require-default-prop': 'off',
      'max-len': ['error', WIDTH],
      // More than four things are told apart by their names.
      'max-params': ['error', 4],
    },
  },
  {
    // Made by bin/make-metrics.ts.
    files: ['core/text/metrics/**'],
    rules: { 'max-len': 'off' },
  },
  {
    // A row of a table of cases has as many as the table.
    files: ['tests/**'],
    rules: { 'max-params': 'off' },
  },
  {
    files: ['**/*.vue'],
    rules: {
      'max-len': 'off',
      'vue/max-len': [
        'error',
        { ...WIDTH, template: 120, ignoreHTMLAttributeValues: true, ignoreHTMLTextContents: true },
      ],
    },
  },
)
