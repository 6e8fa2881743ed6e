import type { NextConfig } from 'next';

// Nothing is told to anybody: read before the framework asks.
process.env.NEXT_TELEMETRY_DISABLED = '1';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are a step of `npm test`, and a build that somebody starts from waits for nothing twice.
  typescript: { ignoreBuildErrors: true },
  outputFileTracingRoot: import.meta.dirname,
  serverExternalPackages: ['@libsql/client', 'libsql', 'pdfmake'],
  experimental: { optimizePackageImports: ['antd', 'lucide-react'] },
};

export default config;
