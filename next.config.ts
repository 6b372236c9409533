import type { NextConfig } from "next";

const config: NextConfig = {
  poweredByHeader: false,
  serverExternalPackages: ["mysql2", "sharp", "@node-rs/argon2", "pino"],
  // The linter and the type checker run as steps of their own (./wide-lane test).
  typescript: { ignoreBuildErrors: true },
};

export default config;
