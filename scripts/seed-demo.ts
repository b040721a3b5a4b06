import { openDatabase } from '../src/db/connection'
import { seedDemo } from '../src/demo/seed'

const [, , folder, at = new Date().toISOString()] = process.argv
if (!folder) throw new Error('usage: seed-demo FOLDER [TIME]')
const db = await openDatabase(folder, 'demo')
await seedDemo(db, at)
await db.destroy()
