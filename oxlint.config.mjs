import { createRequire } from 'node:module';
import { defineConfig } from 'oxlint';

const { reachOf } = createRequire(import.meta.url)('./scripts/lib/reach.js');

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
const TAKES_DATES_APART = [
  { selector: 'ImportDeclaration[source.value=/^date-fns/]', message: DATES_ARE_READ_IN_TIME },
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
].map((property) => ({ object: 'Math', property, message: EXACT_ALONE }));
const POWERS = ['BinaryExpression[operator="**"]', 'AssignmentExpression[operator="**="]'].map(
  (selector) => ({ selector, message: EXACT_ALONE }),
);
const CORE_ASKS = [
  { object: 'Date', property: 'now', message: CORE_IS_PURE },
  { object: 'Date', property: 'parse', message: DATES_ARE_READ_IN_TIME },
];
const CORE_SAYS = [
  { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: CORE_IS_PURE },
  ...READS_THE_MACHINES_ZONE,
  { selector: 'NewExpression[callee.property.name="DateTimeFormat"]', message: IN_A_ZONE },
  ...TAKES_DATES_APART,
];
/** What a made-up tank comes to is the same to the last bit on every device: all that runs for it. */
const RUNS_FOR_PRACTICE = reachOf('src/core/practice');
const TESTS = ['**/*.test.ts', '**/*.test.tsx'];

export default defineConfig({
  ignorePatterns: ['dist/**', '.expo/**', '.cache/**', 'docs/**'],
  plugins: ['eslint', 'typescript', 'import', 'oxc', 'react'],
  jsPlugins: ['./scripts/lib/syntaxRule.mjs'],
  categories: { correctness: 'error' },
  rules: {
    'no-console': 'error',
    'no-var': 'error',
    eqeqeq: ['error', 'always', { null: 'ignore' }],
    'no-unused-vars': [
      'error',
      { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
    ],
    'import/first': 'error',
    'import/no-duplicates': 'error',
    'typescript/array-type': 'error',
    'typescript/no-require-imports': 'off',
    'react/rules-of-hooks': 'error',
    'react/exhaustive-deps': 'error',
    // What a compiler of components would have to be told, which is what a reader has to be told too.
    ...Object.fromEntries(
      [
        ...['static-components', 'use-memo', 'preserve-manual-memoization', 'immutability'],
        ...['globals', 'refs', 'set-state-in-effect', 'set-state-in-render', 'error-boundaries'],
        ...['purity', 'incompatible-library'],
      ].map((rule) => [`react/${rule}`, 'error']),
    ),
  },
  overrides: [
    {
      files: ['src/**/*.ts', 'src/**/*.tsx', 'cli/**/*.ts', 'server/**/*.ts'],
      excludeFiles: TESTS,
      rules: { 'typescript/no-explicit-any': 'error' },
    },
    {
      // A day read in the machine's zone is the day before west of Greenwich.
      files: ['src/**/*.ts', 'src/**/*.tsx', 'cli/**/*.ts'],
      excludeFiles: ['src/core/**', 'src/testing/**', ...TESTS],
      rules: {
        'no-restricted-properties': [
          'error',
          { object: 'Date', property: 'parse', message: DATES_ARE_READ_IN_TIME },
        ],
        'shapes/none': [
          'error',
          {
            selector:
              'CallExpression[callee.property.name=/^getUTC(Date|Day|Hours|Month|FullYear|Minutes)$/]',
            message: DATES_ARE_READ_IN_TIME,
          },
          ...TAKES_DATES_APART,
          ...READS_THE_MACHINES_ZONE,
        ],
      },
    },
    {
      files: ['src/**/*.tsx'],
      // A scale that is set by a finger, and the outline of an animal beside its name, say nothing by themselves.
      excludeFiles: [
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
      excludeFiles: ['src/core/time/**', ...TESTS],
      rules: {
        'no-restricted-properties': [
          'error',
          ...CORE_ASKS,
          { object: 'Math', property: 'random', message: CORE_IS_PURE },
        ],
        'shapes/none': ['error', ...CORE_SAYS],
        'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'navigator'],
      },
    },
    ...[
      { time: false, asks: CORE_ASKS, says: CORE_SAYS },
      { time: true, asks: [], says: [] },
    ].map(({ time, asks, says }) => ({
      files: RUNS_FOR_PRACTICE.filter((file) => file.startsWith('src/core/time/') === time),
      rules: {
        'no-restricted-properties': ['error', ...asks, ...INEXACT],
        'shapes/none': ['error', ...says, ...POWERS],
      },
    })),
  ],
});
