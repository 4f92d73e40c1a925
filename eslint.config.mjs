import prettier from 'eslint-config-prettier'
import imports from 'eslint-plugin-simple-import-sort'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/** What the core must not reach for: it is the same in a worker, on the server and on the command line. */
const OUTSIDE = [
  ...['window', 'document', 'navigator', 'location', 'localStorage', 'sessionStorage', 'indexedDB', 'fetch'],
  ...['XMLHttpRequest', 'WebSocket', 'setTimeout', 'setInterval', 'requestAnimationFrame', 'performance', 'process'],
  ...['Buffer', 'crypto', 'console', 'Date', 'self', 'globalThis'],
]

/** Sentences and tables of data may be longer than a line. */
const MAX_LEN = [
  'error',
  { code: 140, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true },
]

export default ts.config(
  { ignores: ['.nuxt', '.output', 'node_modules', 'coverage', 'tmp'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  prettier,
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    plugins: { imports },
    rules: {
      eqeqeq: 'error',
      'no-var': 'error',
      'prefer-const': 'error',
      'no-warning-comments': ['error', { terms: ['todo', 'fixme', 'hack', 'xxx'] }],
      'imports/imports': ['error', { groups: [['^\\u0000', '^node:', '^@?\\w', '^~', '^\\.']] }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'vue/multi-word-component-names': 'off',
    },
  },
  { files: ['**/*.{ts,mjs,cjs}'], rules: { 'max-len': MAX_LEN } },
  {
    files: ['core/**/*.ts'],
    extends: [...ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { project: './tsconfig.node.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      'no-restricted-globals': [
        'error',
        ...OUTSIDE.map((name) => ({ name, message: 'The core is pure: no DOM, clock, network or process.' })),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Draws come from the seeded generator.' },
      ],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      complexity: ['error', 20],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    },
  },
)
