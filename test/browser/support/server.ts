import { type ChildProcess, spawn } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Where the seeded demo that tests start from is kept. */
export const TEMPLATE = join(tmpdir(), 'coherion-test-template')

const freePort = (): Promise<number> =>
  new Promise(done => {
    const probe = createServer()
    probe.listen(0, () => {
      const address = probe.address()
      const port = typeof address === 'object' && address ? address.port : 0
      probe.close(() => done(port))
    })
  })

const HAND_ON = new URL('./hand-on.mjs', import.meta.url).href

const newFolder = (purpose: 'demo' | 'own'): string => {
  const folder = mkdtempSync(join(tmpdir(), 'coherion-test-'))
  if (purpose === 'demo') cpSync(TEMPLATE, folder, { recursive: true })
  return folder
}

/** The built application on a data folder of its own, to be killed and started again at will. */
export class TestServer {
  private child: ChildProcess | undefined
  private built = '.'
  private constructor(
    readonly port: number,
    private purpose: 'demo' | 'own',
    private data: string,
  ) {}

  static async start(purpose: 'demo' | 'own'): Promise<TestServer> {
    const server = new TestServer(await freePort(), purpose, newFolder(purpose))
    await server.up()
    return server
  }

  /** On a folder that is kept. */
  static async on(folder: string): Promise<TestServer> {
    const server = new TestServer(await freePort(), 'demo', folder)
    await server.up()
    return server
  }

  /** Ends it as it ends by itself: what is being written is written to its end. */
  async end(): Promise<void> {
    const { child } = this
    if (!child || child.exitCode !== null) return
    const gone = new Promise(done => child.once('exit', done))
    child.kill('SIGTERM')
    await gone
  }

  get folder(): string {
    return this.data
  }

  get address(): string {
    return `http://localhost:${this.port}`
  }

  /** The same server for the next test, on fresh data and remembering nothing; started again where a test ended it. */
  async startAfresh(): Promise<void> {
    const { child } = this
    const isRunning = child?.connected && child.exitCode === null && this.built === '.'
    const before = this.data
    this.data = newFolder(this.purpose)
    if (isRunning) {
      const taken = new Promise(done => child.once('message', done))
      child.send({ purpose: this.purpose, folder: this.data })
      await taken
    } else {
      await this.kill()
      await this.up()
    }
    rmSync(before, { recursive: true, force: true })
  }

  /** Resolves once nothing is being worked out ahead, where it works ahead at all. */
  async rests(): Promise<void> {
    const { child } = this
    const rests = new Promise(done => child?.once('message', done))
    child?.send({ isAsked: true })
    await rests
  }

  /** @param built where the built application lies */
  async up(built = '.'): Promise<void> {
    this.built = built
    this.child = spawn(process.execPath, ['--import', HAND_ON, 'dist/door.mjs', built], {
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      detached: true,
      env: {
        ...process.env,
        NEXT_TELEMETRY_DISABLED: '1',
        NODE_ENV: 'production',
        PORT: String(this.port),
        COHERION_PURPOSE: this.purpose,
        COHERION_DATA: this.data,
        // Beside a test nothing works by itself, unless it is asked for.
        COHERION_WARM: process.env['COHERION_WARM'] ?? 'no',
      },
    })
    for (let i = 0; i < 300; i++) {
      const answers = await fetch(`${this.address}/api/v1/standards`).then(
        r => r.ok,
        () => false,
      )
      if (answers) return
      if (this.child.exitCode !== null) break
      await new Promise(wake => setTimeout(wake, 100))
    }
    throw new Error(`no server on ${this.address}`)
  }

  /** As by a power cut: no process of the server gets a chance to tidy up. */
  async kill(): Promise<void> {
    const { child } = this
    if (!child?.pid || child.exitCode !== null || child.signalCode !== null) return
    const gone = new Promise(done => child.once('exit', done))
    process.kill(-child.pid, 'SIGKILL')
    await gone
  }

  async stop(): Promise<void> {
    await this.kill()
    rmSync(this.data, { recursive: true, force: true })
  }
}
