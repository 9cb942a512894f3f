import { join } from 'node:path'
import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'
import { typedParser, withTypes } from './scripts/typedParser.mjs'

// As few programs as there are machines: a room is read once, not once for each room above it.
const projects = ['tsconfig.json', 'tsconfig.pages.json', 'web/tsconfig.json']
const parser = typedParser(projects.map((name) => join(import.meta.dirname, name)))

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'data/**', 'server/migrations/**', 'test-results/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  // Where there are no pages there is nothing for the rules of pages to read.
  ...vue.configs['flat/recommended'].map((config) => ({ files: ['web/src/**/*.{ts,vue}'], ...config })),
  {
    files: ['**/*.{ts,vue}'],
    languageOptions: { parser, parserOptions: { sourceType: 'module' } },
    rules: {
      'no-undef': 'off', // the compiler knows better
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    files: ['web/src/**/*.vue'],
    languageOptions: { parser: vueParser, parserOptions: { parser } },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/valid-v-slot': ['error', { allowModifiers: true }],
      'vue/require-default-prop': 'off',
    },
  },
  {
    files: ['{core,words,contract,server,web,e2e,bench,campaign}/**/*.{ts,vue}'],
    languageOptions: { parserOptions: withTypes },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      // A listener may be async: what it gives is nobody's.
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/await-thenable': 'error',
      // A sentence in a text is no text yet.
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowBoolean: true }],
      '@typescript-eslint/no-base-to-string': 'error',
      // Where a number may be missing, none is not the same as 0; a text or a flag that is missing is as good as an empty one.
      '@typescript-eslint/strict-boolean-expressions': [
        'error',
        { allowNullableString: true, allowNullableBoolean: true, allowAny: true },
      ],
    },
  },
  {
    // The day, the moment and the seed come in as arguments.
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The clock is handed in.' },
        { object: 'Math', property: 'random', message: 'Take a stream from a seed: core/src/random.' },
        { object: 'performance', property: 'now', message: 'The clock is handed in.' },
        { object: 'crypto', property: 'randomUUID', message: 'Names are handed in.' },
      ],
      'no-restricted-globals': [
        'error',
        ...['process', 'window', 'document', 'localStorage', 'fetch', 'setTimeout', 'setInterval', 'crypto'].map(
          (name) => ({ name, message: 'Core has no machine and no page.' }),
        ),
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The clock is handed in.' },
        {
          selector:
            "CallExpression[callee.object.name='DateTime'][callee.property.name=/^(now|local|utc)$/][arguments.length=0]",
          message: 'The clock is handed in.',
        },
      ],
    },
  },
  {
    files: ['**/test/**/*.ts', 'e2e/**/*.ts'],
    rules: { '@typescript-eslint/no-unused-expressions': 'off' },
  },
  {
    files: ['**/*.{mjs,cjs,js}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        module: 'writable',
        URL: 'readonly',
        Buffer: 'readonly',
        performance: 'readonly',
      },
    },
  },
  prettier,
)
