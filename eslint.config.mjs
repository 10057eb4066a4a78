import withNuxt from './.nuxt/eslint.config.mjs'

export default withNuxt({
  ignores: ['.data/**', 'test-results/**'],
}, {
  rules: { 'vue/multi-word-component-names': 'off', 'vue/html-self-closing': 'off', 'vue/require-default-prop': 'off' },
})
