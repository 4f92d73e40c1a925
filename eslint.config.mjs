import ts from 'typescript-eslint'
import vue from 'eslint-plugin-vue'

/** What the core must not reach for: it is the same in a worker, on the server and on the command line. */
const OUTSIDE = [
  'window', 'document', 'navigator', 'location', 'localStorage', 'sessionStorage', 'indexedDB', 'fetch', 'XMLHttpRequest',
  'WebSocket', 'setTimeout', 'setInterval', 'requestAnimationFrame', 'performance', 'process', 'Buffer', 'crypto', 'console',
  'Date', 'self', 'globalThis',
]

export default ts.config(
  { ignores: ['.nuxt', '.output', 'node_modules', 'coverage', 'tmp'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      eqeqeq: 'error',
      'no-var': 'error',
      'prefer-const': 'error',
      'no-warning-comments': ['error', { terms: ['todo', 'fixme', 'hack', 'xxx'] }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'vue/multi-word-component-names': 'off',
    },
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', ...OUTSIDE.map((name) => ({ name, message: 'The core is pure: no DOM, clock, network or process.' }))],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random', message: 'Draws come from the seeded generator.' }],
      'max-lines': ['error', { max: 350, skipBlankLines: true }],
    },
  },
)
