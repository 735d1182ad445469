import js from '@eslint/js'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'
import prettier from 'eslint-config-prettier'
import globals from 'globals'

/** Imports that a folder may not make: arrows between the workspaces go one way. */
const refuse = (patterns, message) => ({
  'no-restricted-imports': ['error', { patterns: [{ group: patterns, message }] }],
})

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'data/**', 'test-results/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
  },
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      'vue/block-lang': ['error', { script: { lang: 'ts' } }],
      'vue/multi-word-component-names': 'off',
      'vue/no-v-html': 'error',
    },
  },
  {
    files: ['core/src/**'],
    ignores: ['core/src/**/*.test.ts', 'core/src/contact/**'],
    rules: refuse(
      ['@hilera/*', 'vue', 'vue/*', 'pinia', 'primevue/*', 'three', 'three/*', 'express', 'kysely', 'node:*'],
      'core knows neither interface nor server.',
    ),
  },
  {
    // Contact between meshes is a library's work, which speaks in three's geometries; it stops here.
    files: ['core/src/contact/**'],
    ignores: ['core/src/**/*.test.ts'],
    rules: refuse(
      ['@hilera/*', 'vue', 'vue/*', 'pinia', 'primevue/*', 'three/*', 'express', 'kysely', 'node:*'],
      'core knows neither interface nor server.',
    ),
  },
  {
    files: ['demo/src/**'],
    rules: refuse(
      ['@hilera/server/*', '@hilera/web/*', 'vue', 'three', 'node:*'],
      'demo is built by calling core only.',
    ),
  },
  {
    files: ['server/src/**'],
    rules: refuse(
      ['@hilera/web/*', 'vue', 'pinia', 'primevue/*', 'three', 'three/*'],
      'the server knows core, not web.',
    ),
  },
  {
    files: ['cli/src/**'],
    ignores: ['cli/src/**/*.test.ts'],
    rules: refuse(
      ['@hilera/server/*', '@hilera/web/*', '@hilera/demo/*', 'vue', 'three'],
      'the command line knows core only.',
    ),
  },
  {
    files: ['web/src/**'],
    ignores: ['web/src/**/*.test.ts'],
    rules: refuse(['@hilera/demo/*', 'node:*', 'express', 'kysely'], 'web knows core and the server API types only.'),
  },
  {
    files: ['web/src/stage/**'],
    rules: refuse(['primevue/*', '@hilera/server/*'], 'the stage draws; dialogs and network live elsewhere.'),
  },
  prettier,
)
