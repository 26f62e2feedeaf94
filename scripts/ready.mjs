import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'

/**
 * What a fresh clone lacks, installed once; what is there is left alone. Says what it does on
 * standard error.
 */
export const root = resolve(import.meta.dirname, '..')
const kept = join(root, 'node_modules/.juvena')

export function run(command, args, { quiet = false, env = {} } = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', quiet ? 'ignore' : process.stderr, process.stderr],
    env: { ...process.env, ...env },
  })
  return done.status ?? 1
}
const stop = (sentence) => {
  console.error(sentence)
  process.exit(1)
}
const digest = (text) => createHash('sha256').update(text).digest('hex')
const stampOf = (name) =>
  existsSync(join(kept, name)) ? readFileSync(join(kept, name), 'utf8') : ''
const stamp = (name, value) => {
  mkdirSync(kept, { recursive: true })
  writeFileSync(join(kept, name), value)
}

/** Dependencies by lockfile. The database library compiles once, for three to four minutes. */
export function dependencies() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    stop(`Juvena needs Node 20.19 or newer; this is ${process.version}.`)
  const wanted = digest(
    readFileSync(join(root, 'package-lock.json')) +
      readFileSync(join(root, 'package.json'), 'utf8') +
      process.version,
  )
  if (stampOf('dependencies') === wanted) return
  console.error(
    'Installing what Juvena is built of, once. The database library compiles: three to four minutes.',
  )
  // NODE_ENV=production would leave out what the build needs.
  if (
    run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund'], {
      env: { PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1', NODE_ENV: '' },
    }) !== 0
  )
    stop(
      'The install failed; the lines above say why. The package registry has to be reachable this once.',
    )
  const loads = () =>
    run(process.execPath, ['-e', "new (require('better-sqlite3'))(':memory:')"], {
      quiet: true,
    }) === 0
  if (!loads()) {
    run('npm', ['rebuild', 'better-sqlite3', '--foreground-scripts'])
    if (!loads())
      stop(
        'The database library did not build. It needs a C++ compiler, make and Python 3: apt-get install g++ make python3.',
      )
  }
  stamp('dependencies', wanted)
}

const sourcesOf = (folder) =>
  readdirSync(join(root, folder), { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile())
    .map((f) => join(f.parentPath, f.name))
    .sort()

/** Builds what a workspace gives when anything it is made of has changed. */
function build(workspace, name, gives, made) {
  const files = [
    ...sourcesOf('core/src'),
    ...sourcesOf('contract'),
    ...sourcesOf(`${workspace}/src`),
    ...made,
    `${workspace}/vite.config.ts`,
    ...(workspace === 'web' ? ['web/templates.ts'] : []),
    'package-lock.json',
  ].map((f) => resolve(root, f))
  const wanted = digest(files.map((f) => f + digest(readFileSync(f))).join('\n'))
  if (stampOf(name) === wanted && existsSync(join(root, workspace, 'dist', gives))) return
  console.error(`Building the ${name}.`)
  if (run('npm', ['run', 'build', '--workspace', workspace, '--silent'], { quiet: true }) !== 0)
    stop(`The ${name} did not build: run npm run build to see why.`)
  stamp(name, wanted)
}
export const pages = () =>
  build('web', 'pages', 'index.html', [...sourcesOf('web/public'), 'web/index.html'])
export const server = () => build('server', 'server', 'main.js', [])

/** Debian's Chromium, which the end-to-end tests drive. */
export function chromium() {
  const at = process.env.CHROMIUM ?? '/usr/bin/chromium'
  if (existsSync(at) && statSync(at).size > 0) return
  const cannot =
    'The end-to-end tests drive Debian’s Chromium, and it cannot be installed here. Install it (apt-get install chromium), or set CHROMIUM to where one is.'
  if (process.getuid?.() !== 0 || spawnSync('apt-get', ['--version']).status !== 0) stop(cannot)
  console.error('Installing Chromium, once.')
  const quiet = { quiet: true, env: { DEBIAN_FRONTEND: 'noninteractive' } }
  run('apt-get', ['update'], quiet)
  if (
    run('apt-get', ['install', '-y', '--no-install-recommends', 'chromium'], quiet) !== 0 ||
    !existsSync(at)
  )
    stop(cannot)
}

/** Runs a program in this terminal until it ends, where this one was started. */
function here(args) {
  try {
    execFileSync(process.execPath, args, { stdio: 'inherit' })
  } catch (error) {
    process.exit(error.status ?? 1)
  }
}
/** Runs a program of the server, as built. */
export function serve(program, args = []) {
  server()
  here(['--enable-source-maps', join(root, 'server/dist', program), ...args])
}
/** Runs a TypeScript file. */
export const script = (file, args = []) => here(['--import', 'tsx', join(root, file), ...args])
