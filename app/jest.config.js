/** Components and the phone's own storage; anything that needs a real browser is a journey in e2e/. */
module.exports = {
  displayName: 'app',
  preset: 'jest-expo/ios',
  setupFiles: ['<rootDir>/jest.setup.js'],
  // Threads are bundled beside the app; here their addresses are only names.
  moduleNameMapper: { '^thread:': '<rootDir>/src/testing/thread.ts' },
  testMatch: ['<rootDir>/src/**/*.test.{ts,tsx}'],
  transformIgnorePatterns: [
    '/node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-native-svg|react-native-paper|@noble|@date-fns|canonicalize|zod|i18next|idb|uuid|ml-levenberg-marquardt|ml-matrix|ml-array-rescale|ml-array-max|ml-array-min|is-any-array|@dnd-kit)/?)',
  ],
};
