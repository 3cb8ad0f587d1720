import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['.next/', 'node_modules/', 'public/', 'test-results/', 'next-env.d.ts', '.data/'] },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/restrict-template-expressions': [
        'error',
        { allowNumber: true, allowBoolean: true },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'TSEnumDeclaration', message: 'use a union of literals instead of an enum' },
        {
          selector: 'BinaryExpression[operator="in"][left.type!="Literal"]',
          message: 'a name from outside may be `constructor`: use Object.hasOwn, own() or a Map',
        },
      ],
    },
  },
  { files: ['**/*.{mjs,cjs,js}'], ...tseslint.configs.disableTypeChecked },
  {
    files: ['**/*.tsx'],
    plugins: { 'react-hooks': reactHooks, 'jsx-a11y': jsxA11y },
    rules: { ...reactHooks.configs.recommended.rules, ...jsxA11y.flatConfigs.recommended.rules },
  },
  {
    files: ['src/ui/**/*.ts'],
    plugins: { 'react-hooks': reactHooks },
    rules: { ...reactHooks.configs.recommended.rules },
  },
  {
    // What packages and browsers name is looked up with own() or in a Map, never by brackets.
    files: ['src/core/{qti,processing,attempt,sitting,item,deliver}/**/*.ts', 'src/server/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'TSEnumDeclaration', message: 'use a union of literals instead of an enum' },
        {
          selector: 'BinaryExpression[operator="in"][left.type!="Literal"]',
          message: 'a name from outside may be `constructor`: use Object.hasOwn, own() or a Map',
        },
        {
          selector:
            'MemberExpression[computed=true][object.property.name=/^(items|responses|stimuli|outcomes|highlights|tools|struck|weights|fields)$/][property.type!="Literal"]',
          message: 'a name from outside may be `constructor`: use own() or a Map',
        },
      ],
    },
  },
);
