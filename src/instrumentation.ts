/** Opens and migrates the database when the server starts, so that the first visitor does not wait. */
export const register = async (): Promise<void> => {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return
  const { database } = await import('./server/database')
  await database()
  const { warmUp } = await import('./server/warm')
  void warmUp().catch((error: unknown) => console.error('warming up stopped:', error))
}
