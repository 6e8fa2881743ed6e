import type { NextConfig } from 'next';

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  outputFileTracingRoot: import.meta.dirname,
  serverExternalPackages: ['@libsql/client', 'libsql', 'pdfmake'],
  experimental: { optimizePackageImports: ['antd', 'lucide-react'] },
};

export default config;
