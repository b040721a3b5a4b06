import { openDatabase } from '../src/db/connection'
import { seedDemo } from '../src/demo/seed'

const folder = process.argv[2]
if (!folder) throw new Error('usage: seed-demo FOLDER')
const db = await openDatabase(folder, 'demo')
await seedDemo(db, new Date().toISOString())
await db.destroy()
