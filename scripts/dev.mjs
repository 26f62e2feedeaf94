import { spawn } from 'node:child_process'
import { dependencies, root } from './ready.mjs'

// The server with the demo, and the pages rebuilt as they are edited.
dependencies()
const both = [
  spawn(process.execPath, ['--import', 'tsx', '--watch', 'server/src/main.ts', '--demo'], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, JUVENA_PORT: '4173' },
  }),
  spawn('npx', ['vite', '--host', '127.0.0.1'], { cwd: `${root}/web`, stdio: 'inherit' }),
]
process.on('SIGINT', () => both.forEach((p) => p.kill()))
