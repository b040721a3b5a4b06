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

/** The built application on a data folder of its own, to be killed and started again at will. */
export class TestServer {
  private child: ChildProcess | undefined
  private constructor(
    readonly folder: string,
    private readonly purpose: 'demo' | 'own',
    readonly port: number,
  ) {}

  static async start(purpose: 'demo' | 'own'): Promise<TestServer> {
    const folder = mkdtempSync(join(tmpdir(), 'coherion-test-'))
    if (purpose === 'demo') cpSync(TEMPLATE, folder, { recursive: true })
    const server = new TestServer(folder, purpose, await freePort())
    await server.up()
    return server
  }

  get address(): string {
    return `http://localhost:${this.port}`
  }

  /** @param built where the built application lies */
  async up(built = '.'): Promise<void> {
    this.child = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', built, '-p', String(this.port)], {
      stdio: ['ignore', 'ignore', 'inherit'],
      detached: true,
      env: {
        ...process.env,
        NEXT_TELEMETRY_DISABLED: '1',
        COHERION_PURPOSE: this.purpose,
        COHERION_DATA: this.folder,
        COHERION_WARM: 'no',
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
    rmSync(this.folder, { recursive: true, force: true })
  }
}
