import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['knex', 'better-sqlite3', 'exceljs', '@react-pdf/renderer', 'pdfkit'],
  poweredByHeader: false,
  reactStrictMode: true,
  typescript: { ignoreBuildErrors: false },
}

export default config
