import type { NextConfig } from "next";

const config: NextConfig = {
  poweredByHeader: false,
  // packages with native code stay outside the bundle
  serverExternalPackages: ["@node-rs/argon2", "pino"],
};

export default config;
