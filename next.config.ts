import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['knex', 'better-sqlite3'],
  poweredByHeader: false,
  reactStrictMode: true,
  typescript: { ignoreBuildErrors: false },
}

export default config
