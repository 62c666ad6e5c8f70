const shared = {
  testEnvironment: "node",
  // asked of the sandbox's global object each of these costs more than the sum it stands in
  sandboxInjectedGlobals: ["Math", "Number", "Object", "Array", "Map", "Set", "JSON", "Error", "String"],
  moduleNameMapper: {
    "^@/(.*)$": "<rootDir>/src/$1",
    "^server-only$": "<rootDir>/tests/support/empty.ts",
    // its way out is for imports only
    "^@react-pdf/hyphenate/en-us$": "<rootDir>/node_modules/@react-pdf/hyphenate/lib/en-us.js",
  },
  transform: {
    "^.+\\.[cm]?[jt]sx?$": [
      "@swc/jest",
      {
        jsc: {
          target: "es2022",
          parser: { syntax: "typescript", tsx: true },
          transform: { react: { runtime: "automatic" } },
        },
      },
    ],
  },
  transformIgnorePatterns: [
    "/node_modules/(?!(@react-pdf/.*|p-limit|yocto-queue|emoji-regex-xs|yoga-layout|color-string|color-name|d3|d3-[a-z-]+|internmap|delaunator|robust-predicates|client-zip)/)",
  ],
};

/** Two projects: `unit` needs nothing but Node; `integration` needs the test database (scripts/test.sh starts it). */
export default {
  // a bound against a test that hangs, and none on how fast a machine is
  testTimeout: 120_000,
  projects: [
    {
      ...shared,
      displayName: "unit",
      roots: ["<rootDir>/src", "<rootDir>/tests/unit", "<rootDir>/trial"],
      testMatch: ["**/*.test.ts", "**/*.test.tsx"],
    },
    {
      ...shared,
      displayName: "integration",
      roots: ["<rootDir>/tests/integration"],
      testMatch: ["**/*.test.ts"],
    },
  ],
};
