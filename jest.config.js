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

const TRANSFORM = '<rootDir>/scripts/lib/jestTransform.js';
const SOURCES = '\\.m?[jt]sx?$';
const { '\\.[jt]sx?$': babelOfExpo, ...assets } = expo.transform;

/** @type {import('jest').Config} */
module.exports = {
  // The person who waits has nothing else to do; a machine of two cores would else use one.
  maxWorkers: '100%',
  projects: [
    {
      displayName: 'core',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/(src|cli|server|scripts)/**/*.test.ts'],
      transform: { [SOURCES]: TRANSFORM },
      transformIgnorePatterns,
      moduleNameMapper,
      setupFiles: ['fake-indexeddb/auto'],
    },
    {
      ...expo,
      displayName: 'interface',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      transform: { ...assets, [SOURCES]: [TRANSFORM, { babel: babelOfExpo[1] }] },
      transformIgnorePatterns,
      // The preset's Babel leads every import there; the mapper's own later row is never reached.
      moduleNameMapper: {
        '^react-native$': 'react-native-web',
        ...expo.moduleNameMapper,
        ...moduleNameMapper,
      },
      setupFiles: [...(expo.setupFiles ?? []), '<rootDir>/src/testing/setupInterface.ts'],
    },
  ],
};
