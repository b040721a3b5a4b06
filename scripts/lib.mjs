// Set-up shared by the commands. Plain Node.js: it runs before anything is installed.
import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(fileURLToPath(import.meta.url)))
process.chdir(root)

const stamps = join(root, '.coherion')
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'

export const quietEnv = { ...process.env, NEXT_TELEMETRY_DISABLED: '1', DO_NOT_TRACK: '1' }

export const say = text => console.log(`\u203a ${text}`)

/** What runs at this moment; it ends with the command that started it. */
const running = new Set()

export const fail = text => {
  console.error(`\u2716 ${text}`)
  for (const child of running) child.kill('SIGTERM')
  process.exit(1)
}

/** Runs a command in sight of the person; resolves with its exit code. */
export const run = (command, args, env = {}) =>
  new Promise((done, failed) => {
    const child = spawn(command, args, { stdio: 'inherit', env: { ...quietEnv, ...env } })
    running.add(child)
    child.on('error', failed)
    child.on('exit', (code, signal) => {
      running.delete(child)
      done(code ?? (signal ? 1 : 0))
    })
  })

export const bin = name => join(root, 'node_modules', '.bin', name)

/** Runs a step with its name and time; stops everything when it fails. */
export const step = async (name, command, args, env) => {
  const began = Date.now()
  say(`${name} …`)
  const code = await run(command, args, env)
  if (code !== 0) fail(`${name} failed (exit code ${code}).`)
  say(`${name}: ${((Date.now() - began) / 1000).toFixed(1)} s`)
}

const filesBelow = path => {
  if (!existsSync(path)) return []
  if (statSync(path).isFile()) return [path]
  return readdirSync(path)
    .sort()
    .flatMap(name => filesBelow(join(path, name)))
}

/** A digest of files and folders: it changes when any of them does. */
const digestOf = paths => {
  const hash = createHash('sha256')
  for (const file of paths.flatMap(p => filesBelow(join(root, p))))
    hash.update(relative(root, file)).update(readFileSync(file))
  return hash.digest('hex')
}

const isCurrent = (name, digest) => {
  const file = join(stamps, name)
  return existsSync(file) && readFileSync(file, 'utf8') === digest
}

const setCurrent = (name, digest) => {
  mkdirSync(stamps, { recursive: true })
  writeFileSync(join(stamps, name), digest)
}

const checkNode = () => {
  const major = Number(process.versions.node.split('.')[0])
  if (major < 20) fail(`Node.js 20 or newer is needed; this is ${process.versions.node}.`)
}

const installed = () => `${digestOf(['package-lock.json'])} ${process.versions.modules}`

/** Fetches dependencies where they are missing or the lock file changed; what has to be compiled is not yet. */
export const ensurePackages = async () => {
  checkNode()
  if (existsSync(join(root, 'node_modules')) && isCurrent('packages', installed())) return
  const args = ['ci', '--ignore-scripts', '--no-audit', '--no-fund']
  await step('Fetching dependencies', npm, args)
  setCurrent('packages', installed())
}

/** SQLite itself asks for no more than this, and the compiler takes a third less time. */
const COMPILER = { CFLAGS: '-O2', CXXFLAGS: '-O2', ...process.env }

/**
 * Compiles the database's library where there is none ready-made for this machine. It keeps one processor busy for a
 * minute or two; building gets on without it.
 */
export const ensureCompiled = async () => {
  const library = join(root, 'node_modules/better-sqlite3/build/Release/better_sqlite3.node')
  if (existsSync(library) && isCurrent('compiled', installed())) return
  const { allowScripts } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'))
  await step('Preparing the database’s library', npm, ['rebuild', ...Object.keys(allowScripts)], COMPILER)
  setCurrent('compiled', installed())
}

/** Builds the application where the sources changed. */
export const ensureBuilt = async () => {
  const digest = digestOf(['src', 'next.config.ts', 'tsconfig.json', 'package.json', 'package-lock.json'])
  const isThere = ['.next/BUILD_ID', 'public/service-worker.js', 'dist/pool/worker.mjs', 'dist/door.mjs'].every(file =>
    existsSync(join(root, file)),
  )
  if (isThere && isCurrent('built', digest)) return
  await step('Building', npm, ['run', '--silent', 'build'])
  setCurrent('built', digest)
}

/** Everything that it takes to start the application. */
export const ensureReady = async () => {
  await ensurePackages()
  await Promise.all([ensureCompiled(), ensureBuilt()])
}

/** The port asked for by PORT or --port, else 3000. */
export const chosenPort = () => {
  const flag = process.argv.indexOf('--port')
  const text = flag >= 0 ? process.argv[flag + 1] : process.env.PORT
  const port = Number(text ?? 3000)
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    fail(`The port must be a number from 1 to 65535; this is “${text}”.`)
  return port
}

const isFree = port =>
  new Promise(done => {
    const probe = createServer()
    probe.once('error', () => done(false))
    probe.listen(port, () => probe.close(() => done(true)))
  })

/** What a server is called that listens on a host. */
const nameOf = host => {
  if (!host || ['0.0.0.0', '::'].includes(host)) return 'localhost'
  return host.includes(':') ? `[${host}]` : host
}

/** Who can reach the server, in a sentence. */
export const whoReachesIt = () =>
  process.env.HOST
    ? `It listens on ${process.env.HOST}: whoever is on that network can read and change everything, there is no sign-in yet.`
    : 'It answers on this machine only; HOST=0.0.0.0 opens it to the network, see SECURITY.md.'

/** Starts the built application on a data folder and prints its address once it answers. */
export const serve = async ({ purpose, data, port, quiet = false }) => {
  if (!(await isFree(port))) fail(`Port ${port} is in use. Choose another: PORT=3001 npm run demo`)
  mkdirSync(data, { recursive: true })
  const child = spawn(process.execPath, [join(root, 'dist/door.mjs')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...quietEnv, NODE_ENV: 'production', PORT: String(port), COHERION_PURPOSE: purpose, COHERION_DATA: data },
  })
  const stop = () => child.kill('SIGTERM')
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  const ended = new Promise(done => child.on('exit', code => done(code ?? 0)))
  const address = `http://${nameOf(process.env.HOST)}:${port}`
  child.stdout.on('data', text => {
    if (!quiet && process.env.COHERION_VERBOSE) process.stdout.write(text)
  })
  const ready = (async () => {
    for (let i = 0; i < 300; i++) {
      if (
        await fetch(`${address}/api/v1/standards`).then(
          r => r.ok,
          () => false,
        )
      )
        return address
      if (child.exitCode !== null) break
      await new Promise(wake => setTimeout(wake, 100))
    }
    child.kill('SIGKILL')
    return fail(`The server did not start on ${address}; see above.`)
  })()
  return { child, ready, ended, address, stop }
}

/** How Chromium is started by tests, benchmarks and pictures. */
export const chromiumArgs = JSON.parse(readFileSync(join(root, 'scripts', 'chromium.json'), 'utf8')).args

/** The same engine without a window's worth of browser around it starts and draws with a sixth less work. */
const CHROMIUM_PACKAGES = ['chromium-headless-shell', 'chromium']

/** Finds Chromium for the browser tests, installing Debian's package where that is possible. */
export const ensureChromium = async () => {
  const candidates = [process.env.CHROMIUM, ...CHROMIUM_PACKAGES.map(p => `/usr/bin/${p}`), '/usr/bin/chromium-browser']
  const find = () => candidates.find(path => path && existsSync(path))
  const found = find()
  if (found) return found
  const isRoot = process.getuid?.() === 0
  if (existsSync('/usr/bin/apt-get') && isRoot) {
    say('Installing Chromium from Debian’s packages …')
    const env = { DEBIAN_FRONTEND: 'noninteractive' }
    const apt = (...args) => run('apt-get', args, env)
    await apt('update', '-qq')
    // Older releases have the whole browser only.
    for (const name of CHROMIUM_PACKAGES)
      if (!find()) await apt('install', '-y', '-qq', '--no-install-recommends', '-o=Dpkg::Use-Pty=0', name)
    const installed = find()
    if (installed) return installed
    fail('Chromium could not be installed. Install it by hand and set CHROMIUM to its path.')
  }
  return fail(
    'The browser tests need Chromium. Install it (on Debian: sudo apt-get install chromium) or set CHROMIUM to its path.',
  )
}
