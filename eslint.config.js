import { join } from 'node:path';
import { includeIgnoreFile } from 'eslint/config';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  // What is built is nobody's to lint, and may go away while it is read: the documentation's site, above all.
  includeIgnoreFile(join(import.meta.dirname, '.gitignore')),
  { ignores: ['**/*.cjs', 'types'] },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/restrict-template-expressions': [
        'error',
        { allowNumber: true, allowBoolean: true },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'eqeqeq': 'error',
      'no-console': 'error',
      'no-eval': 'error',
      'max-lines': ['error', { max: 450, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['**/*.mjs', '**/*.js'],
    ...tseslint.configs.disableTypeChecked,
    rules: { ...tseslint.configs.disableTypeChecked.rules, 'no-console': 'off' },
  },
  { files: ['bench/**'], rules: { 'no-console': 'off' } },
);
