// npm start: a team's own data, empty at first.
import { join } from 'node:path'
import { chosenPort, ensureReady, root, say, serve, whoReachesIt } from './lib.mjs'

const data = process.env.COHERION_DATA ?? join(root, 'data', 'own')
await ensureReady()
const server = await serve({ purpose: 'own', data, port: chosenPort() })
say(`Coherion is at ${await server.ready}, with its data in ${data} (stop it with Ctrl+C)`)
say(whoReachesIt())
process.exit(await server.ended)
