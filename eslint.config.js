import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', '.cache/', 'data/', 'tools/', '**/public/', '*.js', '*.cjs'] },
  ...tseslint.configs.strictTypeChecked,
  {
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      // `_id` drops a property from a rest.
      '@typescript-eslint/no-unused-vars': [
        'error',
        { ignoreRestSiblings: true, varsIgnorePattern: '^_', argsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
    },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      // The core has no clock and no chance of its own: both come in as arguments.
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The moment is an argument.' },
        { object: 'Math', property: 'random', message: 'Chance is an argument: see units/random.ts.' },
        { object: 'performance', property: 'now', message: 'The moment is an argument.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'The moment is an argument.',
        },
        { selector: 'CallExpression[callee.name="Date"]', message: 'The moment is an argument.' },
      ],
    },
  },
  {
    files: ['packages/server/src/**/*.ts'],
    ignores: ['packages/server/src/env.ts', '**/*.test.ts', '**/testing/**'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'process', property: 'env', message: 'Only env.ts reads the environment.' },
      ],
    },
  },
  { files: ['packages/web/src/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  {
    files: ['**/*.test.ts', '**/testing/**', 'e2e/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
)
