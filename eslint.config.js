import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['.cache/**', '**/dist/**', '**/node_modules/**', '**/*.tmp.ts'] },
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off', // typed arrays under noUncheckedIndexedAccess
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  {
    files: ['core/**/*.ts', 'web/src/{base,db,input,practice,store}/**/*.ts'],
    ignores: ['**/*.test.{ts,tsx}'],
    languageOptions: { parserOptions: { project: './tsconfig.lint.json', tsconfigRootDir: import.meta.dirname } },
    // What is voided and fails all the same is told by the page as a whole (main.tsx).
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/no-unnecessary-condition': 'error',
      '@typescript-eslint/await-thenable': 'error',
    },
  },
  {
    // Where components and hooks can be.
    files: ['web/src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', 'web/src/{base,db,input}/**', 'web/src/text/*/**'],
    plugins: { 'react-hooks': reactHooks },
    rules: reactHooks.configs.recommended.rules,
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'Date', 'performance'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
    },
  },
  {
    files: ['web/src/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "JSXAttribute[name.name='fontSize'] Literal[value=/^[0-9.]+(rem|px)$/]",
          message: 'Sizes of text are those of the theme.',
        },
      ],
    },
  },
  {
    files: ['core/**/*.ts', 'web/src/**/*.{ts,tsx}', 'server/**/*.ts', 'bench/**/*.ts', 'scripts/**/*.ts'],
    // Tables may be as long as they have rows.
    ignores: ['**/*.test.{ts,tsx}', 'web/src/text/*/**', 'core/judge/findings.data.ts', 'bench/teacherRules.ts'],
    rules: { 'max-lines': ['error', 250], 'max-lines-per-function': ['error', 80] },
  },
  { files: ['scripts/**', 'bench/**', 'server/**', 'tests/engines/**'], rules: { 'no-console': 'off' } },
);
