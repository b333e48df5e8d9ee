const { defineConfig } = require('eslint/config');
const expo = require('eslint-config-expo/flat');

const DATES_ARE_READ_IN_TIME = 'Dates are read and taken apart in core/time, in a zone.';
const IN_A_ZONE = 'Days are counted in the tank’s zone: use core/time.';
// `npm test` runs under other zones of the machine only the suites that name a zone: this is why it may.
const READS_THE_MACHINES_ZONE = [
  {
    selector:
      'CallExpression[callee.property.name=/^(get|set)(Date|Day|Hours|Minutes|Month|FullYear)$|^getTimezoneOffset$|^to(Date|Time)String$|^toLocale(Date|Time)String$/]',
    message: IN_A_ZONE,
  },
  { selector: 'NewExpression[callee.name="Date"][arguments.length>1]', message: IN_A_ZONE },
];
const DRAWINGS_STAND_IN_A_FRAME =
  'Draw within Frame or Plot (src/ui): every drawing has its sentence and can be taken along.';
const TAPS_ARE_GUARDED =
  'What can be tapped is a Tap (ui/press): it takes no tap that was meant for what it replaced.';
const CORE_IS_PURE = 'The core takes time and chance as arguments.';
const EXACT_ALONE = 'Browsers and Node may differ in its last digit: use core/math/exact.';
/** All of Math that no standard rounds alike everywhere, and chance that no seed repeats. */
const INEXACT = [
  ...['acos', 'acosh', 'asin', 'asinh', 'atan', 'atan2', 'atanh', 'cbrt', 'cos', 'cosh', 'exp'],
  ...['expm1', 'hypot', 'log', 'log10', 'log1p', 'log2', 'pow', 'random', 'sin', 'sinh', 'tan'],
  'tanh',
];

/** Every rule of the preset about React, off: where nothing is drawn, each file would be parsed for them once more. */
const NOTHING_OF_REACT = Object.fromEntries(
  expo
    .flatMap((part) => Object.keys(part.rules ?? {}))
    .filter((rule) => /^react(-hooks)?\//.test(rule))
    .map((rule) => [rule, 'off']),
);

module.exports = defineConfig([
  { ignores: ['dist/**', 'node_modules/**', '.expo/**', '.cache/**', 'docs/**'] },
  ...expo,
  {
    rules: {
      // Sentences are full of apostrophes, and React needs none of them escaped.
      'react/no-unescaped-entities': 'off',
      'import/no-named-as-default-member': 'off',
      // The compiler checks every name that is taken from a module, in a tenth of the time.
      'import/namespace': 'off',
      'import/no-unresolved': 'off',
      'import/export': 'off',
      'import/no-named-as-default': 'off',
      'no-console': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: ['**/*.ts'],
    ignores: [
      'src/app/**',
      'src/features/**',
      'src/forms/**',
      'src/frame/**',
      'src/store/hooks.ts',
      'src/ui/**',
    ],
    rules: NOTHING_OF_REACT,
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
    },
  },
  {
    files: ['src/**/*.ts', 'src/**/*.tsx', 'cli/**/*.ts', 'server/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: { '@typescript-eslint/no-explicit-any': 'error' },
  },
  {
    // A day read in the machine's zone is the day before west of Greenwich.
    files: ['src/**/*.ts', 'src/**/*.tsx', 'cli/**/*.ts'],
    ignores: ['src/core/**', 'src/testing/**', '**/*.test.ts', '**/*.test.tsx'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'parse', message: DATES_ARE_READ_IN_TIME },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportDeclaration[source.value=/^date-fns/]',
          message: DATES_ARE_READ_IN_TIME,
        },
        {
          selector:
            'CallExpression[callee.property.name=/^getUTC(Date|Day|Hours|Month|FullYear|Minutes)$/]',
          message: DATES_ARE_READ_IN_TIME,
        },
        ...READS_THE_MACHINES_ZONE,
      ],
    },
  },
  {
    files: ['src/**/*.tsx'],
    // A scale that is set by a finger, and the outline of an animal beside its name, say nothing by themselves.
    ignores: [
      'src/ui/press/*.tsx',
      'src/ui/Frame.tsx',
      'src/ui/scale/ReadingScale.tsx',
      'src/features/stock/Silhouette.tsx',
    ],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: 'react-native',
              importNames: [
                'Pressable',
                'TouchableOpacity',
                'TouchableHighlight',
                'TouchableWithoutFeedback',
                'Button',
                'Switch',
              ],
              message: TAPS_ARE_GUARDED,
            },
            { name: 'expo-router', importNames: ['Link'], message: TAPS_ARE_GUARDED },
            {
              name: 'react-native-svg',
              importNames: ['default', 'Svg'],
              message: DRAWINGS_STAND_IN_A_FRAME,
            },
          ],
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: CORE_IS_PURE },
        { object: 'Math', property: 'random', message: CORE_IS_PURE },
        { object: 'Date', property: 'parse', message: DATES_ARE_READ_IN_TIME },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: CORE_IS_PURE,
        },
        ...READS_THE_MACHINES_ZONE,
        { selector: 'NewExpression[callee.property.name="DateTimeFormat"]', message: IN_A_ZONE },
        {
          selector: 'ImportDeclaration[source.value=/^date-fns/]',
          message: DATES_ARE_READ_IN_TIME,
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'navigator'],
    },
  },
  {
    // What a made-up tank comes to is the same to the last bit on every device.
    files: ['src/core/practice/**/*.ts', 'src/core/math/exact.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: CORE_IS_PURE },
        { object: 'Date', property: 'parse', message: DATES_ARE_READ_IN_TIME },
        ...INEXACT.map((property) => ({ object: 'Math', property, message: EXACT_ALONE })),
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'BinaryExpression[operator="**"]', message: EXACT_ALONE },
        { selector: 'AssignmentExpression[operator="**="]', message: EXACT_ALONE },
        ...READS_THE_MACHINES_ZONE,
      ],
    },
  },
  {
    files: ['src/core/time/**/*.ts'],
    rules: { 'no-restricted-properties': 'off', 'no-restricted-syntax': 'off' },
  },
]);
