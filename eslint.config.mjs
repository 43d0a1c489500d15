import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/dist/**',
      '.build/**',
      '.quay/**',
      '**/.expo/**',
      'app/.threads/**',
      'app/public/**',
      '**/*.cjs',
      'app/babel.config.js',
      'app/jest.config.js',
      'app/jest.setup.js',
      'app/metro.config.js',
      'test-results/**',
    ],
  },
  { files: ['**/*.mjs'], extends: [ts.configs.base] },
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: {
        project: ['tsconfig.json', 'app/tsconfig.json', 'e2e/tsconfig.json', 'bench/empty-page/tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      // Rows come out of Knex untyped; saying what they are is how they get their type.
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
      'no-console': 'off',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'fetch', 'window', 'crypto'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }, { object: 'Date', property: 'now' }],
    },
  },
  {
    files: ['app/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    // Ordinary controls are Paper's. What is drawn by us is pressed where it is drawn.
    files: ['app/src/**/*.tsx'],
    ignores: [
      'app/src/ui/drawn/{rope,plan,surface}.tsx',
      'app/src/topics/drill/ControlCell.tsx',
      'app/src/topics/docking/Controls.tsx',
      'app/src/topics/photo/compare/PairSheet.tsx',
    ],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: 'react-native',
              importNames: [
                'ActivityIndicator',
                'Button',
                'Modal',
                'Pressable',
                'Switch',
                'TextInput',
                'TouchableHighlight',
                'TouchableOpacity',
                'TouchableWithoutFeedback',
              ],
              message: 'Take it from react-native-paper.',
            },
          ],
        },
      ],
    },
  },
  {
    // The app goes by one clock, which in a demonstration is another than the phone's.
    files: ['app/src/**/*.{ts,tsx}'],
    ignores: ['app/src/platform/clock.ts', '**/*.test.*', 'app/src/testing/**'],
    rules: {
      'no-restricted-properties': ['error', { object: 'Date', property: 'now', message: 'Take now() of platform/clock.' }],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Take now() of platform/clock.' },
      ],
    },
  },
);
