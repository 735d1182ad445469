import js from '@eslint/js'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'
import prettier from 'eslint-config-prettier'
import globals from 'globals'

/** Imports that a folder may not make: arrows between the workspaces go one way. */
const refuse = (patterns, message) => ({
  'no-restricted-imports': ['error', { patterns: [{ group: patterns, message }] }],
})

/**
 * The folders of core from the bottom up, as they may use each other: one may import from those that stand before it. Words,
 * colours, slots, chance and limits are files of their own at the top, and belong to all.
 */
const LAYERS = [
  'geometry',
  'values',
  'spacing',
  'deal',
  'numbers',
  'scatter',
  'pictures',
  'shapes',
  'mirror',
  'curves',
  'solids',
  'clearing',
  'grounds',
  'plans',
  'layouts',
  'steps',
  'model',
  'contact',
  'parts',
  'selection',
  'evaluation',
  'writers',
  'folding',
  'findings',
  'links',
  'placing',
  'projectFile',
  'readers',
  'scenes',
]
const OUTSIDE = ['@hilera/*', 'vue', 'vue/*', 'pinia', 'primevue/*', 'express', 'kysely', 'node:*']
/** Libraries that speak in three's geometries, and stop where they are wrapped. */
const THREE = { contact: ['three/*'], geometry: [] }

/** A sentence lies with what it is about, and speaks of the whole document. */
const SENTENCES = ['core/src/**/sentence.ts', 'core/src/**/*Sentence.ts']

const coreLayers = LAYERS.map((layer, i) => ({
  files: [`core/src/${layer}/**`],
  ignores: ['core/src/**/*.test.ts', ...SENTENCES],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: [...OUTSIDE, ...(THREE[layer] ?? ['three', 'three/*'])],
            message: 'core knows neither interface nor server.',
          },
          ...(i + 1 < LAYERS.length
            ? [
                {
                  regex: `^(\\.\\./)+((${LAYERS.slice(i + 1).join('|')})/${i <= LAYERS.indexOf('evaluation') ? '|evaluate$' : ''})`,
                  message: `${layer} stands below that.`,
                },
              ]
            : []),
        ],
      },
    ],
  },
}))

export default ts.config(
  { ignores: ['**/dist/**', 'server/test-build/**', '**/node_modules/**', 'data/**', 'test-results/**'] },
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
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['core/src/**'],
    ignores: ['core/src/**/*.test.ts'],
    rules: refuse([...OUTSIDE, 'three', 'three/*'], 'core knows neither interface nor server.'),
  },
  ...coreLayers,
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
