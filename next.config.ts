import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['knex', 'better-sqlite3', 'exceljs'],
  poweredByHeader: false,
  reactStrictMode: true,
  typescript: { ignoreBuildErrors: false },
}

export default config
