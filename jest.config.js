// The preset's watch plugins belong to the top level of a configuration, which this is not.
const { watchPlugins: _watchPlugins, ...expo } = require('jest-expo/web/jest-preset');

// Packages that ship as ES modules and so have to be transformed.
const esModules = [
  '(jest-)?react-native[^/]*',
  '@react-native(-community)?',
  '@react-native-async-storage',
  'expo(nent)?',
  '@expo(nent)?/.*',
  'expo-.*',
  'd3-.*',
  'internmap',
  'lucide-react-native',
  'uuid',
  '@noble/hashes',
  '@date-fns/tz',
  'react-hotkeys-hook',
  '@tanstack/.*',
];
const transformIgnorePatterns = [`/node_modules/(?!(${esModules.join('|')})(/|$))`];
const moduleNameMapper = { '^@/(.*)$': '<rootDir>/src/$1' };

// Types off and modules as Node has them, and nothing else: the preset for screens rewrites loops and
// classes for old engines, which makes the sampler seven times slower than it runs anywhere.
const plain = [
  'babel-jest',
  {
    configFile: false,
    presets: ['@babel/preset-typescript'],
    plugins: ['@babel/plugin-transform-modules-commonjs', '@babel/plugin-transform-dynamic-import'],
  },
];

/** @type {import('jest').Config} */
module.exports = {
  // The person who waits has nothing else to do; a machine of two cores would else use one.
  maxWorkers: '100%',
  projects: [
    {
      displayName: 'core',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/(src|cli|server|scripts)/**/*.test.ts'],
      transform: { '\\.[jt]sx?$': plain, '\\.mjs$': plain },
      transformIgnorePatterns,
      moduleNameMapper,
      setupFiles: ['fake-indexeddb/auto'],
    },
    {
      ...expo,
      displayName: 'interface',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      transform: { ...expo.transform, '\\.mjs$': 'babel-jest' },
      transformIgnorePatterns,
      moduleNameMapper: { ...expo.moduleNameMapper, ...moduleNameMapper },
      setupFiles: [...(expo.setupFiles ?? []), '<rootDir>/src/testing/setupInterface.ts'],
    },
  ],
};
