import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'

/** `!` stands behind an index alone (`a[i]!`, `a.at(-1)!`); all else is narrowed or `sure(x)`. */
const ONLY_BEHIND_AN_INDEX = {
  selector:
    "TSNonNullExpression:not([expression.type='MemberExpression'][expression.computed=true]):not([expression.type='CallExpression'][expression.callee.property.name='at'])",
  message: 'Narrow it, or say sure(x), which throws where it is not there.',
}

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.juvena/**',
      'test-results/**',
      '.dependency-cruiser.cjs',
    ],
  },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parser: vueParser, parserOptions: { parser: tseslint.parser } },
    rules: {
      'vue/require-default-prop': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/no-v-html': 'error',
      'vue/no-restricted-syntax': ['error', ONLY_BEHIND_AN_INDEX],
    },
  },
  {
    files: ['{core,server,web}/src/**/*.{ts,vue}', '{contract,scripts}/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', ONLY_BEHIND_AN_INDEX] },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'process',
        'localStorage',
        'setTimeout',
        'console',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The day comes in as an argument.' },
        { object: 'Math', property: 'random', message: 'Randomness is seeded.' },
      ],
      'no-restricted-syntax': [
        'error',
        ONLY_BEHIND_AN_INDEX,
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'The day comes in as an argument.',
        },
        {
          selector:
            "CallExpression[callee.property.name='recall'] > :matches(ArrowFunctionExpression, FunctionExpression)",
          message: 'What is kept is worked by a named function of its inputs alone.',
        },
      ],
    },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      'no-console': 'off',
    },
  },
  prettier,
)
