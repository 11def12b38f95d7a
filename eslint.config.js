import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import tseslint from 'typescript-eslint';
import vueParser from 'vue-eslint-parser';

/** Arrows only point to core: what a folder may not import. */
const forbidden = (files, patterns, message, ignores = []) => ({
  files,
  ignores,
  rules: {
    'no-restricted-imports': ['error', { patterns: [{ regex: patterns, message }] }],
  },
});

/** Joined as text, a sentence with a quantity in it would read "[object Object]". */
const joinedSayings = {
  selector: "CallExpression[callee.name='said'] > CallExpression[callee.property.name='join']",
  message: 'sentences are joined by sayAll',
};

export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', '.run/', 'coverage/', 'server/drizzle/'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      'vue/multi-word-component-names': 'error',
      'vue/require-default-prop': 'off',
      'no-restricted-syntax': ['error', joinedSayings],
      'vue/no-restricted-syntax': ['error', joinedSayings],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'max-lines': ['warn', { max: 520, skipBlankLines: true }],
    },
  },
  {
    files: ['**/*.vue'],
    languageOptions: {
      parser: vueParser,
      parserOptions: { parser: tseslint.parser, sourceType: 'module' },
    },
  },
  // Data, a row a line.
  {
    files: [
      'core/src/catalogue/{taxa,groups}.ts',
      'core/src/decide/signals.ts',
      'demo/garden.ts',
      'web/src/messages/en.ts',
    ],
    rules: { 'max-lines': 'off' },
  },
  forbidden(
    ['core/src/**/*.ts'],
    '^(node:|vue|vuetify|pinia|express|drizzle-orm|libsql|joi|@fernbank/)|/(server|web)/',
    'core is pure: no framework, no I/O, nothing of the others',
    ['**/*.test.ts'],
  ),
  forbidden(
    ['server/src/**/*.ts'],
    '^(vue|vuetify|pinia|@fernbank/web)|/web/',
    'the server never imports the interface',
  ),
  forbidden(
    ['web/src/**/*.{ts,vue}'],
    '^(node:|express|drizzle-orm|libsql|joi|@fernbank/server)|/server/',
    'the interface never imports the server',
    // What the server answers is known by its own types: read by name, nothing of it is shipped.
    ['**/*.test.ts', 'web/src/api/contract.ts', 'web/src/test/completed.ts'],
  ),
  prettier,
);
