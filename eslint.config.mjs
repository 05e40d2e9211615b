import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

export default tseslint.config(
  { ignores: ['node_modules', '.next', 'dist', 'public', 'next-env.d.ts'] },
  ...tseslint.configs.strict,
  // What ships is judged by its types too.
  {
    files: ['src/**/*.{ts,tsx}'],
    extends: tseslint.configs.strictTypeChecked,
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': 'off',
      // These look at the type of every name and every value, a third of the whole: `./verify --long`.
      ...(process.env.UPFIT_LONG === '1'
        ? {}
        : {
            '@typescript-eslint/no-deprecated': 'off',
            '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
            '@typescript-eslint/no-unsafe-enum-assignment': 'off',
          }),
      // A type that is named once is still what its caller says.
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
    },
  },
  ...tseslint.configs.stylistic,
  {
    // Where React is: its rules compile each file they look at.
    files: ['src/{app,places,state,ui}/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: {
      ...reactHooks.configs['recommended-latest'].rules,
      'react-hooks/exhaustive-deps': 'error',
      // The compiler leaves the two lists alone that measure their own rows.
      'react-hooks/incompatible-library': 'off',
    },
  },
  {
    // Controls are made once, in ui/, on Radix; places use those.
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'JSXOpeningElement[name.name=/^(select|option|details|summary|dialog|progress|meter)$/]',
          message: 'Use Select, Fold, Dialog or Progress of ui/.',
        },
        {
          selector:
            'JSXOpeningElement[name.name="input"] > JSXAttribute[name.name="type"][value.value=/^(checkbox|radio|range)$/]',
          message: 'Use Checkbox, Tick, OneOf or Slider of ui/.',
        },
        {
          selector: 'JSXOpeningElement[name.name=/^[a-z]/] > JSXAttribute[name.name="title"]',
          message: 'Use Hint of ui/: a title is not for keys and not for touch.',
        },
        {
          selector: 'JSXOpeningElement[name.name="button"] > JSXAttribute[name.name="aria-pressed"]',
          message: 'Use Toggle or Segments of ui/.',
        },
        {
          selector:
            'JSXAttribute[name.name="role"][value.value=/^(menu|menuitem|dialog|alertdialog|tab|tablist|switch|radio|radiogroup|combobox|progressbar)$/]',
          message: 'Use what ui/ has for it.',
        },
      ],
      'no-restricted-imports': [
        'error',
        { paths: [{ name: 'radix-ui', message: 'Radix is wrapped once, in ui/.' }] },
      ],
    },
  },
  {
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-definitions': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
    },
  },
  { files: ['src/cli/**', 'scripts/**', 'tests/**'], rules: { 'no-console': 'off' } },
);
