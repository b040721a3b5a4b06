// Loaded into the server that tests hand on to each other: it lets go of one data folder and takes the next, and forgets
// what it remembered; what was worked out goes by content and stays. The program is loaded and warm already, which is most of what a start costs.
process.on('message', async ({ purpose, folder, isAsked }) => {
  if (isAsked) {
    // Whether it rests: nothing is being worked out ahead any more.
    await globalThis.coherionAhead?.working
    process.send('rests')
    return
  }
  const db = await globalThis.coherionDb
  await db?.destroy()
  delete globalThis.coherionDb
  for (const memory of globalThis.coherionMemory?.values() ?? []) memory.clear()
  globalThis.coherionKept?.clear()
  process.env.COHERION_PURPOSE = purpose
  process.env.COHERION_DATA = folder
  process.send('taken')
})
// A server that nobody tests with any more ends.
process.on('disconnect', () => process.exit(0))
