// What the compiler does not see: hooks, accessibility, promises nobody waits for.
import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
import react from 'eslint-plugin-react';
import hooks from 'eslint-plugin-react-hooks';
import { defineConfig, globalIgnores } from 'eslint/config';
import ts from 'typescript-eslint';

export default defineConfig([
  globalIgnores([
    'src/api/schema.d.ts',
    'src/teacher/draft/experiment.d.ts',
    'src/family/core/**',
    'public/**',
    '*.js',
    '*.mjs',
  ]),
  js.configs.recommended,
  ts.configs.recommendedTypeChecked,
  hooks.configs.flat.recommended,
  a11y.flatConfigs.recommended,
  {
    plugins: { react },
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      // A table that scrolls sideways takes the focus, so that keys reach what is cut off.
      'jsx-a11y/no-noninteractive-tabindex': [
        'error',
        { tags: [], roles: ['region', 'group'], allowExpressionValues: true },
      ],
      // A field that a press brings up takes the focus that the press had.
      'jsx-a11y/no-autofocus': 'off',
      // Styles stand in style sheets; at the place only what is worked out there.
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'JSXAttribute[name.name="style"] ObjectExpression > Property[value.type="Literal"]',
          message: 'A style that is not worked out here is a class of a style sheet.',
        },
      ],
      // Where a row can be taken out or moved, its place is no name for it.
      'react/no-array-index-key': 'error',
    },
  },
  {
    files: ['src/**/*.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 120 }] }, // a component is about one thing
  },
]);
