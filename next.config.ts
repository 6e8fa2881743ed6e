import { readdirSync } from 'node:fs';
import path from 'node:path';
import type { NextConfig } from 'next';

// Nothing is told to anybody: read before the framework asks.
process.env.NEXT_TELEMETRY_DISABLED = '1';

/**
 * What the interface kit is made of. These packages do not say that nothing happens when one of their files is read; were it not said here,
 * a whole package would come with the least part of it.
 */
const OF_THE_KIT = ['@ant-design', '@rc-component'].flatMap((scope) =>
  readdirSync(path.join(import.meta.dirname, 'node_modules', scope)).map((name) => `${scope}/${name}`),
);

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  // Types are a step of `npm test`, and a build that somebody starts from waits for nothing twice.
  typescript: { ignoreBuildErrors: true },
  outputFileTracingRoot: import.meta.dirname,
  serverExternalPackages: ['@libsql/client', 'libsql', 'pdfmake'],
  turbopack: { rules: { '**/antd/es/*/style/index.js': { loaders: ['./ui/kit/leaveOutStyles.mjs'] } } },
  experimental: { optimizePackageImports: ['antd', 'lucide-react', ...OF_THE_KIT] },
};

export default config;
