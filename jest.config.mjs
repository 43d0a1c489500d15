const swc = ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }];
const plain = (name) => ({
  displayName: name,
  rootDir: name,
  testEnvironment: 'node',
  // A file under test runs in a context of its own, where each of these would be looked up anew
  // through the sandbox: a computation spends most of its time there otherwise.
  sandboxInjectedGlobals: [
    'Math',
    'Number',
    'Object',
    'Array',
    'Map',
    'Set',
    'Float64Array',
    'Float32Array',
    'Uint8Array',
    'Uint8ClampedArray',
    'Int32Array',
    'Uint32Array',
    'JSON',
    'String',
    'Symbol',
    'Boolean',
    'Error',
    'RegExp',
    'WeakMap',
    'Promise',
  ],
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  transform: { '\\.[cm]?[jt]s$': swc },
  // These ship ES modules only.
  transformIgnorePatterns: [
    '/node_modules/(?!(@noble|@date-fns|canonicalize|zod|ical\\.js|ml-levenberg-marquardt|ml-matrix|ml-array-rescale|ml-array-max|ml-array-min|is-any-array|p-limit|yocto-queue)/)',
  ],
});

export default {
  // Signing in derives keys and pictures are decoded; on a busy machine that takes its time.
  testTimeout: 60_000,
  // By itself it would leave one core to others, which of two is half.
  maxWorkers: 2,
  projects: [plain('core'), plain('contract'), plain('simulators'), plain('server'), '<rootDir>/app/jest.config.js'],
};
