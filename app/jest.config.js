/** Components as the browser gets them, and the phone's own storage; anything that needs a real browser is a journey in e2e/. */
module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  // What a browser has as well as Node (answers, encoders, copies of objects) and the simulated page alone would lack.
  testEnvironment: 'jest-fixed-jsdom',
  // As in jest.config.mjs at the root: not looked up through the sandbox at each use.
  sandboxInjectedGlobals: ['Math', 'Number', 'Object', 'Array', 'Map', 'Set', 'JSON', 'String'],
  setupFiles: ['<rootDir>/jest.setup.js'],
  setupFilesAfterEnv: ['@testing-library/jest-dom'],
  // Threads and styles are bundled beside the app; here their addresses are only names.
  moduleNameMapper: { '^(worker|style):': '<rootDir>/src/testing/thread.ts' },
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
  transformIgnorePatterns: [
    '/node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-native-svg|react-native-paper|@noble|@date-fns|canonicalize|zod|i18next|idb|uuid|ml-levenberg-marquardt|ml-matrix|ml-array-rescale|ml-array-max|ml-array-min|is-any-array|@dnd-kit|color|color-string|color-convert|color-name)/?)',
  ],
};
