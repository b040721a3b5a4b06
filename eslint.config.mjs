import eslint from '@eslint/js'
import reactHooks from 'eslint-plugin-react-hooks'
import * as regexp from 'eslint-plugin-regexp'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  {
    ignores: [
      '.next/',
      'node_modules/',
      'data/',
      'next-env.d.ts',
      'public/service-worker.js',
      'test-results/',
      '.coherion/',
      'dist/',
    ],
  },
  eslint.configs.recommended,
  ...tseslint.configs.recommendedTypeChecked,
  {
    // Whoever sends a text chooses its length: no expression takes more than its length again and again.
    files: ['src/**/*.{ts,tsx}'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    languageOptions: {
      parserOptions: {
        projectService: true,
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      // Taking fields out of an object names them.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      'no-console': ['error', { allow: ['error'] }],
    },
  },
  // Only these have components; looking for them elsewhere takes its time.
  { files: ['src/{app,ui}/**/*.{ts,tsx}'], ignores: ['src/app/api/**'], ...reactHooks.configs.flat.recommended },
  // Two entries, or the second would take away what the first says of the parser, and with it half a minute.
  { files: ['**/*.{mjs,cjs}'], ...tseslint.configs.disableTypeChecked },
  {
    files: ['**/*.{mjs,cjs}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        localStorage: 'readonly',
        document: 'readonly',
        URL: 'readonly',
      },
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/app/**/{page,layout,error,not-found,loading}.tsx', 'src/pool/worker.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportDefaultDeclaration', message: 'Default exports only where Next or the pool wants them.' },
      ],
    },
  },
  // The virtual list hands out functions that change with it; nothing here memoizes them.
  { files: ['src/app/decide/concordance/Matrix.tsx'], rules: { 'react-hooks/incompatible-library': 'off' } },
  { files: ['scripts/**', 'test/**'], rules: { 'no-console': 'off' } },
)
