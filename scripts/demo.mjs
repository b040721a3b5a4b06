// npm run demo: everything from a fresh clone to the running demo.
import { join } from 'node:path'
import { bin, chosenPort, ensureReady, root, say, serve, step, whoReachesIt } from './lib.mjs'

const data = process.env.COHERION_DATA ?? join(root, 'data', 'demo')
await ensureReady()
await step('Preparing the demo data', bin('tsx'), ['scripts/seed-demo.ts', data])
const server = await serve({ purpose: 'demo', data, port: chosenPort() })
say(`The demo is at ${await server.ready} (stop it with Ctrl+C)`)
say(whoReachesIt())
process.exit(await server.ended)
