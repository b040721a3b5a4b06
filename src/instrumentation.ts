/**
 * Opens and migrates the database when the server starts, and resolves what is likely to be asked first, so that the first
 * visitor does not wait. Where many servers start for a moment each, as in tests, the second is left out.
 */
export const register = async (): Promise<void> => {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return
  const { database } = await import('./server/database')
  try {
    await database()
  } catch (error) {
    // Nothing is served from data that cannot be used.
    console.error(`\u2716 ${error instanceof Error ? error.message : String(error)}`)
    process.exit(1)
  }
  if (process.env['COHERION_WARM'] === 'no') return
  const { keepBackups } = await import('./server/backups')
  keepBackups()
  const { keepAhead } = await import('./server/ahead')
  const { warmUp } = await import('./server/warm')
  keepAhead(warmUp)
}
