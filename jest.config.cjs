const transform = {
  '\\.m?[jt]sx?$': [
    '@swc/jest',
    {
      jsc: {
        target: 'es2022',
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
      },
    },
  ],
};
const shared = {
  testEnvironment: 'node',
  transform,
  // Packages that come as ES modules only.
  transformIgnorePatterns: ['/node_modules/(?!(clipper2-ts|pdfjs-dist)/)'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
};

module.exports = {
  // A test of pixels or of the interface may find a machine that is busy with something else.
  testTimeout: 240_000,
  projects: [
    { ...shared, displayName: 'unit', testMatch: ['<rootDir>/tests/unit/**/*.test.ts'] },
    { ...shared, displayName: 'e2e', testMatch: ['<rootDir>/tests/e2e/**/*.test.ts'] },
  ],
};
