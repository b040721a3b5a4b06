import { spawn } from 'node:child_process'
import { createServer, type Server } from 'node:net'
import { afterEach, expect, it } from 'vitest'

/** Runs a snippet that uses the commands’ shared set-up, and gives back what it printed and how it ended. */
const runWith = (code: string, env: Record<string, string> = {}): Promise<{ code: number | null; text: string }> =>
  new Promise(done => {
    const child = spawn(
      process.execPath,
      ['--input-type=module', '-e', `import * as lib from './scripts/lib.mjs'; ${code}`],
      {
        env: { ...process.env, ...env },
      },
    )
    let text = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', chunk => (text += String(chunk)))
    child.on('exit', exit => done({ code: exit, text }))
  })

let blocker: Server | undefined
afterEach(() => blocker?.close())

it('takes the port from PORT, else 3000', async () => {
  expect((await runWith('console.log(lib.chosenPort())', { PORT: '4321' })).text).toContain('4321')
  expect((await runWith('delete process.env.PORT; console.log(lib.chosenPort())')).text).toContain('3000')
})

it('says what is wrong with a port', async () => {
  const wrong = await runWith('lib.chosenPort()', { PORT: 'harbour' })
  expect(wrong.code).toBe(1)
  expect(wrong.text).toContain('The port must be a number from 1 to 65535; this is “harbour”.')
})

it('says so when the port is taken, and how to choose another', async () => {
  const server = createServer()
  blocker = server
  const port = await new Promise<number>(done => {
    server.listen(0, () => {
      const address = server.address()
      done(typeof address === 'object' && address ? address.port : 0)
    })
  })
  const taken = await runWith(`await lib.serve({ purpose: 'demo', data: '/tmp/coherion-nowhere', port: ${port} })`)
  expect(taken.code).toBe(1)
  expect(taken.text).toContain(`Port ${port} is in use. Choose another: PORT=3001 npm run demo`)
})

it('stops at a step that fails, and names it', async () => {
  const failed = await runWith("await lib.step('Polishing', process.execPath, ['-e', 'process.exit(3)'])")
  expect(failed.code).toBe(1)
  expect(failed.text).toContain('Polishing failed (exit code 3).')
})

it('turns the telemetry of tools off', async () => {
  expect((await runWith('console.log(lib.quietEnv.NEXT_TELEMETRY_DISABLED)')).text.trim()).toBe('1')
})
