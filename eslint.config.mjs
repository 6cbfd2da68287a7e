import { createConfigForNuxt } from '@nuxt/eslint-config'

const coreIsPure = {
  files: ['core/**/*.ts'],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: '^(?!\\.{1,2}/|zod$|mutative$|tlds$|htmlparser2$|@csstools/css-tokenizer$)',
            message:
              'The core is pure: it imports itself, zod, mutative, the list of top-level domains, and what reads markup and style sheets only.',
          },
          { regex: '(\\.\\./)+(app|server|player|contract|demo)/', message: 'The core knows no other room.' },
        ],
      },
    ],
    'no-restricted-globals': [
      'error',
      'window',
      'document',
      'process',
      'performance',
      'setTimeout',
      'setInterval',
      'fetch',
      'Buffer',
      'localStorage',
      'crypto',
    ],
    'no-restricted-properties': [
      'error',
      { object: 'Date', property: 'now', message: 'Time is an argument.' },
      { object: 'Math', property: 'random', message: 'Randomness is an argument.' },
    ],
  },
}
const room = (files, forbidden, message) => ({
  files,
  ignores: ['**/*.test.ts'],
  rules: { 'no-restricted-imports': ['error', { patterns: [{ regex: forbidden, message }] }] },
})

export default createConfigForNuxt({ features: { tooling: false, stylistic: false } }).append(
  { ignores: ['.output/**', '.nuxt/**', '.data*/**', 'test-results/**', 'server/db/migrations/**', 'docs/**'] },
  coreIsPure,
  room(
    ['contract/**/*.ts'],
    '^(?!\\.{1,2}/|zod$)|/(app|server|player|demo)/',
    'The contract builds on the core alone.',
  ),
  room(
    ['player/**/*.ts'],
    // The one package comes only when an animation needs it, in a worker.
    '^(?!\\.{1,2}/|lottie-web/)|/(app|server|demo)/|/schema\\.ts$',
    'The player imports evaluators and types, no schemas, no framework.',
  ),
  room(['app/**/*.{ts,vue}'], '/server/|drizzle-orm|pglite', 'The interface talks to the server through the contract.'),
  room(['server/**/*.ts'], '/app/|^vue|^pinia', 'The server knows no interface.'),
  // The browser runner reads a fixture's needs from its first parameter, even where it has none.
  { files: ['test/**/*.ts'], rules: { 'no-empty-pattern': 'off' } },
  {
    files: ['**/*.{ts,vue,mjs}'],
    rules: {
      'no-nested-ternary': 'error',
      'vue/no-restricted-syntax': [
        'error',
        {
          selector: 'ConditionalExpression > ConditionalExpression',
          message: 'A conditional in a conditional: name it in the script.',
        },
      ],
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/unified-signatures': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      'no-console': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/require-default-prop': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'import/first': 'off',
    },
  },
  // Tests read downwards, case by case; a scenario and a set of messages are data.
  {
    files: ['**/*.test.ts', 'test/**/*.ts', 'demo/scenario.ts', 'bench/heldOutMessages.ts'],
    rules: { 'max-lines': ['error', { max: 550, skipBlankLines: true, skipComments: true }] },
  },
)
