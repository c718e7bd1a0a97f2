import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import accessible from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['dist', 'target', 'src/api/schema.d.ts'] },
  js.configs.recommended,
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      globals: globals.browser,
      parserOptions: {
        projectService: { allowDefaultProject: ['eslint.config.js', 'first-load.mjs'] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
  },
  hooks.configs.flat.recommended,
  accessible.flatConfigs.recommended,
  {
    rules: {
      // What is wider than its place is moved with the arrow keys.
      'jsx-a11y/no-noninteractive-tabindex': [
        'error',
        { tags: [], roles: ['region'], allowExpressionValues: true },
      ],
      // One screenful of a component: 150 lines without blanks and comments.
      'max-lines-per-function': ['error', { max: 150, skipBlankLines: true, skipComments: true }],
    },
  },
  { files: ['src/**/*.test.ts*', 'src/test/**'], rules: { 'max-lines-per-function': 'off' } },
  prettier,
);
