/**
 * Opens and migrates the database when the server starts, and resolves what is likely to be asked first, so that the first
 * visitor does not wait. Where many servers start for a moment each, as in tests, the second is left out.
 */
export const register = async (): Promise<void> => {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return
  const { database } = await import('./server/database')
  await database()
  if (process.env['COHERION_WARM'] === 'no') return
  const { warmUp } = await import('./server/warm')
  void warmUp().catch((error: unknown) => console.error('warming up stopped:', error))
}
